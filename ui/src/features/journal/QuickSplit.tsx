import { api, data, type Schemas } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useSays } from '@/app/says'
import { BookingEditor } from '@/features/post/BookingEditor'
import type { Booking } from '@/features/post/booking'
import { Dialog } from '@/parts/Dialog'
import { signed } from '@/parts/figures'
import { tagsOf } from '@/parts/form/TagsField'
import { type Draft, type QuickRead, sent } from './quick'

/** An entry that is being typed, booked to several places. */
export function QuickSplit({
  draft,
  read,
  base,
  parts,
  onClose,
  onEntered,
}: {
  draft: Draft
  read: QuickRead
  base: string
  /** What it is split into to begin with. */
  parts: Booking['parts']
  onClose: () => void
  onEntered: (entry: Schemas['EntryJson']) => void
}) {
  const says = useSays()
  const { accountId, signed: amount } = read
  if (!accountId || !amount || !read.day.value) return null
  const whole = (booking: Booking) => ({
    ...sent(draft, base, accountId),
    amount: signed(amount),
    payee: booking.payee,
    note: booking.note ?? '',
    tags: booking.tags,
    parts: booking.parts,
    restToSuspense: booking.restToSuspense,
  })
  async function enter(booking: Booking) {
    try {
      onEntered(await data(api.POST('/api/entries', { body: whole(booking) })))
      await booksChanged()
    } catch (error) {
      says.failed(error)
    }
  }
  return (
    <Dialog title="Split the entry" open onClose={onClose} wide>
      <div className="flex flex-col p-5">
        <h2 className="mb-2 text-title/[1.2]">{signed(amount)} in parts</h2>
        <BookingEditor
          of={{
            id: `entry of ${accountId}`,
            accountId,
            bookId: read.bookId ?? '',
            currency: read.currency,
            amount,
            bookedOn: read.day.value ?? '',
            name: draft.payee,
          }}
          preview={async (booking) => {
            const seen = await data(api.POST('/api/entries/reading', { body: whole(booking) }))
            if (seen.missing) throw new Error(seen.missing.message)
            return seen
          }}
          booking={{
            payee: draft.payee,
            note: draft.note,
            tags: draft.tags === undefined ? read.tags : tagsOf(draft.tags),
            parts,
          }}
          split
          onDone={enter}
          onCancel={onClose}
        />
      </div>
    </Dialog>
  )
}
