import { api, data } from '@/api/client'
import { useSays } from '@/app/says'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { TextField } from '@/parts/form/fields'
import type { Tag } from './Tags'

/** Renames a tag; entries and rules follow by themselves. */
export function ChangeTag({ tag, onClose }: { tag: Tag; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm({ name: tag.name }, `tag ${tag.id}`)
  async function change({ name }: { name: string }) {
    await data(
      api.PUT('/api/tags/{id}', {
        params: { path: { id: tag.id } },
        body: { version: tag.version, name, putAway: tag.putAway },
      }),
    )
    says.done(`${tag.name} is called ${name.trim()}.`)
  }
  return (
    <Form of={of} className="flex flex-col gap-3 p-5" send={change} done={onClose}>
      <h2 className="text-title/[1.2]">Rename {tag.name}</h2>
      <TextField name="name" label="Name" needed="Give it a name." autoFocus />
      <Foot go="Rename it" onLeave={onClose} />
    </Form>
  )
}
