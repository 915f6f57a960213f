import { Dialog } from '@/parts/Dialog'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { DateField } from '@/parts/form/fields'

/** Asks for the day that a list begins with. */
export function JumpToDay({ onDay, onClose }: { onDay: (day: string) => void; onClose: () => void }) {
  const of = useOwnForm({ date: '' })
  return (
    <Dialog title="Go to a day" open onClose={onClose}>
      <Form
        of={of}
        className="flex flex-col gap-3 p-5"
        send={async ({ date }: { date: string }) => onDay(date)}
        done={onClose}
      >
        <h2 className="text-title/[1.2]">Go to a day</h2>
        <DateField name="date" label="The list begins with" className="w-[170px]" needed="Type the day." autoFocus />
        <Foot go="Go there" onLeave={onClose} />
      </Form>
    </Dialog>
  )
}
