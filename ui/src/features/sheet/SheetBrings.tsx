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
      {preview && preview.alikeCount > 0 && (
        <Alike count={preview.alikeCount} said={settled.alike} onSay={(alike) => onSettle({ alike })} />
      )}
      {preview && preview.twinCount > 0 && (
        <Twins count={preview.twinCount} said={settled.twins} onSay={(twins) => onSettle({ twins })} />
      )}
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
            <th className="w-[34%]">Account</th>
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

/** Rows that would be in the books twice: whether they come is for a person to say. */
function Doubles({
  legend,
  count,
  said,
  onSay,
  children,
}: {
  legend: string
  count: number
  said: Settled['alike']
  onSay: (said: NonNullable<Settled['alike']>) => void
  children: ReactNode
}) {
  const them = count === 1 ? 'it' : 'them'
  return (
    <fieldset className={noteBox({ tone: said ? 'calm' : undefined, className: 'mb-4' })}>
      <legend className="sr-only">{legend}</legend>
      <p className="mb-2">{children}</p>
      <div className="flex gap-2">
        <Button size="small" aria-pressed={said === 'LEAVE_OUT'} onClick={() => onSay('LEAVE_OUT')}>
          Leave {them} out
        </Button>
        <Button size="small" aria-pressed={said === 'TAKE_IN'} onClick={() => onSay('TAKE_IN')}>
          Take {them} in too
        </Button>
      </div>
    </fieldset>
  )
}

function Alike({ count, ...rest }: { count: number; said: Settled['alike']; onSay: (to: Settled['alike']) => void }) {
  return (
    <Doubles legend="Rows that may be here already" count={count} {...rest}>
      {count === 1
        ? 'One row has the account, day and amount of an entry that is here.'
        : `${count} rows have the account, day and amount of entries that are here.`}
    </Doubles>
  )
}

function Twins({ count, ...rest }: { count: number; said: Settled['twins']; onSay: (to: Settled['twins']) => void }) {
  return (
    <Doubles legend="Transfers that stand in the sheet twice" count={count} {...rest}>
      {count === 1
        ? 'One transfer stands in the sheet twice, once for each account. Its second row would book it again.'
        : `${count} transfers stand in the sheet twice, once for each account. Their second rows would book them again.`}
    </Doubles>
  )
}
