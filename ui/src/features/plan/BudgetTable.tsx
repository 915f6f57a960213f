import type { Schemas } from '@/api/client'
import { figure, isZero, signed } from '@/parts/figures'
import { type Column, Grid, type Item } from '@/parts/grid/Grid'
import { sumRow } from '@/parts/look'
import type { Selection } from '@/parts/useSelection'
import { TALLY, Tally } from './Tally'

export type Book = Schemas['BudgetBookJson']
export type Row = Schemas['BudgetRowJson']
export type Group = Schemas['BudgetGroupJson']

const COLUMNS: Column[] = [
  { head: 'Group', width: 'w-[134px]' },
  { head: 'Category' },
  { head: 'Brought', width: 'w-[74px]', end: true },
  { head: 'Planned', width: 'w-[84px]', end: true },
  { head: 'Booked', width: 'w-[76px]', end: true },
  { head: 'To come', width: 'w-[72px]', end: true },
  { head: 'Left', width: 'w-[78px]', end: true },
  { head: <span className="sr-only">Tally</span>, width: 'w-[152px]', off: 'narrow:hidden' },
  { head: 'Year', width: 'w-[98px]', end: true, off: 'narrow:hidden' },
]

interface Placed {
  row: Row
  /** The group that it begins, or the one that it follows as the second. */
  begins: Group | undefined
  second: Group | undefined
}

/** The budgets of a book: brought + planned − booked − to come = left, category by category. */
export function BudgetTable({
  book,
  selection,
  today,
  onOpen,
}: {
  book: Book
  selection: Selection
  /** The household's day, where it is in the month. */
  today: string | undefined
  onOpen: () => void
}) {
  const items: Item<Placed>[] = book.groups.flatMap((group) =>
    group.rows.map((row, i) => ({
      key: row.accountId,
      row: { row, begins: i === 0 ? group : undefined, second: i === 1 ? group : undefined },
    })),
  )
  return (
    <Grid
      label={`Budgets of ${book.bookName}`}
      columns={COLUMNS}
      items={items}
      selection={selection}
      onOpen={onOpen}
      size="dense"
      cells={(placed) => <Cells {...placed} today={today} />}
      foot={<Sums book={book} />}
    />
  )
}

function Cells({ row, begins, second, today }: Placed & { today: string | undefined }) {
  const { month } = row
  return (
    <>
      <td className="text-ink-2">
        {begins && <i className="font-serif">{begins.name || 'other'}</i>}
        {begins?.rows.length === 1 && <span className="sr-only">, {figure(begins.left)} left</span>}
        {second && <span className="text-small">{leftInWords(second.left)}</span>}
      </td>
      <td className="truncate">
        {row.holds ? 'together' : row.name}
        {row.holds && <span className="text-small text-ink-3"> {row.holds.join(', ')}</span>}
        {!isZero(row.spread) && (
          <span className="text-small text-ink-3" title="Parts of bills that serve several months">
            {' '}
            {figure(row.spread)} spread
          </span>
        )}
        {row.carries && (
          <span className="text-small text-ink-3" title="What is left goes on to the next month">
            {' '}
            carried
          </span>
        )}
      </td>
      <td className="text-right text-ink-2">{isZero(month.brought) ? '' : signed(month.brought)}</td>
      <td className="text-right">
        {row.planned ? figure(month.planned) : <span className="text-ink-3">no plan</span>}
      </td>
      <td className="text-right">
        {isZero(month.booked) ? <span className="text-ink-3">–</span> : figure(month.booked)}
      </td>
      <td className="text-right text-ink-2">
        {isZero(month.toCome) ? <span className="text-ink-3">–</span> : figure(month.toCome)}
      </td>
      <td
        className={`text-right ${!row.planned ? 'text-ink-2' : `font-semibold ${month.left.startsWith('-') ? 'text-heartwood' : ''}`}`}
      >
        {figure(month.left)}
      </td>
      <td className="text-clip narrow:hidden">{row.planned && <Tally row={row} today={today} />}</td>
      <td className="text-right text-ink-2 narrow:hidden">
        {isZero(row.year) ? <span className="text-ink-3">–</span> : figure(row.year)}
      </td>
    </>
  )
}

export function leftInWords(left: string): string {
  return left.startsWith('-') ? `${figure(left.slice(1))} over` : `${figure(left)} left`
}

function Sums({ book: { bookName, all, year } }: { book: Book }) {
  return (
    <tr className={sumRow}>
      <td />
      <td>{bookName}</td>
      <td className="text-right">{isZero(all.brought) ? '' : signed(all.brought)}</td>
      <td className="text-right">{figure(all.planned)}</td>
      <td className="text-right">{figure(all.booked)}</td>
      <td className="text-right">{figure(all.toCome)}</td>
      <td className="text-right">{figure(all.left)}</td>
      <td className="narrow:hidden" style={{ width: TALLY }} />
      <td className="text-right narrow:hidden">{figure(year)}</td>
    </tr>
  )
}
