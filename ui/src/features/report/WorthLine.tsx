import { BehindChart, MonthNames, ZeroLine } from '@/parts/chart/axis'
import { amountScale, dayAt, dayScale, monthsBetween, stepPath } from '@/parts/chart/scales'
import { figure, lastDay, longMonth } from '@/parts/figures'
import type { ReportTableOf } from './reportAsked'

const WIDTH = 860
const HEIGHT = 150

/** Net worth over the columns, as one line; what is owned above it, what is owed below zero. */
export function WorthLine({ table }: { table: ReportTableOf }) {
  const [assets, liabilities, worth] = table.rows
  const ends = table.columns.map((column) => lastDay(column.last))
  const from = ends[0] ?? ''
  const to = ends.at(-1) ?? ''
  const x = dayScale(from, to, [8, WIDTH - 8])
  const lines = [
    { row: assets, sign: 1, look: 'stroke-needle-2 [stroke-dasharray:2_3]' },
    { row: liabilities, sign: -1, look: 'stroke-heartwood [stroke-dasharray:2_3]' },
    { row: worth, sign: 1, look: 'stroke-needle stroke-[1.6]' },
  ].map(({ row, sign, look }) => ({
    look,
    points: (row?.amounts ?? []).map((amount, i) => ({ day: ends[i] ?? '', amount: sign * Number(amount) })),
  }))
  const y = amountScale(
    lines.flatMap((line) => line.points.map((point) => point.amount)),
    [HEIGHT - 22, 10],
  )
  return (
    <figure className="mb-2 max-w-[860px]">
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" role="presentation">
        <ZeroLine y={y(0)} from={8} to={WIDTH - 8} />
        {lines.map(({ look, points }) => (
          <path key={look} d={stepPath(points, to, x, y)} className={`fill-none ${look}`} />
        ))}
        {worth?.amounts.map((_, i) => (
          <circle
            key={ends[i]}
            cx={x(dayAt(ends[i] ?? from))}
            cy={y(Number(worth.amounts[i]))}
            r="2"
            className="fill-needle"
          />
        ))}
        <MonthNames days={monthsBetween(from, to)} x={x} y={HEIGHT - 4} />
      </svg>
      <figcaption className="text-small text-ink-2">
        {table.bookName}: what is owned and owed in dots, net worth as the line between.
      </figcaption>
      <BehindChart
        caption={`Net worth of ${table.bookName}`}
        rows={table.columns.map((column, i) => ({
          key: column.last,
          cells: [longMonth(column.last), figure(worth?.amounts[i] ?? '0')],
        }))}
      />
    </figure>
  )
}
