import { BehindChart, ZeroLine } from '@/parts/chart/axis'
import { amountScale, dayAt, dayScale, stepPath } from '@/parts/chart/scales'
import { figure, lastDay, monthName } from '@/parts/figures'
import type { MonthTable } from './MonthAgainst'

const WIDTH = 860
const HEIGHT = 170
const FOOT = 22

/** What was spent, added up day by day, over that of the month before. */
export function SpentLine({ table, before }: { table: MonthTable; before: string }) {
  const dayOf = (day: number) => `${table.month}-${String(day).padStart(2, '0')}`
  const to = lastDay(table.month)
  const x = dayScale(dayOf(1), to, [8, WIDTH - 96])
  const now = table.days.flatMap(({ day, spent }) =>
    spent === undefined ? [] : [{ day: dayOf(day), amount: Number(spent) }],
  )
  const then = table.days.map((one) => ({ day: dayOf(one.day), amount: Number(one.before) }))
  const y = amountScale(
    [...now, ...then].map((point) => point.amount),
    [HEIGHT - FOOT, 10],
  )
  const last = now.at(-1)
  const names = [
    { name: before, amount: then.at(-1)?.amount ?? 0, look: 'fill-ink-2' },
    ...(last ? [{ name: monthName(table.month), amount: last.amount, look: 'fill-needle font-semibold' }] : []),
  ]
  const close = names.length > 1 && Math.abs(y(names[0]?.amount ?? 0) - y(names[1]?.amount ?? 0)) < 14
  return (
    <figure>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" role="presentation">
        <ZeroLine y={y(0)} from={8} to={WIDTH - 96} />
        <path d={stepPath(then, to, x, y)} className="fill-none stroke-ink-3 [stroke-dasharray:3_3]" />
        <path d={stepPath(now, last?.day ?? to, x, y)} className="fill-none stroke-needle stroke-[1.8]" />
        {names.map(({ name, amount, look }, i) => (
          <text
            key={name}
            x={i === 0 || table.over ? WIDTH - 90 : Math.min(x(dayAt(last?.day ?? to)) + 6, WIDTH - 90)}
            y={y(amount) + 4 + (close && table.over ? (amount >= (names[1 - i]?.amount ?? 0) ? -7 : 7) : 0)}
            className={`text-[11.5px] ${look}`}
          >
            {name}
          </text>
        ))}
        {[1, 8, 15, 22, 29]
          .filter((day) => day <= table.days.length)
          .map((day) => (
            <text
              key={day}
              x={x(dayAt(dayOf(day)))}
              y={HEIGHT - 5}
              textAnchor="middle"
              className="fill-ink-2 text-[11.5px]"
            >
              {day}
            </text>
          ))}
      </svg>
      <BehindChart
        caption={`Spent by ${table.bookName} up to each day`}
        rows={table.days.map((one) => ({
          key: String(one.day),
          cells: [String(one.day), one.spent === undefined ? 'to come' : figure(one.spent), figure(one.before)],
        }))}
      />
    </figure>
  )
}
