import { type ReactNode, useState } from 'react'
import { Link } from 'react-router'
import type { Schemas } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { useScopeSearch } from '@/app/scope'
import { Flow } from '@/parts/Amount'
import { Check } from '@/parts/Check'
import { Fold } from '@/parts/Fold'
import { day, figure } from '@/parts/figures'
import { type Column, Grid, type Item, type RowState } from '@/parts/grid/Grid'
import { Icon } from '@/parts/Icon'
import { hatched, raw, textLink } from '@/parts/look'
import { useSelection } from '@/parts/useSelection'

type Sheet = Schemas['SheetJson']
type Posting = Schemas['TickableJson']
type Unposted = Schemas['UnpostedJson']

/** The three parts of the comparison. */
type Side = 'both' | 'bank' | 'books'

type Line = { posting: Posting } | { unposted: Unposted }

const keyOf = (line: Line) => ('posting' in line ? line.posting.postingId : line.unposted.lineId)

const COLUMNS: Column[] = [
  { head: <span className="sr-only">Ticked</span>, width: 'w-[44px]' },
  { head: 'Date', width: 'w-[60px]' },
  { head: 'What' },
  { head: 'Statement', width: 'w-[112px]', end: true },
  { head: 'Books', width: 'w-[112px]', end: true },
  { head: 'Balance, ticked', width: 'w-[124px]', end: true },
]

/** The lines of both ledgers under the side that has them, as far as they are not folded away, and which are selected. */
export function useTickLines(sheet: Sheet) {
  const [folded, setFolded] = useState<ReadonlySet<Side>>(new Set())
  const [hides, setHides] = useState(false)
  const postings = hides ? sheet.postings.filter((p) => !p.ticked) : sheet.postings
  const lines: Record<Side, Line[]> = {
    both: postings.filter((p) => p.bankText !== undefined).map((posting) => ({ posting })),
    bank: sheet.unposted.map((unposted) => ({ unposted })),
    books: postings.filter((p) => p.bankText === undefined).map((posting) => ({ posting })),
  }
  const shown = (side: Side) => (folded.has(side) ? [] : lines[side])
  const selection = useSelection([...shown('both'), ...shown('bank'), ...shown('books')].map(keyOf), 'line')
  function fold(side: Side) {
    setFolded((old) => {
      const next = new Set(old)
      if (!next.delete(side)) next.add(side)
      return next
    })
  }
  return { lines, shown, folded, fold, selection, hides, hide: () => setHides(!hides) }
}

/** The two ledgers side by side: what the bank shows and the books have, and what only one of them has. */
export function TickTable({
  sheet,
  lines: { lines, shown, folded, fold, selection },
  onTick,
}: {
  sheet: Sheet
  lines: ReturnType<typeof useTickLines>
  onTick: (ids: string[], ticked: boolean) => void
}) {
  function side(of: Side, mark: ReactNode, name: string): Item<Line>[] {
    if (lines[of].length === 0) return []
    const band = (
      <td colSpan={COLUMNS.length}>
        <Fold open={!folded.has(of)} flip={() => fold(of)}>
          {mark}
          <b>{name}</b>
          <b className={of === 'both' ? 'text-ink-2' : 'text-heartwood'}>{lines[of].length}</b>
        </Fold>
      </td>
    )
    return [{ key: of, height: 32, band }, ...shown(of).map((row) => ({ key: keyOf(row), row }))]
  }
  return (
    <Grid
      label="Lines to tick"
      columns={COLUMNS}
      items={[
        ...side('both', <Icon name="equal" />, 'At the bank and in the books'),
        ...side('bank', <Half side="left" />, 'Only at the bank'),
        ...side('books', <Half side="right" />, 'Only in the books'),
      ]}
      selection={selection}
      cells={(line, state) =>
        'posting' in line ? (
          <PostingCells posting={line.posting} sheet={sheet} state={state} onTick={onTick} />
        ) : (
          <UnpostedCells line={line.unposted} state={state} />
        )
      }
      foot={
        <tr>
          <td />
          <td colSpan={2} className="text-ink-2">
            with the opening {figure(sheet.opening)}
          </td>
          <td className="border-b-3 border-double border-ink-2 text-right font-semibold">{figure(sheet.closing)}</td>
          <td className="border-b-3 border-double border-ink-2 text-right font-semibold">
            {figure(sheet.tickedBalance)}
          </td>
          <td />
        </tr>
      }
    />
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

function PostingCells({
  posting: p,
  sheet,
  state,
  onTick,
}: {
  posting: Posting
  sheet: Sheet
  state: RowState
  onTick: (ids: string[], ticked: boolean) => void
}) {
  // Days are written so that they sort as texts do.
  const isOlder = !sheet.finished && sheet.opensAfter !== undefined && p.date <= sheet.opensAfter
  return (
    <>
      <td className="pr-0 text-clip">
        <MayChange>
          <Check
            tabIndex={state.tabIndex}
            checked={p.ticked}
            aria-label={`${p.payee}, ${day(p.date)}, ${figure(p.amount)}`}
            disabled={sheet.finished}
            onChange={(on) => onTick([p.postingId], on)}
          />
        </MayChange>
      </td>
      <td className="text-ink-2">{day(p.date)}</td>
      <td>
        {p.payee} {p.note && <span className="text-ink-2">{p.note}</span>}{' '}
        {p.bankText && p.bankText !== p.payee && <span className={raw}>{p.bankText}</span>}{' '}
        <span className="text-small text-ink-2">no. {p.entryNo}</span>
        {isOlder && <span className="text-small text-heartwood">, open since before the last statement</span>}
      </td>
      {p.bankText === undefined ? (
        <td className={hatched} />
      ) : (
        <td className="text-right">
          <Flow amount={p.amount} />
        </td>
      )}
      <td className="text-right">
        <Flow amount={p.amount} />
      </td>
      <td className="text-right text-ink-2">{p.balance && figure(p.balance)}</td>
    </>
  )
}

function UnpostedCells({ line, state }: { line: Unposted; state: RowState }) {
  const search = useScopeSearch()
  return (
    <>
      <td />
      <td className="text-ink-2">{day(line.date)}</td>
      <td>
        <span className={raw}>{line.text}</span>{' '}
        <Link className={textLink({ size: 'small' })} tabIndex={state.tabIndex} to={`/post${search}`}>
          post it
        </Link>
      </td>
      <td className="text-right">
        <Flow amount={line.amount} />
      </td>
      <td className={hatched} />
      <td />
    </>
  )
}
