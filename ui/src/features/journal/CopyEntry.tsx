import { api, data, type Schemas } from '@/api/client'
import { useSays } from '@/app/says'
import { Dialog } from '@/parts/Dialog'
import { longDay } from '@/parts/figures'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { DateField } from '@/parts/form/fields'

/** Writes an entry again on another day. */
export function CopyEntry({ entry, onClose }: { entry: Schemas['EntryJson']; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm({ date: '' })
  async function copy(body: { date: string }) {
    const made = await data(api.POST('/api/entries/{id}/again', { params: { path: { id: entry.id } }, body }))
    says.done(`No. ${made.no} of ${longDay(made.date)} is like no. ${entry.no}.`)
  }
  return (
    <Dialog title={`Copy no. ${entry.no}`} open onClose={onClose}>
      <Form of={of} className="flex flex-col gap-3 p-5" send={copy} done={onClose}>
        <h2 className="text-title/[1.2]">
          Copy no. {entry.no}, {entry.payee}
        </h2>
        <DateField name="date" label="To the day" className="w-[170px]" needed="Type the day." autoFocus />
        <Foot go="Copy it" onLeave={onClose} />
      </Form>
    </Dialog>
  )
}
