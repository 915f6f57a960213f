import { Link } from 'react-router'
import type { Schemas } from '@/api/client'
import { counted, day, figure, lastDay, longMonth } from '@/parts/figures'
import { Inspector, InspectorHead } from '@/parts/View'
import type { MonthTable } from './MonthAgainst'

type Unusual = Schemas['UnusualJson']

/** What is not as it usually is, each with what it is held against. */
export function UnusualList({ tables, month }: { tables: MonthTable[]; month: string }) {
  const all = tables.flatMap((table) => table.unusual.map((unusual) => ({ table, unusual })))
  return (
    <Inspector label="What is unusual">
      <InspectorHead title="Unusual">{longMonth(month)}</InspectorHead>
      {all.length === 0 ? (
        <p className="text-ink-2">Nothing: no category is beyond its usual band, nobody new was paid, no price rose.</p>
      ) : (
        <ul>
          {all.map(({ table, unusual }) => (
            <li
              key={`${table.bookId} ${unusual.kind} ${unusual.name}`}
              className="border-b border-hairline py-2 last:border-0"
            >
              <div className="flex justify-between gap-3">
                <Link className="font-semibold hover:underline" to={entriesOf(unusual, table)}>
                  {unusual.name}
                </Link>
                <span>{figure(unusual.amount)}</span>
              </div>
              <p className="text-ink-2">{why(unusual)}</p>
            </li>
          ))}
        </ul>
      )}
    </Inspector>
  )
}

function why({ kind, low, high, times, before, on }: Unusual): string {
  if (kind === 'BEYOND')
    return `Usually ${figure(low ?? '0')} to ${figure(high ?? '0')}, by ${counted(times, 'month')} before.`
  if (kind === 'NEW_PAYEE') return `Never paid before ${on ? day(on) : ''}.`
  return `${figure(before ?? '0')} the last ${times} times; more on ${on ? day(on) : ''}.`
}

function entriesOf({ accountId, query }: Unusual, { month }: MonthTable): string {
  const days = `date:${month}-01..${lastDay(month)}`
  if (accountId) return `/accounts/${accountId}?${new URLSearchParams({ month, text: days })}`
  return `/journal?${new URLSearchParams({ every: '1', text: query ?? '' })}`
}
