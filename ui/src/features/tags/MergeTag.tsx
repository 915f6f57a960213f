import { useQuery } from '@tanstack/react-query'
import { api, data } from '@/api/client'
import { tags } from '@/api/queries'
import { useSays } from '@/app/says'
import { counted } from '@/parts/figures'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { StaysField } from '@/parts/form/StaysField'
import type { Tag } from './Tags'

/** Makes a tag part of another one. */
export function MergeTag({ tag, onClose }: { tag: Tag; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm({ into: '' })
  const { data: all = [], isPending } = useQuery(tags)
  async function merge({ into }: { into: string }) {
    await data(
      api.POST('/api/tags/{id}/merge', { params: { path: { id: tag.id } }, body: { version: tag.version, into } }),
    )
    says.done(`${tag.name} is merged.`)
  }
  return (
    <Form of={of} className="flex flex-col gap-3 p-5" send={merge} done={onClose}>
      <h2 className="text-title/[1.2]">Merge {tag.name}</h2>
      <p className="text-ink-2">
        Its {counted(tag.entries, 'entry', 'entries')} and the rules that give it have the other one then. {tag.name} is
        gone; Undo parts the two again.
      </p>
      <StaysField
        name="into"
        label="It is the same as"
        what="tag"
        waiting={isPending}
        choices={all
          .filter((t) => t.id !== tag.id)
          .map((t) => ({ id: t.id, name: t.name, more: counted(t.entries, 'entry', 'entries') }))}
      />
      <Foot go="Merge" onLeave={onClose} />
    </Form>
  )
}
