import { useQuery } from '@tanstack/react-query'
import { Fragment } from 'react'
import { accounts } from '@/api/queries'
import { MayChange } from '@/app/MayChange'
import { Flow } from '@/parts/Amount'
import { Button } from '@/parts/Button'
import { Check } from '@/parts/Check'
import { Fold } from '@/parts/Fold'
import { counted, day, figure } from '@/parts/figures'
import { type Column, Grid, type Item, type RowState } from '@/parts/grid/Grid'
import { chip, raw } from '@/parts/look'
import type { Selection } from '@/parts/useSelection'
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
  selection: Selection
  onPick: () => void
  bookingFor: (line: Waiting) => Booking
  isTicked: (line: Waiting) => boolean
  onTick: (lines: Waiting[], on: boolean) => void
  onPost: (lines: Waiting[]) => void
  onAnswer: (line: Waiting) => void
}

const NARROW = 'narrow:hidden'

/** The waiting lines under the reasons for what is proposed for them. */
export function StackTable(props: Props) {
  const currency = props.page.sums[0]?.currency ?? ''
  const columns: Column[] = [
    { head: <span className="sr-only">To post</span>, width: 'w-[44px]' },
    { head: 'Date', width: 'w-[54px]' },
    { head: 'Payee', width: 'w-[150px]' },
    { head: 'Bank’s text', off: NARROW },
    { head: 'Account', width: 'w-[104px]', off: NARROW },
    { head: `Amount, ${currency}`, width: 'w-[92px]', end: true },
    { head: 'Books to', width: 'w-[148px] narrow:w-[120px]' },
    { head: 'Evidence', width: 'w-[168px] narrow:w-[110px]' },
  ]
  const items = props.page.stacks.flatMap((stack): Item<Waiting>[] => [
    { key: stack.reason, height: 32, band: <StackBand stack={stack} currency={currency} {...props} /> },
    ...(props.folded.has(stack.reason) ? [] : stack.lines.map((row) => ({ key: row.id, row }))),
  ])
  return (
    <Grid
      label="Waiting lines"
      className="cells:px-1.5"
      columns={columns}
      items={items}
      selection={props.selection}
      onPick={props.onPick}
      cells={(line, state) => <LineCells line={line} state={state} currency={currency} {...props} />}
    />
  )
}

function StackBand({ stack, currency, ...props }: Props & { stack: Stack; currency: string }) {
  const { name, why } = REASONS[stack.reason]
  const ready = stack.lines.filter(props.isTicked)
  const first = stack.lines[0]
  return (
    <>
      <td colSpan={3}>
        <Fold open={!props.folded.has(stack.reason)} flip={() => props.onFold(stack.reason)}>
          <b>{name}</b> <b className="ml-1.5 text-heartwood">{stack.count}</b>
        </Fold>
      </td>
      <td className={`text-small text-ink-2 ${NARROW}`}>{why}</td>
      <td className={NARROW} />
      <td className="text-right font-semibold">
        {stack.sums.map((s) => (
          <Fragment key={s.currency}>
            {s.currency !== currency && <span className="text-small text-ink-2"> {s.currency} </span>}
            <Flow amount={s.amount} />
          </Fragment>
        ))}
      </td>
      <td className="text-small text-ink-2">
        {stack.count > stack.lines.length && `first ${stack.lines.length} shown`}
      </td>
      <td className="text-right">
        <MayChange>
          {stack.reason === 'OPEN_QUESTION' && ready.length === 0 ? (
            <Button size="small" onClick={() => first && props.onAnswer(first)}>
              Answer {stack.count}
            </Button>
          ) : (
            <Button
              size="small"
              whyNot={ready.length === 0 ? 'No line of this stack is ticked.' : undefined}
              onClick={() => props.onPost(ready)}
            >
              Post {ready.length}
            </Button>
          )}
        </MayChange>
      </td>
    </>
  )
}

function LineCells({
  line,
  state,
  currency,
  bookingFor,
  isTicked,
  onTick,
  onAnswer,
}: Props & { line: Waiting; state: RowState; currency: string }) {
  const booking = bookingFor(line)
  const payee = booking.payee || 'Who is this?'
  const ticked = isTicked(line)
  return (
    <>
      <td className="pr-0">
        <MayChange>
          <Check
            tabIndex={state.tabIndex}
            checked={ticked}
            aria-label={`${payee}, ${day(line.bookedOn)}, ${figure(line.amount)}`}
            disabled={!isComplete(booking)}
            onChange={(on) => onTick([line], on)}
          />
        </MayChange>
      </td>
      <td className="text-ink-2">{day(line.bookedOn)}</td>
      <td className={booking.payee ? undefined : 'text-heartwood'}>{payee}</td>
      <td className={`${raw} ${NARROW}`} title={line.text}>
        {line.text}
      </td>
      <td className={`text-small text-ink-2 ${NARROW}`}>{line.accountName}</td>
      <td className="text-right">
        {line.currency !== currency && <span className="text-small text-ink-2">{line.currency} </span>}
        <Flow amount={line.amount} />
      </td>
      <td>
        {booking.parts.length ? (
          <span className={chip()}>
            <PartNames booking={booking} />
          </span>
        ) : (
          <MayChange>
            <button
              type="button"
              tabIndex={state.tabIndex}
              className={chip({ tone: 'ask' })}
              onClick={(event) => {
                event.stopPropagation()
                onAnswer(line)
              }}
            >
              choose…
            </button>
          </MayChange>
        )}
      </td>
      <td className="text-small text-ink-2">
        <Evidence line={line} />
      </td>
    </>
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
      <span className="text-heartwood">
        perhaps no. {known.entryNo}, {known.daysApart === 0 ? 'same day' : `${counted(known.daysApart, 'day')} apart`}
      </span>
    )
  }
  return <>no rule has its words</>
}
