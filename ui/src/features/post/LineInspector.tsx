import { useQuery } from '@tanstack/react-query'
import { Fragment } from 'react'
import { api, data, messageOf } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { counted, day, longDay, signed } from '@/parts/figures'
import { JournalEntry } from '@/parts/JournalEntry'
import { BookingEditor } from './BookingEditor'
import { type Booking, isComplete } from './booking'
import type { Waiting } from './types'

const DETAILS: Record<Waiting['details'][number]['detail'], string> = {
  COUNTERPARTY_ACCOUNT: 'Their account',
  COUNTERPARTY_BANK: 'Their bank',
  EXTENDED_NAME: 'Name in full',
  ADDRESS: 'Address',
  ULTIMATE_PARTY: 'On behalf of',
  MANDATE: 'Mandate',
  CREDITOR: 'Creditor',
  END_TO_END: 'End to end',
  BANK_REFERENCE: 'Bank reference',
  BOOKING_TEXT: 'Booking text',
  SUPPLEMENT: 'Supplement',
  ORIGINAL_AMOUNT: 'Paid in',
}

type Mode = 'look' | 'change' | 'split' | 'rule'

/** The selected line: what the bank said, and the entry that it would become. */
export function LineInspector({
  line,
  booking,
  mode,
  setMode,
  onChange,
  onPost,
  onPair,
}: {
  line: Waiting
  booking: Booking
  mode: Mode
  setMode: (mode: Mode) => void
  onChange: (booking: Booking) => void
  onPost: () => void
  onPair: (postingId: string, entryNo: number) => void
}) {
  return (
    <aside className="insp" aria-label="Selected line">
      <div className="ih">
        <h2>{booking.payee || 'Who is this?'}</h2>
        <span className="big">{signed(line.amount)}</span>
      </div>
      <p className="q s ihs">
        {longDay(line.bookedOn)}, {line.accountName}, {line.currency}
      </p>
      <h3>From the bank</h3>
      <dl className="kv">
        <dt>Text</dt>
        <dd>{line.text}</dd>
        {line.reference && (
          <>
            <dt>Reference</dt>
            <dd>{line.reference}</dd>
          </>
        )}
        {line.details.map((d) => (
          <Fragment key={d.detail}>
            <dt>{DETAILS[d.detail]}</dt>
            <dd>{d.text}</dd>
          </Fragment>
        ))}
        <dt>Booked{line.valueOn && ', value'}</dt>
        <dd>
          {day(line.bookedOn)}
          {line.valueOn && `, ${day(line.valueOn)}`}
        </dd>
        <dt>Arrived</dt>
        <dd>
          batch {line.batchNo}, {line.sourceName}, line {line.sourceLine}
        </dd>
      </dl>
      <div className="h-3 flex-none" />
      {mode === 'look' ? (
        <WouldBook line={line} booking={booking} />
      ) : (
        <BookingEditor
          line={line}
          booking={booking}
          split={mode === 'split'}
          onDone={(next) => {
            onChange(next)
            setMode('look')
          }}
          onCancel={() => setMode('look')}
        />
      )}
      {mode === 'look' && <Alternatives line={line} onPair={onPair} />}
      {mode === 'look' && (
        <MayChange>
          <div className="acts">
            <button type="button" className="btn go wide" disabled={!isComplete(booking)} onClick={onPost}>
              Post this line <kbd>Enter</kbd>
            </button>
            <button type="button" className="btn full" onClick={() => setMode('change')}>
              {isComplete(booking) ? 'Change for this line only' : 'Say what it is'} <kbd>C</kbd>
            </button>
            <button type="button" className="btn" onClick={() => setMode('rule')}>
              Make a rule <kbd>R</kbd>
            </button>
            <button type="button" className="btn" onClick={() => setMode('split')}>
              Split <kbd>S</kbd>
            </button>
          </div>
        </MayChange>
      )}
    </aside>
  )
}

/** The entry, made by the books themselves, never by the page. */
function WouldBook({ line, booking }: { line: Waiting; booking: Booking }) {
  const complete = isComplete(booking)
  const entry = useQuery({
    queryKey: ['would-book', line.id, booking],
    enabled: complete,
    retry: false,
    queryFn: () =>
      data(api.POST('/api/waiting-lines/{id}/preview', { params: { path: { id: line.id } }, body: booking })),
  })
  if (!complete) {
    return (
      <>
        <h3>Would book</h3>
        <p className="q">Nothing yet: no rule fits. Say what it is for, or make a rule for all lines like it.</p>
      </>
    )
  }
  if (entry.error) {
    return (
      <p className="note-error" role="alert">
        {messageOf(entry.error)}
      </p>
    )
  }
  if (!entry.data) return null
  return <JournalEntry title="Would book" books={entry.data.books} between={entry.data.betweenBooks} />
}

function Alternatives({ line, onPair }: { line: Waiting; onPair: (postingId: string, entryNo: number) => void }) {
  if (line.alternatives.length === 0) return null
  return (
    <>
      <h3 className="mt-3">Or it is in the books already</h3>
      <ol className="alts">
        {line.alternatives.slice(0, 3).map((a, i) => (
          <li key={a.postingId}>
            <button type="button" onClick={() => onPair(a.postingId, a.entryNo)}>
              <kbd>{i + 1}</kbd>
              <span>
                No. {a.entryNo}, {a.payee}
              </span>
              <span className="qq s">
                {day(a.date)}, {a.daysApart === 0 ? 'same day' : `${counted(a.daysApart, 'day')} apart`}
              </span>
            </button>
          </li>
        ))}
      </ol>
    </>
  )
}
