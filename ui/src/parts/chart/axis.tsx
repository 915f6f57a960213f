import type { ScaleTime } from 'd3-scale'
import type { ReactNode } from 'react'
import { shortMonth } from '@/parts/figures'
import { dayAt } from './scales'

/** The line of nothing, which amounts stand above or below. */
export function ZeroLine({ y, from, to }: { y: number; from: number; to: number }) {
  return <path d={`M${from} ${y}H${to}`} className="stroke-hairline-2" />
}

/** The names of months, each where it begins. */
export function MonthNames({ days, x, y }: { days: string[]; x: ScaleTime<number, number>; y: number }) {
  return days.map((day) => (
    <text key={day} x={x(dayAt(day))} y={y} textAnchor="middle" className="fill-ink-2 text-[11.5px]">
      {shortMonth(day)}
    </text>
  ))
}

/** What a drawing shows, as a table that is read out and not seen. */
export function BehindChart({ caption, rows }: { caption: string; rows: { key: string; cells: ReactNode[] }[] }) {
  return (
    <table className="sr-only">
      <caption>{caption}</caption>
      <tbody>
        {rows.map((row) => (
          <tr key={row.key}>
            {row.cells.map((cell, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: cells stay in their order
              <td key={i}>{cell}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
