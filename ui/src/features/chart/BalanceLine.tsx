import { day, figure, shortMonth } from '@/parts/figures'
import type { AccountPage } from './types'

const DAY = 86_400_000
const at = (iso: string) => Date.parse(`${iso}T00:00:00Z`)

/** The balance over twelve months as a stepped line; figures are only placed here, not computed. */
export function BalanceLine({ page, height = 74 }: { page: AccountPage; height?: number }) {
  const days = page.balances
  if (days.length < 2) return null
  const width = 316
  const end = at(page.on)
  const start = Math.max(at(days[0]?.day ?? page.on), end - 366 * DAY)
  const values = days.map((d) => Number(d.balance))
  const high = Math.max(...values, 0)
  const low = Math.min(...values, 0)
  const x = (iso: string) => ((Math.max(at(iso), start) - start) / (end - start || 1)) * width
  const y = (value: number) => 4 + (1 - (value - low) / (high - low || 1)) * (height - 8)
  const path = days
    .map((d, i) => (i === 0 ? `M${x(d.day)} ${y(values[i] ?? 0)}` : `H${x(d.day)}V${y(values[i] ?? 0)}`))
    .join('')
  const lowest = days.reduce((a, b) => (Number(b.balance) < Number(a.balance) ? b : a))
  const words = `Balance from ${day(days[0]?.day ?? page.on)} to ${day(page.on)}; lowest ${figure(lowest.balance)} on ${day(lowest.day)}`
  return (
    <figure className="balance-line">
      <svg viewBox={`0 0 ${width} ${height}`} width="100%" height={height} role="img" aria-label={words}>
        <path d={`M0 ${y(0)}H${width}`} className="zero" />
        <path d={`${path}H${width}`} className="line" />
        <circle cx={width} cy={y(values.at(-1) ?? 0)} r="2.5" />
      </svg>
      <figcaption>
        <span>{shortMonth(days[0]?.day ?? '')}</span>
        <span>
          lowest {figure(lowest.balance)}, {day(lowest.day)}
        </span>
        <span>{shortMonth(page.on)}</span>
      </figcaption>
    </figure>
  )
}
