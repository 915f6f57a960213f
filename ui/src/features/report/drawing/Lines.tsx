import { line } from 'd3-shape'
import type { Schemas } from '@/api/client'
import { amountScale } from '@/parts/chart/scales'
import { AmountLines, ColumnNames, cut, SIDE, WIDTH } from './axis'

const HEIGHT = 210
const FOOT = 24
/** What the names at the ends of the lines need. */
const NAMES = 150
/** Told apart without colour. */
const LOOKS = [
  'stroke-needle stroke-[2]',
  'stroke-ink-2 stroke-[1.4] [stroke-dasharray:7_3]',
  'stroke-needle stroke-[1.4] [stroke-dasharray:2_3]',
  'stroke-ink-2 stroke-[1.2]',
  'stroke-needle-2 stroke-[2] [stroke-dasharray:10_3_2_3]',
  'stroke-ink-3 stroke-[1.4] [stroke-dasharray:1_3]',
]

/** How the greatest rows went over the columns, one line each, with its name where it ends. */
export function Lines({ rows, names }: { rows: Schemas['DrawnRowJson'][]; names: string[] }) {
  const right = WIDTH - NAMES
  const step = (right - SIDE - 24) / Math.max(names.length - 1, 1)
  const x = (i: number) => SIDE + 12 + i * step
  const lines = rows.map((row) => ({ name: row.name, values: row.amounts.map(Number) }))
  const y = amountScale(
    lines.flatMap((one) => one.values),
    [HEIGHT - FOOT, 10],
  )
  const path = line<number>((_, i) => x(i), y)
  const places = apart(lines.map((one) => y(one.values.at(-1) ?? 0)))
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" role="presentation">
      <AmountLines y={y} to={right} />
      {lines.map((one, i) => (
        <g key={one.name}>
          <path d={path(one.values) ?? ''} className={`fill-none ${LOOKS[i]}`} />
          <path
            d={`M${right - 8} ${y(one.values.at(-1) ?? 0)}L${right + 4} ${places[i]}H${right + 22}`}
            className={`fill-none ${LOOKS[i]}`}
          />
          <text x={right + 27} y={(places[i] ?? 0) + 4} className="fill-ink text-[11.5px]">
            {cut(one.name, 19)}
          </text>
        </g>
      ))}
      <ColumnNames names={names} x={x} y={HEIGHT - 5} />
    </svg>
  )
}

/** Where names stand so that none covers another: each as near to its line as there is room. */
function apart(wanted: number[]): number[] {
  const room = 14
  const order = wanted.map((_, i) => i).sort((a, b) => (wanted[a] ?? 0) - (wanted[b] ?? 0))
  const places = [...wanted]
  let low = Number.NEGATIVE_INFINITY
  for (const i of order) {
    low = Math.max(places[i] ?? 0, low + room)
    places[i] = low
  }
  // What went below the foot pushes the others up again.
  let high = HEIGHT - FOOT
  for (const i of order.toReversed()) {
    high = Math.min(places[i] ?? 0, high)
    places[i] = high
    high -= room
  }
  return places
}
