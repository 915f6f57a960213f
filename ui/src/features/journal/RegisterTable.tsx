import type { Schemas } from '@/api/client'
import { day, figure } from '@/parts/figures'
import { type Column, Grid, type Item } from '@/parts/grid/Grid'
import { Icon, StateMark } from '@/parts/Icon'
import type { Selection } from '@/parts/useSelection'
import { sortHead } from './columns'
import { NEWEST_FIRST } from './useSought'

type Row = Schemas['RegisterRowJson']

const COLUMNS = 8

/** In and out are one amount with its sign: what went out most comes first, or last. */
function columns(order: string, onOrder: (order: string) => void): Column[] {
  const by = (name: string, words: string) => sortHead(name, words, order, onOrder)
  return [
    { ...by('state', ''), width: 'w-[48px]' },
    { ...by('date', 'Date'), width: 'w-[84px] narrow:w-[64px]' },
    { ...by('no', 'No.'), width: 'w-[56px]', end: true },
    by('payee', 'Payee, note'),
    { head: 'Other side', width: 'w-[150px]' },
    { head: 'Out', width: 'w-[84px]', end: true },
    { ...by('amount', 'In'), width: 'w-[84px]', end: true },
    { head: 'Balance', width: 'w-[104px]', end: true },
  ]
}

const STATEMENT = '[&>td]:h-6 [&>td]:border-needle-2 [&>td]:text-[12.5px] [&>td]:text-needle'

/** An account's postings with the balance after each; newest first they stand under its finished statements. */
export function RegisterTable({
  name,
  rows,
  filtered,
  order,
  onOrder,
  selection,
  onPick,
  onEnd,
}: {
  name: string
  rows: Row[]
  /** Whether postings are left out, so that nothing is said of where a statement ends. */
  filtered: boolean
  order: string
  onOrder: (order: string) => void
  selection: Selection
  onPick: () => void
  onEnd: () => void
}) {
  const items = rows.flatMap((row, i): Item<Row>[] => {
    const item = { key: row.postingId, row }
    if (filtered || order !== NEWEST_FIRST || !beginsStatement(rows, i) || !row.statementOn) return [item]
    return [{ key: `statement ${row.statementOn}`, look: STATEMENT, height: 24, band: <AgreedTo row={row} /> }, item]
  })
  return (
    <Grid
      label={`Register of ${name}`}
      size="dense"
      columns={columns(order, onOrder)}
      items={items}
      selection={selection}
      onPick={onPick}
      onEnd={onEnd}
      cells={(row) => <Cells row={row} />}
    />
  )
}

function AgreedTo({ row }: { row: Row }) {
  return (
    <>
      <td />
      <td colSpan={COLUMNS - 2}>agreed to the statement of {row.statementOn && day(row.statementOn)}</td>
      <td className="text-right font-semibold">{figure(row.balance)}</td>
    </>
  )
}

function Cells({ row: r }: { row: Row }) {
  return (
    <>
      <td>
        <StateMark state={r.state} />
      </td>
      <td className="text-ink-2">{day(r.date)}</td>
      <td className="text-right text-small text-ink-2">{r.entryNo}</td>
      <td>
        {r.payee} {r.note && <span className="text-ink-2">{r.note}</span>}
      </td>
      <td className="text-ink-2">
        <Icon name="arrow" size={13} /> {r.otherSide}
      </td>
      <td className="text-right">{r.out && figure(r.out)}</td>
      <td className="text-right">{r.in && figure(r.in)}</td>
      <td className="text-right">{figure(r.balance)}</td>
    </>
  )
}

/** Going back in time, the first posting of a finished statement stands under its closing balance. */
function beginsStatement(rows: Row[], i: number): boolean {
  const on = rows[i]?.statementOn
  return Boolean(on) && rows[i - 1]?.statementOn !== on
}
