import type { Schemas } from '@/api/client'
import { amountScale } from '@/parts/chart/scales'
import { figure } from '@/parts/figures'
import { AmountLines, ColumnNames, cut, SIDE, WIDTH } from './axis'

const HEIGHT = 190
const FOOT = 24

/** What each column comes to, as bars beside each other. */
export function ColumnBars({ totals, names }: { totals: string[]; names: string[] }) {
  const values = totals.map(Number)
  const y = amountScale(values, [HEIGHT - FOOT, 10])
  const step = (WIDTH - SIDE) / values.length
  const x = (i: number) => SIDE + (i + 0.5) * step
  const wide = Math.min(step * 0.62, 64)
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" role="presentation">
      <AmountLines y={y} to={WIDTH} />
      {values.map((value, i) => (
        <rect
          key={names[i]}
          x={x(i) - wide / 2}
          y={Math.min(y(0), y(value))}
          width={wide}
          height={Math.abs(y(value) - y(0))}
          className={value < 0 ? 'fill-leaf stroke-needle-2 stroke-[1.4]' : 'fill-needle-2'}
        />
      ))}
      <ColumnNames names={names} x={x} y={HEIGHT - 5} />
    </svg>
  )
}

/** Where the bars begin, right of the names, and what their figures need. */
const LEFT = 190
const FIGURES = 86
const ROW = 26

/** The greatest rows as bars below each other; with a second column, what they are seen beside in outline. */
export function RowBars({ rows }: { rows: Schemas['DrawnRowJson'][] }) {
  const x = amountScale(
    rows.flatMap((row) => row.amounts.map(Number)),
    [LEFT, WIDTH - FIGURES],
  )
  const height = rows.length * ROW + 4
  const bar = (amount: string) => ({
    x: Math.min(x(0), x(Number(amount))),
    width: Math.abs(x(Number(amount)) - x(0)),
  })
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} width="100%" role="presentation">
      {rows.map(({ name, amounts: [now = '0', before] }, i) => (
        <g key={name}>
          <text x={0} y={i * ROW + 17} className="fill-ink text-[12px]">
            {cut(name, 28)}
          </text>
          <rect {...bar(now)} y={i * ROW + 4} height={before === undefined ? 16 : 11} className="fill-needle-2" />
          {before !== undefined && (
            <rect {...bar(before)} y={i * ROW + 16} height="6" className="fill-leaf stroke-needle-2 stroke-[1.2]" />
          )}
          <text
            x={x(Math.max(0, Number(now), Number(before ?? 0))) + 8}
            y={i * ROW + 17}
            className="fill-ink-2 text-[11.5px]"
          >
            {figure(now)}
          </text>
        </g>
      ))}
      <path d={`M${x(0)} 0V${height}`} className="stroke-ink-3" />
    </svg>
  )
}
