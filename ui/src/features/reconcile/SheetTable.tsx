import type { ReactNode } from 'react'
import { Link } from 'react-router'
import type { Schemas } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { useScopeSearch } from '@/app/scope'
import { Apart, Flow } from '@/parts/Amount'
import { Check } from '@/parts/Check'
import { Fold } from '@/parts/Fold'
import { day, figure, signed } from '@/parts/figures'
import { type Column, Grid, type Item, type RowState } from '@/parts/grid/Grid'
import { Icon } from '@/parts/Icon'
import { hatched, raw, textLink } from '@/parts/look'
import { type Group, type GroupName, hasLines, type Posting, postingsOf, type SheetRow, wayOf } from './rows'
import type { useSheetRows } from './useSheetRows'

type Sheet = Schemas['SheetJson']

interface Acts {
  onTick: (postingIds: string[], ticked: boolean) => void
  onSettle: (row: SheetRow) => void
}

const TICK: Column = { head: <span className="sr-only">Ticked</span>, width: 'w-[44px]' }
const DAY: Column = { head: 'Date', width: 'w-[60px]' }
const COMPARED: Column[] = [
  TICK,
  DAY,
  { head: 'What' },
  { head: 'Statement', width: 'w-[100px]', end: true },
  { head: 'Books', width: 'w-[100px]', end: true },
  { head: 'Apart', width: 'w-[92px]', end: true },
  { head: 'To settle it', width: 'w-[188px] narrow:w-[150px]' },
]
const ON_PAPER: Column[] = [
  TICK,
  DAY,
  { head: 'What' },
  { head: 'Books', width: 'w-[112px]', end: true },
  { head: 'Balance, ticked', width: 'w-[124px]', end: true },
]

const NAMES: Record<GroupName, { name: string; mark: ReactNode; says?: string }> = {
  disagree: { name: 'Amount or day disagrees', mark: <span className="text-aril">≠</span> },
  same: { name: 'The same, not paired yet', mark: <Icon name="equal" /> },
  atBank: { name: 'Only on the statement', mark: <Half side="left" /> },
  inBooks: { name: 'Only in the books', mark: <Half side="right" />, says: 'only what is ticked counts' },
  agreed: { name: 'Agreed', mark: <Icon name="equal" /> },
}

/** A statement and its account's postings: compared line by line, or ticked beside the paper. */
export function SheetTable({
  sheet,
  rows: { groups, isOpen, fold, selection },
  ...acts
}: { sheet: Sheet; rows: ReturnType<typeof useSheetRows> } & Acts) {
  const compared = hasLines(sheet)
  const items = groups.flatMap((group): Item<SheetRow>[] => [
    ...(compared
      ? [
          {
            key: group.name,
            height: 32,
            band: <Band group={group} open={isOpen(group.name)} flip={() => fold(group.name)} />,
          },
        ]
      : []),
    ...(isOpen(group.name) ? group.rows.map((row) => ({ key: row.key, row })) : []),
  ])
  return (
    <Grid
      label="Lines to tick"
      columns={compared ? COMPARED : ON_PAPER}
      items={items}
      selection={selection}
      onOpen={acts.onSettle}
      cells={(row, state) => <Cells row={row} sheet={sheet} compared={compared} state={state} {...acts} />}
      foot={<Foot sheet={sheet} compared={compared} />}
    />
  )
}

function Band({ group: { name, rows, sides }, open, flip }: { group: Group; open: boolean; flip: () => void }) {
  const of = NAMES[name]
  const unticked = name === 'agreed' && rows.some((row) => 'posting' in row && !row.posting.ticked)
  return (
    <>
      <td colSpan={3}>
        <Fold open={open} flip={flip}>
          {of.mark}
          <b>{of.name}</b>
          <b className={name === 'agreed' ? 'text-ink-2' : 'text-heartwood'}>{rows.length}</b>
        </Fold>
      </td>
      <td className="text-right text-ink-2">{sides && name !== 'inBooks' && signed(sides.bank)}</td>
      <td className="text-right text-ink-2">{sides && name !== 'atBank' && signed(sides.books)}</td>
      <td className="text-right">{sides && <Apart amount={sides.apart} />}</td>
      <td className="text-small text-ink-2">{of.says ?? (unticked ? 'not all ticked yet' : '')}</td>
    </>
  )
}

function Foot({ sheet, compared }: { sheet: Sheet; compared: boolean }) {
  const sum = 'border-b-3 border-double border-ink-2 text-right font-semibold'
  return (
    <tr>
      <td />
      <td colSpan={2} className="text-ink-2">
        with the opening {figure(sheet.opening)}
      </td>
      {compared && <td className={sum}>{figure(sheet.closing)}</td>}
      <td className={sum}>{figure(sheet.tickedBalance)}</td>
      {compared ? (
        <>
          <td className={sum}>
            <Apart amount={sheet.difference} />
          </td>
          <td />
        </>
      ) : (
        <td />
      )}
    </tr>
  )
}

/** A leaf of which one half is filled: only one of the two ledgers has it. */
function Half({ side }: { side: 'left' | 'right' }) {
  return (
    <svg width="14" height="12" viewBox="0 0 14 12" aria-hidden="true" className="fill-none stroke-ink-2 stroke-[1.4]">
      <rect x="0.7" y="0.7" width="12.6" height="10.6" rx="2" />
      <path d={side === 'left' ? 'M1 1h6v10H1z' : 'M7 1h6v10H7z'} className="fill-ink-2 stroke-none" />
    </svg>
  )
}

function Cells({
  row,
  sheet,
  compared,
  state,
  onTick,
  onSettle,
}: { row: SheetRow; sheet: Sheet; compared: boolean; state: RowState } & Acts) {
  const postings = postingsOf(row)
  const books = 'posting' in row ? row.posting.amount : 'match' in row ? row.match.sides.books : undefined
  const bank =
    'match' in row
      ? row.match.sides.bank
      : 'only' in row
        ? row.only.line.amount
        : row.posting.bankText !== undefined
          ? row.posting.amount
          : undefined
  return (
    <>
      <td className="pr-0 text-clip">
        {postings.length > 0 && (
          <MayChange>
            <Check
              tabIndex={state.tabIndex}
              checked={postings.every((p) => p.ticked)}
              aria-label={postings.map((p) => `${p.payee}, ${day(p.date)}, ${figure(p.amount)}`).join('; ')}
              disabled={sheet.finished}
              onChange={(on) =>
                onTick(
                  postings.map((p) => p.postingId),
                  on,
                )
              }
            />
          </MayChange>
        )}
      </td>
      <What row={row} sheet={sheet} />
      {compared && (bank === undefined ? <td className={hatched} /> : <Money amount={bank} books={books} />)}
      {books === undefined ? <td className={hatched} /> : <Money amount={books} books={bank} />}
      {compared ? (
        <>
          <td className="text-right">
            <RowApart row={row} />
          </td>
          <td>
            <Settle row={row} state={state} onTick={onTick} onSettle={onSettle} />
          </td>
        </>
      ) : (
        <td className="text-right text-ink-2">
          {'posting' in row && row.posting.balance && figure(row.posting.balance)}
        </td>
      )}
    </>
  )
}

/** An amount that is another than that on the other side stands out. */
function Money({ amount, books: other }: { amount: string; books: string | undefined }) {
  return (
    <td className="text-right">
      {other !== undefined && other !== amount ? (
        <b className="text-aril">{signed(amount)}</b>
      ) : (
        <Flow amount={amount} />
      )}
    </td>
  )
}

/** What a row is apart: an open posting does not count. */
function RowApart({ row }: { row: SheetRow }) {
  if ('match' in row) return <Apart amount={row.match.sides.apart} />
  if ('only' in row) return <Apart amount={row.only.line.amount} />
  const { posting: p } = row
  if (p.bankText !== undefined)
    return p.ticked ? (
      <span className="text-needle">
        <span aria-hidden="true">=</span>
        <span className="sr-only">the same</span>
      </span>
    ) : (
      <Apart amount={p.amount} />
    )
  return p.ticked ? <Apart amount={turned(p.amount)} /> : null
}

/** What the books have beyond the statement takes from it. */
const turned = (amount: string) => (amount.startsWith('-') ? amount.slice(1) : `-${amount}`)

function What({ row, sheet }: { row: SheetRow; sheet: Sheet }) {
  if ('only' in row) {
    const { line, proposal } = row.only
    return (
      <>
        <td className="text-ink-2">{day(line.date)}</td>
        <td>
          {proposal && `${proposal.payee} `}
          <span className={`${raw} group-data-now/row:text-ink-2`}>{line.text}</span>
        </td>
      </>
    )
  }
  if ('match' in row) {
    const { kind, lines, postings } = row.match
    return (
      <>
        <td className="text-ink-2">{day(lines[0]?.date ?? '')}</td>
        <td>
          {postings[0]?.payee}{' '}
          {kind === 'DAY_DISAGREES' && <b className="text-aril">{day(postings[0]?.date ?? '')} in the books </b>}
          <span className="text-small text-ink-2">no. {postings.map((p) => p.entryNo).join(' and ')}</span>{' '}
          <span className={`${raw} group-data-now/row:text-ink-2`}>{lines.map((line) => line.text).join(' · ')}</span>
        </td>
      </>
    )
  }
  return <PostingWhat posting={row.posting} sheet={sheet} />
}

function PostingWhat({ posting: p, sheet }: { posting: Posting; sheet: Sheet }) {
  // Days are written so that they sort as texts do.
  const isOlder = !sheet.finished && sheet.opensAfter !== undefined && p.date <= sheet.opensAfter
  return (
    <>
      <td className="text-ink-2">{day(p.date)}</td>
      <td>
        {p.payee} {p.note && <span className="text-ink-2">{p.note}</span>}{' '}
        {p.bankText && p.bankText !== p.payee && (
          <span className={`${raw} group-data-now/row:text-ink-2`}>{p.bankText}</span>
        )}{' '}
        <span className="text-small text-ink-2">no. {p.entryNo}</span>
        {isOlder && <span className="text-small text-heartwood">, open since before the last statement</span>}
      </td>
    </>
  )
}

/** What puts the row right where it stands. */
function Settle({ row, state, onTick, onSettle }: { row: SheetRow; state: RowState } & Acts) {
  const search = useScopeSearch()
  const way = wayOf(row)
  if (way) {
    const guess = ('match' in row && !row.match.sure) || ('only' in row && !row.only.proposal?.sure)
    return (
      <MayChange>
        <button
          type="button"
          tabIndex={state.tabIndex}
          className={textLink({ tone: guess ? 'wait' : 'plain' })}
          title={guess ? 'likely, and not certain' : undefined}
          onClick={() => onSettle(row)}
        >
          {way.label}
        </button>
      </MayChange>
    )
  }
  if ('only' in row)
    return (
      <Link className={textLink({ tone: 'wait' })} tabIndex={state.tabIndex} to={`/post${search}`}>
        Say what it is
      </Link>
    )
  if ('posting' in row && row.posting.bankText === undefined)
    return row.posting.ticked ? (
      <MayChange>
        <button
          type="button"
          tabIndex={state.tabIndex}
          className={textLink({ tone: 'kill' })}
          onClick={() => onTick([row.posting.postingId], false)}
        >
          Untick, the bank has it not
        </button>
      </MayChange>
    ) : (
      <span className="text-small text-ink-2">stays open</span>
    )
  return null
}
