import type { ReactNode } from 'react'
import { AccountPicker } from '@/parts/AccountPicker'
import { Check } from '@/parts/Check'
import { figure, longDay, signed } from '@/parts/figures'
import { noteBox, ruled, sumRow } from '@/parts/look'
import { Acts, Inspector, InspectorHead } from '@/parts/View'
import { type Arrival, isSeen, makesStatement } from './arrivals'
import { type OpenQuestion, openQuestions } from './questions'
import type { BalanceBreak, Discrepancy, Part, Preview } from './types'

const ROUTED: Record<string, string> = {
  REMEMBERED: 'as you chose for this number before',
  NUMBER: 'by the number in the file',
  LAYOUT: 'by the names of its columns, as last time',
}

/** Where the selected part of a file goes and what it brings. */
export function ArrivingInspector({
  arrival,
  preview,
  part,
  onChange,
  children,
}: {
  arrival: Arrival
  preview: Preview | undefined
  part: Part | undefined
  onChange: (to: Partial<Arrival>) => void
  children: ReactNode
}) {
  const several = (preview?.parts.length ?? 0) > 1
  const accountId = part?.accountId ?? preview?.routedTo ?? (several ? undefined : arrival.accountId)
  const choose = (id: string) =>
    several && part
      ? onChange({ chosen: { ...arrival.chosen, [part.accountNumber]: id } })
      : onChange({ accountId: id })
  const settled = part?.accountId && !part.refusal
  return (
    <Inspector label="What the file brings">
      <InspectorHead title="What the file brings" />
      <div className="mb-4 flex flex-col gap-[3px] text-small text-ink-2">
        For account
        <AccountPicker
          key={`${arrival.key} ${part?.accountNumber}`}
          aria-label="For account"
          value={accountId}
          only={(a) => a.hasStatements}
          autoFocus={!accountId && preview !== undefined}
          onChange={(a) => a && choose(a.id)}
        />
        {part?.accountNumber && (
          <span className="text-ink-2 text-small">
            {part.accountNumber}
            {part.routedBy && ROUTED[part.routedBy] && `, ${ROUTED[part.routedBy]}`}
          </span>
        )}
        {!accountId && preview && (
          <span className="text-heartwood">The file does not say which account. Choose it.</span>
        )}
        {part?.isOfAnother && (
          <span className="text-heartwood">
            The number in the file is not that of this account. Check before you take it in.
          </span>
        )}
      </div>
      {part?.refusal && (
        <p className={noteBox({ tone: 'bad' })} role="alert">
          {part.refusal}
        </p>
      )}
      {settled && <Counts part={part} />}
      {preview?.table && <Open questions={openQuestions(arrival, preview.table)} />}
      {preview?.table?.breaks.map((b, i) => (i < 3 ? <Break key={b.line} of={b} /> : null))}
      {settled && (
        <Discrepancies
          all={part.discrepancies}
          seen={isSeen(arrival, part)}
          onSeen={(on) =>
            onChange({
              seen: on ? [...arrival.seen, part.accountNumber] : arrival.seen.filter((n) => n !== part.accountNumber),
            })
          }
        />
      )}
      {settled && part.closing && (
        <Option
          label="Make the statement"
          checked={makesStatement(arrival, part)}
          disabled={!part.makesStatement}
          onChange={(on) =>
            onChange({
              withoutStatement: on
                ? arrival.withoutStatement.filter((n) => n !== part.accountNumber)
                : [...arrival.withoutStatement, part.accountNumber],
            })
          }
        >
          {part.makesStatement
            ? `Make the statement of ${longDay(part.closing.on)}, ${part.opening ? `${figure(part.opening)} to ` : 'closing at '}${figure(part.closing.amount)}`
            : `The file closes at ${figure(part.closing.amount)} on ${longDay(part.closing.on)}; that statement is here already, or the account is agreed beyond it`}
        </Option>
      )}
      {settled && preview?.table && (
        <Option
          label="Keep this layout"
          checked={arrival.keepLayout}
          onChange={(keepLayout) => onChange({ keepLayout })}
        >
          {preview.table.remembered && !arrival.layout
            ? 'Read as last time; keep this layout'
            : 'Keep this layout for files of this account'}
        </Option>
      )}
      {settled && part.newLines + part.doubtfulLines === 0 && part.lineCount > 0 && (
        <p className={noteBox({ className: 'mt-3' })}>Every line of this file is here already.</p>
      )}
      <Acts>{children}</Acts>
    </Inspector>
  )
}

function Counts({ part }: { part: Part }) {
  const all = part.lineCount || 1
  const width = (n: number) => `${(100 * n) / all}%`
  return (
    <>
      <svg className="mb-2" width="100%" height="6" aria-hidden="true">
        <rect width="100%" height="6" fill="var(--ink-3)" />
        <rect width={width(part.newLines + part.doubtfulLines)} height="6" fill="var(--heartwood)" />
        <rect width={width(part.newLines)} height="6" fill="var(--needle)" />
      </svg>
      <dl className="flex gap-14 [&>div]:flex [&>div]:flex-col [&_dd]:font-serif [&_dd]:text-[21px]/[25px] [&_dt]:text-small [&_dt]:text-ink-2">
        <div>
          <dd>{part.newLines}</dd>
          <dt>new</dt>
        </div>
        <div>
          <dd>{part.knownLines}</dd>
          <dt>known, left alone</dt>
        </div>
        {part.doubtfulLines > 0 && (
          <div>
            <dd className="text-heartwood">{part.doubtfulLines}</dd>
            <dt>doubtful, held back</dt>
          </div>
        )}
      </dl>
    </>
  )
}

/** A place where the balance of the file does not run on, as a sum. */
function Break({ of }: { of: BalanceBreak }) {
  const rows: [string, string][] = [
    ['The row before leaves', figure(of.before)],
    [`Row ${of.line} makes`, signed(of.amount)],
    ['The file says', figure(of.said)],
  ]
  return (
    <div className="mt-4">
      <h3>The balance does not run on in line {of.line}</h3>
      <table className={ruled({ size: 'fit', edges: 'none', className: 'cells:h-6 cells:px-0' })}>
        <tbody>
          {rows.map(([words, amount]) => (
            <tr key={words}>
              <td className="text-ink-2">{words}</td>
              <td className="text-right">{amount}</td>
            </tr>
          ))}
          <tr className={sumRow}>
            <td className="text-aril">Apart</td>
            <td className="text-right text-aril">{figure(of.apart)}</td>
          </tr>
        </tbody>
      </table>
      <p className="text-ink-2 text-small">A line of {figure(of.apart)} seems to be missing before it.</p>
    </div>
  )
}

/** Where the file's figures do not come out: said, and taken all the same only when the person says so. */
function Discrepancies({ all, seen, onSeen }: { all: Discrepancy[]; seen: boolean; onSeen: (on: boolean) => void }) {
  if (all.length === 0) return null
  const sums = all.filter((d) => d.kind !== 'BALANCE')
  return (
    <div className="mt-4">
      {sums.map((d) => (
        <p key={d.words} className={noteBox({ tone: 'bad' })} role="alert">
          {d.words} Apart: {d.kind === 'COUNT' ? Number(d.apart) : figure(d.apart)}.
        </p>
      ))}
      <Option label="Take it in as it is" checked={seen} onChange={onSeen}>
        Take the lines in as they are; what is missing can be gathered later
      </Option>
    </div>
  )
}

function Option({
  label,
  checked,
  disabled,
  onChange,
  children,
}: {
  label: string
  checked: boolean
  disabled?: boolean
  onChange: (on: boolean) => void
  children: ReactNode
}) {
  return (
    <p className="mt-3 flex gap-2">
      <Check className="mt-0.5" aria-label={label} checked={checked} disabled={disabled} onChange={onChange} />
      <span>{children}</span>
    </p>
  )
}

const ASKED: Record<OpenQuestion, string> = {
  dateOrder: 'how its dates are written',
  decimalMark: 'how its amounts are written',
  sign: 'how money out is told from money in',
  leaveOutOthers: 'what to do with rows that are no lines',
}

function Open({ questions }: { questions: OpenQuestion[] }) {
  if (questions.length === 0) return null
  return (
    <p className="text-heartwood mt-3">
      The file does not settle {questions.map((q) => ASKED[q]).join(', nor ')}. Choose it above the rows.
    </p>
  )
}
