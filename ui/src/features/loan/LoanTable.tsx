import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { useCommands } from '@/app/commands'
import { Fold } from '@/parts/Fold'
import { counted, figure, isZero, signed, writtenDay, yearOf } from '@/parts/figures'
import { type Column, Grid, type Item } from '@/parts/grid/Grid'
import { sumRow, textLink } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Nothing } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import type { Loan, Row, Table } from './loan'

const COLUMNS: Column[] = [
  { head: 'Day', width: 'w-[116px] narrow:w-[98px]' },
  { head: 'Entry' },
  { head: 'Payment', width: 'w-[92px] narrow:w-[78px]', end: true },
  { head: 'Interest', width: 'w-[86px] narrow:w-[72px]', end: true },
  { head: 'Repaid', width: 'w-[92px] narrow:w-[78px]', end: true },
  { head: 'Extra', width: 'w-[98px] narrow:w-[84px]', end: true },
  { head: 'Owed after', width: 'w-[104px] narrow:w-[98px]', end: true },
  { head: 'Interest, repaid', width: 'w-[132px]', off: 'narrow:hidden' },
]

type Year = Table['years'][number]
/** A year with its sums, or a line of an open one. */
type Line = { year: Year } | { row: Row }

/** A loan payment by payment, a year at a time: as booked, and from there on as its terms work out. */
export function LoanTable({ loan, table, tried }: { loan: Loan; table: Table; tried: boolean }) {
  const [open, setOpen] = useState<ReadonlySet<number>>(new Set([Number(yearOf(loan.today))]))
  const items = table.years.flatMap((year): (Item<Line> & { row: Line })[] => [
    {
      key: keyOf(year),
      row: { year },
      attributes: { 'aria-level': 1, 'aria-expanded': open.has(year.year) },
    },
    ...(open.has(year.year)
      ? year.rows.map((row, i) => ({
          key: `${row.day} ${row.kind} ${row.entryNo ?? i}`,
          row: { row },
          attributes: { 'aria-level': 2 },
        }))
      : []),
  ])
  const next = items.find(({ row: line }) => 'row' in line && line.row.kind === 'DUE')
  const selection = useSelection(
    items.map((item) => item.key),
    'payment',
    next?.key ?? items[0]?.key,
  )
  const line = items.find((item) => item.key === selection.selected)?.row
  const year = line && ('year' in line ? line.year : table.years.find((one) => one.rows.includes(line.row)))
  function show(which: Year, wanted: boolean) {
    const shown = new Set(open)
    if (wanted) shown.add(which.year)
    else shown.delete(which.year)
    setOpen(shown)
    selection.select(keyOf(which))
  }
  const navigate = useNavigate()
  const entryNo = line && 'row' in line ? line.row.entryNo : undefined
  useCommands(
    year
      ? [
          { keys: ['ArrowRight'], label: 'Open the year', strip: 'year', onRow: true, run: () => show(year, true) },
          { keys: ['ArrowLeft'], label: 'Close the year', strip: 'year', onRow: true, run: () => show(year, false) },
          ...(entryNo === undefined
            ? []
            : [{ keys: ['Enter'], label: 'Look at the entry', onRow: true, run: () => navigate(entryAt(entryNo)) }]),
        ]
      : [],
  )
  if (!table.sum)
    return <Nothing title="Nothing is owed">Its payments appear once the loan stands in the books.</Nothing>
  return (
    <Scroll grid label="Payments">
      <Grid
        label={`Payments of ${loan.accountName}`}
        columns={COLUMNS}
        items={items}
        selection={selection}
        size="dense"
        tree
        cells={(of) =>
          'year' in of ? (
            <YearCells
              year={of.year}
              open={open.has(of.year.year)}
              flip={() => show(of.year, !open.has(of.year.year))}
            />
          ) : (
            <Cells row={of.row} tried={tried} />
          )
        }
        foot={
          <tr className={sumRow}>
            <td colSpan={2}>{counted(table.sum.payments, 'payment')} in all</td>
            <Sums of={table.sum} />
          </tr>
        }
      />
    </Scroll>
  )
}

const keyOf = (year: Year) => `year ${year.year}`
const entryAt = (no: number) => `/journal?${new URLSearchParams({ every: '1', text: `no:${no}` })}`

function YearCells({ year, open, flip }: { year: Year; open: boolean; flip: () => void }) {
  return (
    <>
      <td>
        <Fold open={open} flip={flip}>
          <span className="font-semibold">{year.year}</span>
        </Fold>
      </td>
      <td className="text-small text-ink-2">{counted(year.sum.payments, 'payment')}</td>
      <Sums of={year.sum} />
    </>
  )
}

function Sums({ of }: { of: Year['sum'] }) {
  return (
    <>
      <td className="text-right">{figure(of.payment)}</td>
      <td className="text-right">{figure(of.interest)}</td>
      <td className="text-right">{figure(of.repaid)}</td>
      <td className="text-right">{isZero(of.extra) ? '' : figure(of.extra)}</td>
      <td className="text-right">{figure(of.owed)}</td>
      <td className="narrow:hidden" />
    </>
  )
}

function Cells({ row, tried }: { row: Row; tried: boolean }) {
  const payment = row.kind === 'PAID' || row.kind === 'DUE'
  const ahead = row.kind === 'DUE' || row.kind === 'PLANNED'
  const tone = ahead ? 'text-ink-2' : ''
  return (
    <>
      <td className={`whitespace-nowrap ${tone}`}>{writtenDay(row.day)}</td>
      <td className="truncate">
        <What row={row} tried={tried} />
      </td>
      <td className={`text-right ${tone}`}>{payment ? figure(row.payment) : ''}</td>
      <td className={`text-right ${tone}`}>{isZero(row.interest) && !payment ? '' : figure(row.interest)}</td>
      <td className={`text-right ${tone}`}>{payment ? figure(row.repaid) : ''}</td>
      <td className="text-right font-semibold">
        {row.kind === 'EXTRA' || row.kind === 'PLANNED' ? figure(row.repaid) : ''}
      </td>
      <td className={`text-right ${tone}`}>{figure(row.owed)}</td>
      <td className="narrow:hidden">{payment && <Share row={row} ahead={ahead} />}</td>
    </>
  )
}

/** What a line is: an entry, due, left out, planned; and what about its figures a person should know. */
function What({ row, tried }: { row: Row; tried: boolean }) {
  return (
    <span className="text-small text-ink-2">
      {row.entryNo !== undefined ? (
        <Link className={textLink({ size: 'small' })} to={entryAt(row.entryNo)}>
          no. {row.entryNo}
        </Link>
      ) : (
        LEFT_TO_SAY[row.kind]
      )}
      {row.kind === 'EXTRA' && (row.repaid.startsWith('-') ? ', borrowed' : ', extra')}
      {row.kind === 'PLANNED' && (tried ? 'extra, as tried or planned' : 'extra, planned')}
      {row.overdue && <span className="text-heartwood">overdue</span>}
      {row.kind === 'PAID' && !isZero(row.interestApart) && (
        <span className="text-heartwood">, {signed(row.interestApart)} interest beside the terms</span>
      )}
      {row.kind === 'PAID' && !isZero(row.besides) && (
        <span className="text-heartwood">, {figure(row.besides)} went elsewhere</span>
      )}
    </span>
  )
}

const LEFT_TO_SAY: Partial<Record<Row['kind'], string>> = { SKIPPED: 'skipped, its interest runs on' }

/** How much of a payment is interest, drawn. */
function Share({ row, ahead }: { row: Row; ahead: boolean }) {
  const interest = Math.min(1, Math.max(0, Number(row.interest) / Number(row.payment)))
  return (
    <svg viewBox="0 0 100 8" width="100" height="8" role="presentation">
      <rect x="0.5" y="1.5" width={Math.max(0, 99 * interest)} height="5" className="fill-none stroke-ink-3" />
      <rect
        x={99 * interest}
        y="1"
        width={99 * (1 - interest)}
        height="6"
        className={ahead ? 'fill-ink-3' : 'fill-ink-2'}
      />
    </svg>
  )
}
