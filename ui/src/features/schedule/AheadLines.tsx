import { scaleLinear } from 'd3-scale'
import { Fragment } from 'react'
import type { Schemas } from '@/api/client'
import { MonthNames, ZeroLine } from '@/parts/chart/axis'
import { amountScale, dayAt, dayScale, monthsBetween } from '@/parts/chart/scales'
import { day, figure } from '@/parts/figures'

export type Ahead = Schemas['ForecastAccountJson']

const WIDTH = 720
const TALL = 92
const LOW = 36
const ENDS = 74

/** How accounts will stand, one under the other over the same days; one of them large, with its band. */
export function AheadLines({
  accounts,
  shown,
  today,
  through,
  onShow,
}: {
  accounts: Ahead[]
  shown: Ahead
  today: string
  through: string
  onShow: (accountId: string) => void
}) {
  const x = dayScale(today, through, [4, WIDTH - ENDS])
  return (
    <div className="flex-none border-b border-hairline px-(--edge) pb-1">
      <ul aria-label="Accounts ahead" className="m-0 list-none p-0">
        {accounts.map((one) => {
          const large = one.accountId === shown.accountId
          return (
            <li
              key={one.accountId}
              className={`flex items-center ${large ? '-mx-(--edge) bg-dusk-tint/50 px-(--edge)' : ''}`}
            >
              <button
                type="button"
                aria-pressed={large}
                onClick={() => onShow(one.accountId)}
                className="w-[136px] flex-none border-0 bg-transparent p-0 text-left leading-tight text-inherit"
              >
                <span className={`block truncate ${large ? 'font-semibold' : ''}`}>{one.accountName}</span>
                <span className="block text-small text-ink-2">{figure(one.now)} today</span>
              </button>
              <Line of={one} large={large} x={x} />
            </li>
          )
        })}
      </ul>
      <div className="pl-[136px]">
        <svg viewBox={`0 0 ${WIDTH} 14`} width="100%" role="presentation" className="block">
          <MonthNames days={monthsBetween(today, through)} x={x} y={11} />
        </svg>
      </div>
    </div>
  )
}

function Line({ of, large, x }: { of: Ahead; large: boolean; x: ReturnType<typeof dayScale> }) {
  const height = large ? TALL : LOW
  const y = scaleOf(of, large, height)
  const line = (amount: (one: Schemas['ForecastDayJson']) => string) =>
    of.days.map((one, i) => `${i === 0 ? 'M' : 'L'}${x(dayAt(one.date))} ${y(Number(amount(one)))}`).join('')
  const back = of.days
    .toReversed()
    .map((one) => `L${x(dayAt(one.date))} ${y(Number(one.low))}`)
    .join('')
  const { lowest } = of
  const end = of.days.at(-1)?.usual ?? of.now
  const lowX = x(dayAt(lowest.date))
  const lowY = y(Number(lowest.usual))
  const words = `lowest ${figure(lowest.usual)}, ${day(lowest.date)}`
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="min-w-0 flex-1"
      role="img"
      aria-label={`${of.accountName}: ${words}`}
    >
      {large && (
        <Fragment>
          <ZeroLine y={y(0)} from={0} to={WIDTH - ENDS} />
          <path d={`${line((one) => one.high)}${back}Z`} className="fill-needle/15" />
        </Fragment>
      )}
      <path
        d={line((one) => one.usual)}
        className={`fill-none ${large ? 'stroke-needle stroke-[1.5]' : 'stroke-ink-3'}`}
      />
      <circle cx={lowX} cy={lowY} r="3" className={`fill-leaf ${large ? 'stroke-needle' : 'stroke-ink-3'}`} />
      <text
        x={Math.min(Math.max(lowX + 8, 8), WIDTH - ENDS - 150)}
        y={Math.min(lowY + 13, height - 2)}
        className={large ? 'fill-ink text-small font-semibold' : 'fill-ink-2 text-[11.5px]'}
      >
        {words}
      </text>
      <text x={WIDTH} y={Math.max(y(Number(end)) + 4, 12)} textAnchor="end" className="fill-ink-2 text-[11.5px]">
        {figure(end)}
      </text>
    </svg>
  )
}

/** The large one stands over zero; the others show their course alone. */
function scaleOf(of: Ahead, large: boolean, height: number) {
  if (large) {
    const band = of.days.flatMap((one) => [Number(one.low), Number(one.high)])
    return amountScale(band, [height - 20, 6])
  }
  const usual = of.days.map((one) => Number(one.usual))
  const least = Math.min(...usual)
  return scaleLinear([least, Math.max(least + 1, ...usual)], [height - 14, 6])
}
