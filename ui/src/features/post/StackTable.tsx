import { useQuery } from '@tanstack/react-query'
import { Fragment } from 'react'
import { accounts } from '@/api/queries'
import { MayChange } from '@/app/MayChange'
import type { Account } from '@/parts/AccountPicker'
import { Flow } from '@/parts/Amount'
import { Button } from '@/parts/Button'
import { Check } from '@/parts/Check'
import { Fold } from '@/parts/Fold'
import { day, figure } from '@/parts/figures'
import { type Column, Grid, type Item, type RowState } from '@/parts/grid/Grid'
import { chip, raw } from '@/parts/look'
import type { Selection } from '@/parts/useSelection'
import { AnswerBox } from './AnswerBox'
import { type Answer, type Booking, isReady, payeeOf, type Standing } from './booking'
import { Evidence } from './Evidence'
import type { Reason, Stack, StacksPage, Waiting } from './types'

const REASONS: Record<Reason, { name: string; why: string }> = {
  KNOWN_ENTRY: { name: 'Known entry', why: 'stands in the books already' },
  OWN_TRANSFER: { name: 'Own transfer', why: 'both halves are here' },
  RULE: { name: 'Rule', why: 'the first of your rules that fits' },
  DUE: { name: 'Due', why: 'was expected' },
  LAST_TIME: { name: 'Last time', why: 'as it was booked before' },
  OPEN_QUESTION: { name: 'Open question', why: 'nothing is known of it' },
}

interface Props {
  page: StacksPage
  folded: Set<Reason>
  onFold: (reason: Reason) => void
  selection: Selection
  onPick: () => void
  answerFor: (line: Waiting) => Answer
  isTicked: (line: Waiting) => boolean
  onTick: (lines: Waiting[], on: boolean) => void
  onPost: (lines: Waiting[]) => void
  onAnswer: (line: Waiting) => void
  /** The line that is being answered in its row. */
  answering: string | undefined
  onAnswered: (line: Waiting, account: Account) => void
  onAnswerLeft: () => void
  /** Why lines stayed that were to be posted. */
  stayed: Record<string, string>
  onLeaf: (of: Reason, page: number) => void
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
      <td className="text-small text-ink-2">{stack.pages > 1 && <Leafing stack={stack} onLeaf={props.onLeaf} />}</td>
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

/** A stack that is too long for one page. */
function Leafing({ stack: { reason, page, pages }, onLeaf }: { stack: Stack; onLeaf: Props['onLeaf'] }) {
  return (
    <span className="flex items-center gap-1.5 whitespace-nowrap">
      <Button
        size="small"
        aria-label="Earlier page"
        whyNot={page === 1 ? 'This is the first page.' : undefined}
        onClick={() => onLeaf(reason, page - 1)}
      >
        ‹
      </Button>
      page {page} of {pages}
      <Button
        size="small"
        aria-label="Later page"
        whyNot={page === pages ? 'This is the last page.' : undefined}
        onClick={() => onLeaf(reason, page + 1)}
      >
        ›
      </Button>
    </span>
  )
}

function LineCells({
  line,
  state,
  currency,
  answerFor,
  isTicked,
  onTick,
  onAnswer,
  answering,
  onAnswered,
  onAnswerLeft,
  stayed,
}: Props & { line: Waiting; state: RowState; currency: string }) {
  const answer = answerFor(line)
  const payee = payeeOf(answer) || 'Who is this?'
  const ticked = isTicked(line)
  return (
    <>
      <td className="pr-0">
        <MayChange>
          <Check
            tabIndex={state.tabIndex}
            checked={ticked}
            aria-label={`${payee}, ${day(line.bookedOn)}, ${figure(line.amount)}`}
            disabled={!isReady(answer)}
            onChange={(on) => onTick([line], on)}
          />
        </MayChange>
      </td>
      <td className="text-ink-2">{day(line.bookedOn)}</td>
      <td className={payeeOf(answer) ? undefined : 'text-heartwood'}>{payee}</td>
      <td className={`${raw} ${NARROW}`} title={line.text}>
        {line.text}
      </td>
      <td className={`text-small text-ink-2 ${NARROW}`}>{line.accountName}</td>
      <td className="text-right">
        {line.currency !== currency && <span className="text-small text-ink-2">{line.currency} </span>}
        <Flow amount={line.amount} />
      </td>
      <td>
        {answering === line.id ? (
          <AnswerBox line={line} onAnswered={onAnswered} onLeft={onAnswerLeft} />
        ) : 'standing' in answer ? (
          <span className={chip({ tone: isReady(answer) ? 'dusk' : 'ask' })}>{standsAs(answer.standing)}</span>
        ) : answer.booking.parts.length ? (
          <span className={chip()}>
            <PartNames booking={answer.booking} />
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
        {stayed[line.id] ? (
          <span className="text-heartwood" title={stayed[line.id]}>
            stayed: {stayed[line.id]}
          </span>
        ) : (
          <Evidence line={line} />
        )}
      </td>
    </>
  )
}

function standsAs({ entries, withLines, difference }: Standing): string {
  const nos = entries.map((entry) => entry.entryNo).join(', ')
  if (entries.length > 1) return `is nos. ${nos}`
  return withLines.length > 0 ? `part of no. ${nos}` : difference ? `nearly no. ${nos}` : `is no. ${nos}`
}

function PartNames({ booking }: { booking: Booking }) {
  const { data: all = [] } = useQuery(accounts)
  const [only] = booking.parts
  if (booking.parts.length > 1) return <>{booking.parts.length} places</>
  return <>{all.find((a) => a.id === only?.accountId)?.name ?? 'choose…'}</>
}
