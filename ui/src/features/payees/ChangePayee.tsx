import { api, data } from '@/api/client'
import { useSays } from '@/app/says'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { TextArea, TextField } from '@/parts/form/fields'
import type { Payee } from './Payees'

/** Renames a payee and says how banks call it; entries follow by themselves. */
export function ChangePayee({ payee, onClose }: { payee: Payee; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm({ name: payee.name, knownAs: payee.knownAs.join('\n') }, `payee ${payee.id}`)
  async function change({ name, knownAs }: { name: string; knownAs: string }) {
    const texts = knownAs
      .split('\n')
      .map((text) => text.trim())
      .filter((text) => text !== '')
    await data(
      api.PUT('/api/payees/{id}', {
        params: { path: { id: payee.id } },
        body: { version: payee.version, name, knownAs: texts },
      }),
    )
    says.done(`${name.trim()} changed.`)
  }
  return (
    <Form of={of} className="flex flex-col gap-3 p-5" send={change} done={onClose}>
      <h2 className="text-title/[1.2]">Change {payee.name}</h2>
      <TextField name="name" label="Name" needed="Say who this is." autoFocus />
      <TextArea name="knownAs" label="What banks write, one text a line" rows={4} />
      <Foot go="Change it" onLeave={onClose} />
    </Form>
  )
}
