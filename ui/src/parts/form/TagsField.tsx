import { box } from '@/parts/look'
import { Field } from './Field'

/** Tags as a person types them. */
export const tagsOf = (text: string) =>
  text
    .split(',')
    .map((tag) => tag.trim())
    .filter((tag) => tag !== '')

export const tagsText = (tags: string[]) => tags.join(', ')

/** What an entry belongs to across categories, typed with commas between. */
export function TagsField({ text, onText }: { text: string; onText: (text: string) => void }) {
  return (
    <Field label="Tags">
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
