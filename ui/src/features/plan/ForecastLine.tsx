import type { Schemas } from '@/api/client'
import { BehindChart, MonthNames, ZeroLine } from '@/parts/chart/axis'
import { amountScale, dayAt, dayScale, monthsBetween } from '@/parts/chart/scales'
import { figure, longDay } from '@/parts/figures'

const WIDTH = 872
const HEIGHT = 190
const LEFT = 24

/** An account's balance ahead: with what is usual as a line in its band, with what is due alone in dots. */
export function ForecastLine({
  of,
  tried,
  today,
  through,
}: {
  of: Schemas['ForecastAccountJson']
  /** The same with an entry that is tried out. */
  tried?: Schemas['ForecastAccountJson']
  today: string
  through: string
}) {
  const x = dayScale(today, through, [LEFT, WIDTH - LEFT])
  const y = amountScale(
    [
      ...of.days.flatMap((one) => [Number(one.low), Number(one.high), Number(one.due)]),
      ...(tried?.days.map((one) => Number(one.usual)) ?? []),
    ],
    [HEIGHT - 24, 16],
  )
  const at = (date: string) => x(dayAt(date))
  const line = (amount: (one: Schemas['ForecastDayJson']) => string, days = of.days) =>
    days.map((one, i) => `${i === 0 ? 'M' : 'L'}${at(one.date)} ${y(Number(amount(one)))}`).join('')
  const back = [...of.days]
    .reverse()
    .map((one) => `L${at(one.date)} ${y(Number(one.low))}`)
    .join('')
  const { lowest } = of
  const lowX = at(lowest.date)
  return (
    <figure className="flex-none px-(--edge) pb-2">
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" role="presentation" className="max-w-[1100px]">
        <ZeroLine y={y(0)} from={LEFT} to={WIDTH - LEFT} />
        <path d={`${line((one) => one.high)}${back}Z`} className="fill-needle/15" />
        <path d={line((one) => one.due)} className="fill-none stroke-ink-3 [stroke-dasharray:2_3]" />
        <path d={line((one) => one.usual)} className="fill-none stroke-needle stroke-[1.6]" />
        {tried && (
          <path
            d={line((one) => one.usual, tried.days)}
            className="fill-none stroke-dusk stroke-[1.4] [stroke-dasharray:4_3]"
          />
        )}
        <circle cx={lowX} cy={y(Number(lowest.usual))} r="3.5" className="fill-leaf stroke-needle stroke-[1.6]" />
        <text
          x={Math.min(Math.max(lowX, 90), WIDTH - 90)}
          y={Math.min(y(Number(lowest.usual)) + 18, HEIGHT - 26)}
          textAnchor="middle"
          className="fill-ink text-small"
        >
          lowest {figure(lowest.usual)}
        </text>
        <MonthNames days={monthsBetween(today, through)} x={x} y={HEIGHT - 4} />
      </svg>
      <figcaption className="text-small text-ink-2">
        {of.accountName}: what is due and usual as the line, as far as months stray as the band, what is due alone in
        dots.
      </figcaption>
      <BehindChart
        caption={`Forecast of ${of.accountName}`}
        rows={of.days.map((one) => ({
          key: one.date,
          cells: [longDay(one.date), figure(one.usual), figure(one.low), figure(one.high), figure(one.due)],
        }))}
      />
    </figure>
  )
}
