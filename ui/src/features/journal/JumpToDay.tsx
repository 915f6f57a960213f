import { Dialog } from '@/parts/Dialog'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { DateField } from '@/parts/form/fields'
import { textLink } from '@/parts/look'

/** Asks for the day that a list begins with, or for one of its ends. */
export function JumpToDay({
  onDay,
  onEnd,
  onClose,
}: {
  onDay: (day: string) => void
  /** Told how it is sorted so that it begins with that end. */
  onEnd: (order: string) => void
  onClose: () => void
}) {
  const of = useOwnForm({ date: '' })
  function end(order: string) {
    onEnd(order)
    onClose()
  }
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
        <p className="text-ink-2">
          Or to{' '}
          <button type="button" className={textLink()} onClick={() => end('-date')}>
            the newest
          </button>{' '}
          or{' '}
          <button type="button" className={textLink()} onClick={() => end('date')}>
            the oldest
          </button>
          .
        </p>
        <Foot go="Go there" onLeave={onClose} />
      </Form>
    </Dialog>
  )
}
