import { api, data, type Schemas } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useSays } from '@/app/says'
import { Dialog } from '@/parts/Dialog'
import { longMonth } from '@/parts/figures'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { TextField } from '@/parts/form/fields'
import { Said } from '@/parts/View'

/** Opens a closed month again, and all after it, and asks for the reason, which history keeps. */
export function ReopenMonth({ book, onClose }: { book: Schemas['BookToCloseJson']; onClose: () => void }) {
  const { bookId, bookName, month, closedThrough } = book
  const of = useOwnForm({ because: '' }, `opening ${month} of ${bookId} again`)
  const says = useSays()
  function leave() {
    of.forget()
    onClose()
  }
  return (
    <Dialog title="Open the month again" open onClose={onClose}>
      <Said title={`Open ${longMonth(month)} again`}>
        <Form
          of={of}
          label="Open the month again"
          className="flex flex-col gap-3"
          send={async ({ because }) => {
            await data(api.POST('/api/closed-months/reopen', { body: { bookId, month, because } }))
            leave()
            says.done(`${bookName} is open from ${longMonth(month)} on.`)
            await booksChanged()
          }}
        >
          <p className="text-ink-2">
            {closedThrough && closedThrough !== month
              ? `${bookName} is closed through ${longMonth(closedThrough)}; the months after this one are opened too.`
              : `Entries of ${bookName} in that month can be changed again.`}
          </p>
          <TextField
            name="because"
            label="Why it is opened again"
            needed="Type the reason, so that it is known next year too."
            autoFocus
          />
          <Foot go="Open it again" back="Leave it closed" onLeave={leave} />
        </Form>
      </Said>
    </Dialog>
  )
}
