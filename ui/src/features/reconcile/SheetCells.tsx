import { Link } from 'react-router'
import type { Schemas } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { useScopeSearch } from '@/app/scope'
import { Apart, Flow } from '@/parts/Amount'
import { Check } from '@/parts/Check'
import { day, figure, signed } from '@/parts/figures'
import type { RowState } from '@/parts/grid/Grid'
import { hatched, raw, textLink } from '@/parts/look'
import { type Posting, postingsOf, type SheetRow, wayOf } from './rows'

type Sheet = Schemas['SheetJson']

export interface SheetActs {
  onTick: (postingIds: string[], ticked: boolean) => void
  onSettle: (row: SheetRow) => void
}

/** The cells of a row: what both sides have of it, and what settles it. */
export function SheetCells({
  row,
  sheet,
  compared,
  byDay,
  state,
  onTick,
  onSettle,
}: { row: SheetRow; sheet: Sheet; compared: boolean; byDay: boolean; state: RowState } & SheetActs) {
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
          {byDay && 'posting' in row && row.posting.balance && figure(row.posting.balance)}
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
        {p.payee} {p.setAside && <span className="text-small text-ink-2">in {p.setAside}</span>}{' '}
        {p.note && <span className="text-ink-2">{p.note}</span>}{' '}
        {p.bankText && p.bankText !== p.payee && (
          <span className={`${raw} group-data-now/row:text-ink-2`}>{p.bankText}</span>
        )}{' '}
        <span className="text-small text-ink-2">
          {p.reference && `ref. ${p.reference}, `}no. {p.entryNo}
        </span>
        {isOlder && <span className="text-small text-heartwood">, open since before the last statement</span>}
      </td>
    </>
  )
}

/** What puts the row right where it stands. */
function Settle({ row, state, onTick, onSettle }: { row: SheetRow; state: RowState } & SheetActs) {
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
