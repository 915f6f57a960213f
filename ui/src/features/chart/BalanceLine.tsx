import { BehindChart, ZeroLine } from '@/parts/chart/axis'
import { amountScale, dayScale, stepPath, yearBefore } from '@/parts/chart/scales'
import { day, figure, shortMonth } from '@/parts/figures'
import type { AccountPage } from './types'

const WIDTH = 316
const HEIGHT = 74

/** The balance over twelve months as a stepped line; figures are only placed here, not computed. */
export function BalanceLine({ page }: { page: AccountPage }) {
  const [first] = page.balances
  if (!first || page.balances.length < 2) return null
  const points = page.balances.map((b) => ({ day: b.day, amount: Number(b.balance) }))
  const from = first.day > yearBefore(page.on) ? first.day : yearBefore(page.on)
  const x = dayScale(from, page.on, [0, WIDTH])
  const y = amountScale(
    points.map((p) => p.amount),
    [HEIGHT - 4, 4],
  )
  const lowest = page.balances.reduce((a, b) => (Number(b.balance) < Number(a.balance) ? b : a))
  return (
    <figure className="mb-2.5">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        width="100%"
        height={HEIGHT}
        className="overflow-visible"
        aria-hidden="true"
      >
        <ZeroLine y={y(0)} from={0} to={WIDTH} />
        <path
          d={stepPath(points, page.on, x, y)}
          className="fill-none stroke-needle stroke-[1.3]"
          vectorEffect="non-scaling-stroke"
        />
        <circle cx={WIDTH} cy={y(points.at(-1)?.amount ?? 0)} r="2.5" className="fill-needle" />
      </svg>
      <figcaption className="flex justify-between text-small text-ink-2">
        <span>{shortMonth(from)}</span>
        <span>
          lowest {figure(lowest.balance)}, {day(lowest.day)}
        </span>
        <span>{shortMonth(page.on)}</span>
      </figcaption>
      <BehindChart
        caption={`Balance of ${page.name} by day`}
        rows={page.balances.map((b) => ({ key: b.day, cells: [day(b.day), figure(b.balance)] }))}
      />
    </figure>
  )
}
