import { useQuery } from '@tanstack/react-query'
import { Fragment } from 'react'
import { accounts } from '@/api/queries'
import { MayChange } from '@/app/MayChange'
import { Flow } from '@/parts/Amount'
import { counted, day, figure, isPositive, signed } from '@/parts/figures'
import { Icon } from '@/parts/Icon'
import { type Booking, isComplete } from './booking'
import type { Reason, Stack, StacksPage, Waiting } from './types'

const REASONS: Record<Reason, { name: string; why: string }> = {
  RULE: { name: 'Rule', why: 'the first of your rules that fits' },
  OPEN_QUESTION: { name: 'Open question', why: 'no rule fits' },
}

interface Props {
  page: StacksPage
  folded: Set<Reason>
  onFold: (reason: Reason) => void
  selected: string | undefined
  onSelect: (id: string) => void
  bookingFor: (line: Waiting) => Booking
  isTicked: (line: Waiting) => boolean
  onTick: (line: Waiting) => void
  onPost: (lines: Waiting[]) => void
  onAnswer: (line: Waiting) => void
}

export function StackTable(props: Props) {
  return (
    <table className="tb post" aria-label="Waiting lines">
      <colgroup>
        <col className="tick-col" />
        <col className="date-col" />
        <col className="payee-col" />
        <col className="text-col" />
        <col className="account-col" />
        <col className="amount-col" />
        <col className="to-col" />
        <col className="evidence-col" />
      </colgroup>
      <thead>
        <tr>
          <th>
            <span className="vh">To post</span>
          </th>
          <th>Date</th>
          <th>Payee</th>
          <th className="text-cell">Bank’s text</th>
          <th className="account-cell">Account</th>
          <th className="n">Amount, {props.page.sums[0]?.currency}</th>
          <th>Books to</th>
          <th className="evidence-cell">Evidence</th>
        </tr>
      </thead>
      {props.page.stacks.map((stack) => (
        <StackRows key={stack.reason} stack={stack} {...props} />
      ))}
    </table>
  )
}

function StackRows({ stack, ...props }: Props & { stack: Stack }) {
  const { name, why } = REASONS[stack.reason]
  const open = !props.folded.has(stack.reason)
  const ready = stack.lines.filter(props.isTicked)
  const first = stack.lines[0]
  return (
    <tbody>
      <tr className="band">
        <td colSpan={3}>
          <button type="button" aria-expanded={open} onClick={() => props.onFold(stack.reason)}>
            <Icon name={open ? 'down' : 'right'} />
            <span>
              <b>{name}</b>
              <span className="cnt">{stack.count}</span>
            </span>
          </button>
        </td>
        <td className="q s text-cell">{why}</td>
        <td className="account-cell" />
        <td className="n b">
          {stack.sums.map((s) => (
            <Fragment key={s.currency}>
              {s.currency !== props.page.sums[0]?.currency && <span className="q s"> {s.currency} </span>}
              <Flow amount={s.amount} />
            </Fragment>
          ))}
        </td>
        <td className="q s">{stack.count > stack.lines.length && `first ${stack.lines.length} shown`}</td>
        <td className="n evidence-cell">
          <MayChange>
            {stack.reason === 'OPEN_QUESTION' && ready.length === 0 ? (
              <button type="button" className="btn small" onClick={() => first && props.onAnswer(first)}>
                Answer {stack.count}
              </button>
            ) : (
              <button
                type="button"
                className="btn small"
                disabled={ready.length === 0}
                onClick={() => props.onPost(stack.lines)}
              >
                Post {ready.length}
              </button>
            )}
          </MayChange>
        </td>
      </tr>
      {open && stack.lines.map((line) => <LineRow key={line.id} line={line} {...props} />)}
    </tbody>
  )
}

function LineRow({
  line,
  page,
  selected,
  onSelect,
  bookingFor,
  isTicked,
  onTick,
  onAnswer,
}: Props & { line: Waiting }) {
  const booking = bookingFor(line)
  const complete = isComplete(booking)
  const payee = booking.payee || 'Who is this?'
  return (
    <tr
      className={line.id === selected ? 'row sel' : 'row'}
      data-row={line.id}
      aria-selected={line.id === selected}
      onClick={() => onSelect(line.id)}
    >
      <td>
        {/* biome-ignore lint/a11y/useSemanticElements: drawn by us in all three states */}
        <button
          type="button"
          role="checkbox"
          className="tick"
          aria-checked={isTicked(line)}
          aria-label={`${payee}, ${day(line.bookedOn)}, ${figure(line.amount)}`}
          disabled={!complete}
          onClick={(e) => {
            e.stopPropagation()
            onTick(line)
          }}
        />
      </td>
      <td className="q">{day(line.bookedOn)}</td>
      <td className={booking.payee ? undefined : 'wait'}>{payee}</td>
      <td className="raw text-cell" title={line.text}>
        {line.text}
      </td>
      <td className="q s account-cell">{line.accountName}</td>
      <td className="n">
        {line.currency !== page.sums[0]?.currency && <span className="q s">{line.currency} </span>}
        <span className={isPositive(line.amount) ? 'in' : undefined}>{signed(line.amount)}</span>
      </td>
      <td>
        {booking.parts.length ? (
          <span className="chip">
            <PartNames booking={booking} />
          </span>
        ) : (
          <button
            type="button"
            className="chip ask"
            onClick={(e) => {
              e.stopPropagation()
              onAnswer(line)
            }}
          >
            choose…
          </button>
        )}
      </td>
      <td className="q s evidence-cell">
        <Evidence line={line} />
      </td>
    </tr>
  )
}

function PartNames({ booking }: { booking: Booking }) {
  const { data: all = [] } = useQuery(accounts)
  const [only] = booking.parts
  if (booking.parts.length > 1) return <>{booking.parts.length} places</>
  return <>{all.find((a) => a.id === only?.accountId)?.name ?? 'choose…'}</>
}

function Evidence({ line }: { line: Waiting }) {
  const [known] = line.alternatives
  if (line.proposal) {
    return (
      <>
        rule {line.proposal.ruleNo}: {line.proposal.words}
      </>
    )
  }
  if (known) {
    return (
      <span className="wait">
        perhaps no. {known.entryNo}, {known.daysApart === 0 ? 'same day' : `${counted(known.daysApart, 'day')} apart`}
      </span>
    )
  }
  return <>no rule has its words</>
}
