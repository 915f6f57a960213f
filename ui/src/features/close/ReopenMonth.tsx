import { api, data, type Schemas } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useSays } from '@/app/says'
import { longMonth } from '@/parts/figures'
import { AskReason } from '@/parts/form/AskReason'

/** Opens a closed month again, and all after it. */
export function ReopenMonth({ book, onClose }: { book: Schemas['BookToCloseJson']; onClose: () => void }) {
  const { bookId, bookName, month, closedThrough } = book
  const says = useSays()
  return (
    <AskReason
      title={`Open ${longMonth(month)} again`}
      keptAs={`opening ${month} of ${bookId} again`}
      go="Open it again"
      back="Leave it closed"
      send={async (because, leave) => {
        await data(api.POST('/api/closed-months/reopen', { body: { bookId, month, because } }))
        leave()
        says.done(`${bookName} is open from ${longMonth(month)} on.`)
        await booksChanged()
      }}
      onClose={onClose}
    >
      {closedThrough && closedThrough !== month
        ? `${bookName} is closed through ${longMonth(closedThrough)}; the months after this one are opened too.`
        : `Entries of ${bookName} in that month can be changed again.`}
    </AskReason>
  )
}
