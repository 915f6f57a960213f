import { day, figure } from '@/parts/figures'
import type { Column } from '@/parts/grid/Grid'
import { Sentence } from './Sentence'
import type { Result, Rule } from './types'
import { Warnings } from './Warnings'

export const COLUMNS: Column[] = [
  { head: 'No.', width: 'w-[60px]' },
  { head: 'Rule' },
  { head: 'When it fits', width: 'w-[112px]' },
  { head: 'Booked by month', width: 'w-[116px]', off: 'narrow:hidden' },
  { head: '12 months', width: 'w-[92px]', end: true },
]

/** A rule as a row: its sentence, what is to be said of it, and what it booked. */
export function RuleCells({
  rule: r,
  order,
  nameOf,
  result,
  onMoveTo,
}: {
  rule: Rule
  order: Rule[]
  nameOf: (id: string) => string
  result: Result | undefined
  onMoveTo?: (no: number) => void
}) {
  const { on, trustedUpTo } = r.rule
  return (
    <>
      <td className="h-[53px] text-ink-2">{r.no}</td>
      <td className={`py-1.5 whitespace-normal text-ink-2 ${on ? '[&_b]:text-ink' : '[&_b]:font-normal'}`}>
        <Sentence rule={r.rule} nameOf={nameOf} />
        {result && <Warnings warnings={result.warnings} rules={order} onMoveAbove={onMoveTo} />}
      </td>
      <td className="whitespace-normal text-ink-2">
        {!on ? 'switched off' : trustedUpTo ? `posts by itself up to ${figure(trustedUpTo)}` : 'waits for you'}
      </td>
      <td className="narrow:hidden">{result && <ByMonth counts={result.byMonth} />}</td>
      <td className="text-right">
        {result && (
          <span title={result.lastFired ? `last on ${day(result.lastFired)}` : 'it has booked nothing yet'}>
            {result.fired}
          </span>
        )}
        {r.waiting > 0 && <span className="block text-small text-heartwood">{r.waiting} waiting</span>}
      </td>
    </>
  )
}

const HIGH = 22

/** How many lines a rule booked in each of twelve months. */
function ByMonth({ counts }: { counts: number[] }) {
  const most = Math.max(1, ...counts)
  return (
    <svg
      width={counts.length * 8}
      height={HIGH}
      role="img"
      aria-label={`booked by month: ${counts.join(', ')}`}
      className="fill-needle/60"
    >
      {counts.map((count, i) => {
        const high = count === 0 ? 1 : Math.max(3, (HIGH * count) / most)
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: months stay in their order
          <rect key={i} x={i * 8} y={HIGH - high} width={6} height={high} />
        )
      })}
    </svg>
  )
}
