import { useQuery } from '@tanstack/react-query'
import { Fragment } from 'react'
import { api, data, messageOf } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { Receipts } from '@/features/attachments/Receipts'
import { AccountPicker } from '@/parts/AccountPicker'
import { Button } from '@/parts/Button'
import { counted, day, isZero, longDay, signed } from '@/parts/figures'
import { Field } from '@/parts/form/Field'
import { JournalEntry } from '@/parts/JournalEntry'
import { factList, noteBox } from '@/parts/look'
import { Acts, Inspector, InspectorHead } from '@/parts/View'
import { BookingEditor } from './BookingEditor'
import { type Answer, type Booking, isComplete, isReady, payeeOf, type SaidOfLines, type Standing } from './booking'
import { LeaveOut } from './LeaveOut'
import { PairWithEntry } from './PairWithEntry'
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

type Mode = 'look' | 'change' | 'split' | 'rule' | 'leave' | 'pair'

/** The selected line: what the bank said, and the entry that it would become. */
export function LineInspector({
  line,
  answer,
  mode,
  setMode,
  onChange,
  several,
  alike,
  onAlike,
  onPost,
  onPair,
  onDifference,
  onPaired,
  stayed,
}: {
  line: Waiting
  /** Why it stayed when it was to be posted. */
  stayed: string | undefined
  /** How many lines are selected, this one among them. */
  several: number
  /** How many lines look like the one that was just answered, and who that is with. */
  alike: { of: string; count: number }
  onAlike: () => void
  answer: Answer
  mode: Mode
  setMode: (mode: Mode) => void
  onChange: (booking: Booking) => void
  onPost: () => void
  onPair: (postingId: string, entryNo: number) => void
  onDifference: (accountId: string | undefined) => void
  onPaired: (entry: SaidOfLines['paired'][string]) => void
}) {
  return (
    <Inspector label="Selected line">
      <InspectorHead title={payeeOf(answer) || 'Who is this?'} figure={signed(line.amount)}>
        {longDay(line.bookedOn)}, {line.accountName}, {line.currency}
      </InspectorHead>
      <h3>From the bank</h3>
      <dl className={factList}>
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
      <Receipts place={{ lineId: line.id }} />
      {mode === 'look' ? (
        <Would line={line} answer={answer} onDifference={onDifference} />
      ) : mode === 'pair' ? (
        <PairWithEntry
          line={line}
          onChoose={({ entry, beyond }) => onPaired(isZero(beyond) ? entry : { ...entry, difference: beyond })}
          onCancel={() => setMode('look')}
        />
      ) : mode === 'leave' ? (
        <LeaveOut line={line} onClose={() => setMode('look')} />
      ) : (
        <BookingEditor
          of={line}
          preview={(booking) =>
            data(api.POST('/api/waiting-lines/{id}/preview', { params: { path: { id: line.id } }, body: booking }))
          }
          booking={'standing' in answer ? { payee: payeeOf(answer), note: '', parts: [] } : answer.booking}
          split={mode === 'split'}
          onDone={(next) => {
            onChange(next)
            setMode('look')
          }}
          onCancel={() => setMode('look')}
        />
      )}
      {mode === 'look' && <LikeTexts line={line} />}
      {mode === 'look' && <Alternatives line={line} onPair={onPair} />}
      {mode === 'look' && stayed && (
        <p className={noteBox({ tone: 'bad', className: 'mt-3' })}>It was not posted. {stayed}</p>
      )}
      {mode === 'look' && alike.count > 0 && (
        <div className={noteBox({ className: 'mt-3 flex items-center justify-between gap-3' })} role="status">
          {counted(alike.count, 'more line')} like {alike.of}: the same?
          <Button size="small" onClick={onAlike}>
            The same <kbd>A</kbd>
          </Button>
        </div>
      )}
      {mode === 'look' && several > 1 && (
        <MayChange>
          <Acts>
            <Button tone="go" size="wide" onClick={onPost}>
              Post these {several} lines <kbd>Enter</kbd>
            </Button>
          </Acts>
        </MayChange>
      )}
      {mode === 'look' && several === 1 && (
        <MayChange>
          <Acts>
            <Button tone="go" size="wide" whyNot={isReady(answer) ? undefined : whyNotReady(answer)} onClick={onPost}>
              {'standing' in answer ? itIs(answer.standing) : 'Post this line'} <kbd>Enter</kbd>
            </Button>
            <Button className="col-span-full" onClick={() => setMode('change')}>
              {'standing' in answer
                ? 'No, book it anew'
                : isReady(answer)
                  ? 'Change for this line only'
                  : 'Say what it is'}{' '}
              <kbd>C</kbd>
            </Button>
            <Button onClick={() => setMode('rule')}>
              Make a rule <kbd>R</kbd>
            </Button>
            <Button onClick={() => setMode('split')}>
              Split <kbd>S</kbd>
            </Button>
            <Button onClick={() => setMode('pair')}>
              Find entry <kbd>E</kbd>
            </Button>
            <Button onClick={() => setMode('leave')}>
              Leave out <kbd>O</kbd>
            </Button>
          </Acts>
        </MayChange>
      )}
    </Inspector>
  )
}

const whyNotReady = (answer: Answer) =>
  'standing' in answer ? 'Say what the difference is for first.' : 'Say what it is for first: C opens the choice.'

/** What taking it says of the line. */
function itIs({ entries, withLines }: Standing): string {
  const nos = entries.map((entry) => entry.entryNo)
  if (nos.length > 1) return `It is nos. ${nos.slice(0, -1).join(', ')} and ${nos.at(-1)}`
  return withLines.length > 0 ? `They are no. ${nos[0]} together` : `It is no. ${nos[0]}`
}

function Would({
  line,
  answer,
  onDifference,
}: {
  line: Waiting
  answer: Answer
  onDifference: (accountId: string | undefined) => void
}) {
  if (!('standing' in answer)) return <WouldBook line={line} booking={answer.booking} />
  const { standing } = answer
  return (
    <>
      <h3>In the books already</h3>
      {standing.entries.map((entry) => (
        <Stands key={entry.postingId} entryId={entry.entryId} no={entry.entryNo} />
      ))}
      <PartLines line={line} />
      {standing.difference !== undefined && (
        <Field label={`${signed(standing.difference)} beyond it, such as a tip or a fee, is for`} className="mt-2">
          {(ids) => (
            <AccountPicker
              {...ids}
              aria-label="The difference is for"
              value={standing.differenceTo}
              bookId={line.bookId}
              mayCreate="EXPENSE"
              onChange={(a) => onDifference(a?.id)}
            />
          )}
        </Field>
      )}
    </>
  )
}

/** By which texts of a payee a new one is taken for theirs. */
function LikeTexts({ line }: { line: Waiting }) {
  const { before } = line.proposal ?? {}
  if (!before || before.likeTexts.length === 0) return null
  return (
    <p className="mt-2 text-small text-ink-2">
      A new text. It begins as {before.likeTexts.slice(0, 3).join(' and ')}{' '}
      {before.likeTexts.length > 1 ? 'do' : 'does'}, all of them {line.name}.
    </p>
  )
}

/** The other lines that are the same entry with this one. */
function PartLines({ line }: { line: Waiting }) {
  const part = line.proposal?.part
  if (!part) return null
  return (
    <p className="mt-2 text-small text-ink-2">
      Together with {part.others.map((other) => `${signed(other.amount)} of ${day(other.bookedOn)}`).join(' and ')},
      which {part.others.length > 1 ? 'are' : 'is'} taken with it.
    </p>
  )
}

/** The entry that the line is already: nothing is booked again. */
function Stands({ entryId, no }: { entryId: string; no: number }) {
  const entry = useQuery({
    queryKey: ['entry', entryId],
    queryFn: () => data(api.GET('/api/entries/{id}', { params: { path: { id: entryId } } })),
  })
  if (!entry.data) return null
  return (
    <JournalEntry
      title={`No. ${no}, ${day(entry.data.date)}`}
      books={entry.data.books}
      between={entry.data.betweenBooks}
    />
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
        <p className="text-ink-2">
          Nothing yet: no rule fits. Say what it is for, or make a rule for all lines like it.
        </p>
      </>
    )
  }
  if (entry.error) {
    return (
      <p className={noteBox({ tone: 'bad' })} role="alert">
        {messageOf(entry.error)}
      </p>
    )
  }
  if (!entry.data) return null
  return <JournalEntry title="Would book" books={entry.data.books} between={entry.data.betweenBooks} />
}

function Alternatives({ line, onPair }: { line: Waiting; onPair: (postingId: string, entryNo: number) => void }) {
  const others = line.alternatives.filter((a) => a.postingId !== line.proposal?.standing?.postingId)
  if (others.length === 0) return null
  return (
    <>
      <h3 className="mt-3">Or it is in the books already</h3>
      <ol>
        {others.slice(0, 3).map((a, i) => (
          <li key={a.postingId} className="border-b border-hairline">
            <button
              type="button"
              className="grid min-h-[27px] w-full grid-cols-[26px_minmax(0,1fr)_auto] items-center border-0 bg-transparent px-0 py-0.5 text-[13px] hover:text-dusk"
              onClick={() => onPair(a.postingId, a.entryNo)}
            >
              <kbd className="justify-self-start">{i + 1}</kbd>
              <span>
                No. {a.entryNo}, {a.payee}
              </span>
              <span className="text-small text-ink-3">
                {day(a.date)}, {a.daysApart === 0 ? 'same day' : `${counted(a.daysApart, 'day')} apart`}
              </span>
            </button>
          </li>
        ))}
      </ol>
    </>
  )
}
