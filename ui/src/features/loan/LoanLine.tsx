import { BehindChart, ZeroLine } from '@/parts/chart/axis'
import { amountScale, dayAt, dayScale } from '@/parts/chart/scales'
import { figure, longDay, plainNumber, writtenDay, yearOf } from '@/parts/figures'
import type { Loan, Table } from './loan'

const WIDTH = 872
const HEIGHT = 148
const LEFT = 76
const TOP = 20
const FOOT = HEIGHT - 24

const pointsOf = (table: Table) => table.years.flatMap((year) => year.rows)

/** What is owed from the first payment to the last, as agreed and with what is tried out. */
export function LoanLine({ loan, tried }: { loan: Loan; tried?: Table }) {
  const rows = pointsOf(loan.table)
  const first = rows[0]
  const last = rows.at(-1)
  if (!first || !last) return null
  const triedRows = tried ? pointsOf(tried) : []
  const triedLast = triedRows.at(-1)
  const to = triedLast && triedLast.day > last.day ? triedLast.day : last.day
  const x = dayScale(first.day, to, [LEFT, WIDTH - 24])
  const y = amountScale(
    rows.map((row) => Number(row.owed)),
    [FOOT, TOP],
  )
  const path = (of: typeof rows) =>
    of.map((row, i) => `${i === 0 ? 'M' : 'L'}${x(dayAt(row.day))} ${y(Number(row.owed))}`).join('')
  const ahead = triedRows.filter((row) => row.day >= loan.today)
  const owedY = y(Number(loan.owed))
  const todayX = x(dayAt(loan.today))
  return (
    <figure className="flex-none px-(--edge)">
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" role="presentation" className="max-w-[1100px]">
        {y.ticks(3).map((amount) => (
          <g key={amount}>
            <ZeroLine y={y(amount)} from={LEFT} to={WIDTH - 24} />
            <text x={LEFT - 8} y={y(amount) + 4} textAnchor="end" className="fill-ink-2 text-[11.5px]">
              {figure(String(amount))}
            </text>
          </g>
        ))}
        {yearsOf(first.day, to).map((year) => (
          <text
            key={year}
            x={x(dayAt(`${year}-01-01`))}
            y={HEIGHT - 6}
            textAnchor="middle"
            className="fill-ink-2 text-[11.5px]"
          >
            {year}
          </text>
        ))}
        {loan.fixedUntil && loan.fixedUntil > first.day && loan.fixedUntil < to && (
          <>
            <path d={`M${x(dayAt(loan.fixedUntil))} ${TOP}V${FOOT}`} className="stroke-ink-3 [stroke-dasharray:2_3]" />
            <text x={x(dayAt(loan.fixedUntil)) + 6} y={TOP + 2} className="fill-ink-2 text-[11.5px]">
              {plainNumber(loan.now.rate)} % fixed to {writtenDay(loan.fixedUntil)}, after that reckoned on at the same
              rate
            </text>
          </>
        )}
        <path d={path(rows)} className="fill-none stroke-needle stroke-[1.6]" />
        {ahead.length > 0 && (
          <path
            d={`M${todayX} ${owedY}${path(ahead).replace('M', 'L')}`}
            className="fill-none stroke-dusk stroke-[1.4] [stroke-dasharray:4_3]"
          />
        )}
        <circle cx={todayX} cy={owedY} r="3.5" className="fill-leaf stroke-needle stroke-[1.6]" />
        <text x={todayX + 8} y={owedY - 6} className="fill-ink text-[12px] font-semibold">
          {figure(loan.owed)}
        </text>
        {loan.left.last && (
          <text
            x={WIDTH - 24}
            y={FOOT - (tried ? 46 : 30)}
            textAnchor="end"
            className="fill-ink text-[12px] font-semibold"
          >
            as agreed: {writtenDay(loan.left.last)}
          </text>
        )}
        {triedLast && (
          <text x={WIDTH - 24} y={FOOT - 30} textAnchor="end" className="fill-dusk text-[12px] font-semibold">
            with the extra: {writtenDay(triedLast.day)}
          </text>
        )}
      </svg>
      <BehindChart
        caption={`What is owed of ${loan.accountName}`}
        rows={loan.table.years.map((year) => ({
          key: String(year.year),
          cells: [longDay(`${year.year}-12-31`), figure(year.sum.owed)],
        }))}
      />
    </figure>
  )
}

/** So many years that their names do not touch. */
function yearsOf(from: string, to: string): number[] {
  const first = Number(yearOf(from)) + 1
  const last = Number(yearOf(to))
  const step = [1, 2, 5, 10, 20].find((every) => (last - first) / every <= 8) ?? 20
  return Array.from({ length: last - first + 1 }, (_, i) => first + i).filter((year) => year % step === 0)
}
