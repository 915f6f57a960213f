import type { ScaleLinear } from 'd3-scale'
import { figure } from '@/parts/figures'

/** As wide as what is drawn, in px of a window of 1280. */
export const WIDTH = 860
/** What the amounts at the side need. */
export const SIDE = 62

/** Lines across at round amounts, with what they stand for at the side. */
export function AmountLines({ y, to }: { y: ScaleLinear<number, number>; to: number }) {
  return y.ticks(4).map((amount) => (
    <g key={amount}>
      <path d={`M${SIDE} ${y(amount)}H${to}`} className={amount === 0 ? 'stroke-ink-3' : 'stroke-hairline'} />
      <text x={SIDE - 8} y={y(amount) + 4} textAnchor="end" className="fill-ink-2 text-[11.5px]">
        {figure(String(amount))}
      </text>
    </g>
  ))
}

/** The names of columns below what is drawn of them; as many as there is room for. */
export function ColumnNames({ names, x, y }: { names: string[]; x: (i: number) => number; y: number }) {
  const room = names.length > 1 ? x(1) - x(0) : WIDTH
  const every = Math.ceil(54 / room)
  return names.map((name, i) =>
    i % every === 0 ? (
      <text key={name} x={x(i)} y={y} textAnchor="middle" className="fill-ink-2 text-[11.5px]">
        {name}
      </text>
    ) : null,
  )
}

export const cut = (name: string, most: number) => (name.length > most ? `${name.slice(0, most - 1)}…` : name)
