import type { ReactNode } from 'react'
import { Button } from '@/parts/Button'
import { counted, figure, longDay, signed } from '@/parts/figures'
import { noteBox, ruled } from '@/parts/look'
import { Inspector, InspectorHead } from '@/parts/View'
import { SheetNames } from './SheetNames'
import type { Preview, Said, Settled } from './sheet'

/** What a sheet brings to each account, and what is still to be said of it. */
export function SheetBrings({
  preview,
  bookId,
  settled,
  said,
  onSettle,
  onSay,
  children,
}: {
  preview: Preview | undefined
  bookId: string
  settled: Settled
  said: Said[]
  onSettle: (to: Partial<Settled>) => void
  onSay: (said: Said[]) => void
  children: ReactNode
}) {
  return (
    <Inspector label="What the sheet brings">
      <InspectorHead title="What the sheet brings" />
      {preview && <Totals preview={preview} />}
      {preview && <Problems preview={preview} />}
      {preview && preview.alikeCount > 0 && <Alike count={preview.alikeCount} settled={settled} onSettle={onSettle} />}
      {preview && <SheetNames preview={preview} bookId={bookId} said={said} onSay={onSay} />}
      {children}
    </Inspector>
  )
}

function Totals({ preview }: { preview: Preview }) {
  if (!preview.firstDay || !preview.lastDay) return null
  return (
    <>
      <p className="mb-2">
        {counted(preview.entryCount, 'entry', 'entries')}, {longDay(preview.firstDay)} to {longDay(preview.lastDay)}
      </p>
      <table className={ruled({ size: 'dense', className: 'mb-4' })} aria-label="What comes to each account">
        <thead>
          <tr>
            <th>Account</th>
            <th className="text-right">In</th>
            <th className="text-right">Out</th>
            <th className="text-right">Together</th>
          </tr>
        </thead>
        <tbody>
          {preview.totals.map((t) => (
            <tr key={t.account}>
              <td>{t.account}</td>
              <td className="text-right">{figure(t.in)}</td>
              <td className="text-right">{figure(t.out)}</td>
              <td className="text-right">{signed(t.sum)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}

function Problems({ preview }: { preview: Preview }) {
  if (preview.problemCount === 0) return null
  const more = preview.problemCount - preview.problems.length
  return (
    <div className={noteBox({ tone: 'bad', className: 'mb-4' })} role="alert">
      <p className="mb-1">
        {preview.problemCount === 1 ? 'One row cannot' : `${preview.problemCount} rows cannot`} be taken in, so nothing
        is. Mend the sheet and choose it again.
      </p>
      <ul className="flex flex-col gap-1 text-small">
        {preview.problems.map((p) => (
          <li key={`${p.line} ${p.column}`}>
            Line {p.line}
            {p.column && `, ${p.column}`}: {p.reason}
          </li>
        ))}
        {more > 0 && <li>and {more} more</li>}
      </ul>
    </div>
  )
}

/** Entries of the same account, day and amount are there: whether they are these is for a person to say. */
function Alike({
  count,
  settled,
  onSettle,
}: {
  count: number
  settled: Settled
  onSettle: (to: Partial<Settled>) => void
}) {
  const rows = count === 1 ? 'One row has' : `${count} rows have`
  return (
    <fieldset className={noteBox({ tone: settled.alike ? 'calm' : undefined, className: 'mb-4' })}>
      <legend className="sr-only">Rows that may be here already</legend>
      <p className="mb-2">
        {rows} the account, day and amount of {count === 1 ? 'an entry' : 'entries'} that {count === 1 ? 'is' : 'are'}{' '}
        here.
      </p>
      <div className="flex gap-2">
        <Button
          size="small"
          aria-pressed={settled.alike === 'LEAVE_OUT'}
          onClick={() => onSettle({ alike: 'LEAVE_OUT' })}
        >
          Leave {count === 1 ? 'it' : 'them'} out
        </Button>
        <Button size="small" aria-pressed={settled.alike === 'TAKE_IN'} onClick={() => onSettle({ alike: 'TAKE_IN' })}>
          Take {count === 1 ? 'it' : 'them'} in too
        </Button>
      </div>
    </fieldset>
  )
}
