import { api } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useSays } from '@/app/says'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { TextField } from '@/parts/form/fields'
import type { Waiting } from './types'

/** Says why a line is no business of the books; it can be taken in again. */
export function LeaveOut({ line, onClose }: { line: Waiting; onClose: () => void }) {
  const of = useOwnForm({ because: '' }, `leaving out ${line.id}`)
  const says = useSays()
  function leave() {
    of.forget()
    onClose()
  }
  return (
    <Form
      of={of}
      label="Leave the line out"
      className="flex flex-1 flex-col gap-3"
      send={async ({ because }) => {
        await api.PUT('/api/left-out-lines/{id}', {
          params: { path: { id: line.id } },
          body: { version: line.version, because },
        })
        leave()
        says.done(`${line.text} is left out.`)
        await booksChanged()
      }}
    >
      <p className="text-ink-2">
        The line stays as the bank gave it and is not booked. It is among those left out, and can be taken in again.
      </p>
      <TextField
        name="because"
        label="Why it is no business of the books"
        needed="Type the reason, so that it is known next year too."
        autoFocus
      />
      <Foot go="Leave it out" back="Let it wait" onLeave={leave} />
    </Form>
  )
}
