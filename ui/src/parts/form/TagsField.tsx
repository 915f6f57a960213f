import { useQuery } from '@tanstack/react-query'
import { tags } from '@/api/queries'
import { box } from '@/parts/look'
import { Field } from './Field'

/** Tags as a person types them. */
export const tagsOf = (text: string) =>
  text
    .split(',')
    .map((tag) => tag.trim())
    .filter((tag) => tag !== '')

export const tagsText = (tags: string[]) => tags.join(', ')

/** What is said of typed tags that no entry has yet, so that none is made by a slip; empty if there is none. */
export function useNewTags(text: string): string {
  const { data: all } = useQuery(tags)
  const known = new Set(all?.map((tag) => tag.name.toLowerCase()))
  const fresh = all === undefined ? [] : tagsOf(text).filter((tag) => !known.has(tag.toLowerCase()))
  return fresh.length === 0 ? '' : `New: ${tagsText(fresh)}`
}

/** What an entry belongs to across categories, typed with commas between. */
export function TagsField({ text, onText }: { text: string; onText: (text: string) => void }) {
  const fresh = useNewTags(text)
  return (
    <Field label="Tags" hint={fresh}>
      {(ids) => (
        <input
          {...ids}
          className={box()}
          value={text}
          placeholder="separated by commas"
          onChange={(e) => onText(e.target.value)}
        />
      )}
    </Field>
  )
}
