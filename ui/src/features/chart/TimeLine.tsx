import { Link } from 'react-router'
import { useScopeSearch } from '@/app/scope'
import { day, figure, isZero, longMonth, shortMonth } from '@/parts/figures'
import type { AccountPage } from './types'

const DAY = 86_400_000
const WIDTH = 872
const LEFT = 24
const RIGHT = 848
const TOP = 56
const BOTTOM = 118
const at = (iso: string) => Date.parse(`${iso}T00:00:00Z`)

type Statement = AccountPage['statements'][number]

/** Months between two closing days that no statement covers. */
function missingBetween(before: string, after: string): string[] {
  const missing: string[] = []
  const month = new Date(at(`${before.slice(0, 7)}-01`))
  for (;;) {
    month.setUTCMonth(month.getUTCMonth() + 1)
    const iso = month.toISOString().slice(0, 7)
    if (iso >= after.slice(0, 7)) return missing
    missing.push(iso)
  }
}

/** The chain of statements above the balance, on one axis of twelve months. */
export function TimeLine({ page }: { page: AccountPage }) {
  const search = useScopeSearch()
  const end = at(page.on)
  const start = end - 366 * DAY
  const x = (iso: string) => LEFT + ((Math.max(at(iso), start) - start) / (end - start)) * (RIGHT - LEFT)
  const shown = page.statements.filter((s) => at(s.closesOn) >= start && at(s.closesOn) <= end)
  const values = page.balances.map((b) => Number(b.balance))
  const high = Math.max(0, ...values)
  const low = Math.min(0, ...values)
  const y = (value: number) => TOP + (1 - (value - low) / (high - low || 1)) * (BOTTOM - TOP)
  const path = page.balances
    .map((b, i) => (i === 0 ? `M${x(b.day)} ${y(values[i] ?? 0)}` : `H${x(b.day)}V${y(values[i] ?? 0)}`))
    .join('')
  const gaps = shown.slice(1).flatMap((s, i) => missingBetween(shown[i]?.closesOn ?? s.closesOn, s.closesOn))

  return (
    <section className="timeline" aria-label="Statements and balance over twelve months">
      <svg viewBox={`0 0 ${WIDTH} 136`} width="100%" role="presentation">
        {page.hasStatements && (
          <g className="chain">
            {page.opening && at(page.opening.balanceOn) >= start && (
              <>
                <path d={`M${x(page.opening.balanceOn)} 5l7 7-7 7-7-7z`} className="node" />
                <text x={x(page.opening.balanceOn)} y="36">
                  {figure(page.opening.balance)}
                </text>
              </>
            )}
            {shown.map((s, i) => (
              <StatementNode
                key={s.id}
                statement={s}
                x={x(s.closesOn)}
                from={i > 0 ? x(shown[i - 1]?.closesOn ?? s.closesOn) : undefined}
                gap={i > 0 && missingBetween(shown[i - 1]?.closesOn ?? '', s.closesOn).length > 0}
                to={`/reconcile/${s.id}${search}`}
              />
            ))}
          </g>
        )}
        <path d={`M${LEFT} ${y(0)}H${RIGHT}`} className="zero" />
        <text className="axis" x={LEFT - 8} y={y(0) + 4} textAnchor="end">
          0
        </text>
        {page.balances.length > 0 && <path d={`${path}H${RIGHT}`} className="line" />}
        {months(start, end).map((m) => (
          <text key={m} className="axis" x={x(`${m}-01`)} y="133">
            {shortMonth(m)}
          </text>
        ))}
      </svg>
      {gaps.length > 0 && (
        <p className="wait s">
          {gaps.map(longMonth).join(', ')} {gaps.length === 1 ? 'has' : 'have'} no statement of{' '}
          {gaps.length === 1 ? 'its' : 'their'} own.
        </p>
      )}
      <ol className="vh">
        {shown.map((s) => (
          <li key={s.id}>
            Statement of {day(s.closesOn)}: {figure(s.closing)}, {s.finished ? 'agreed to zero' : 'in progress'}
          </li>
        ))}
      </ol>
    </section>
  )
}

function StatementNode({
  statement,
  x,
  from,
  gap,
  to,
}: {
  statement: Statement
  x: number
  from: number | undefined
  gap: boolean
  to: string
}) {
  const tone = statement.finished ? 'agreed' : 'open'
  return (
    <>
      {from !== undefined && <path d={`M${from + 9} 12H${x - 9}`} className={gap ? 'link gap' : 'link'} />}
      <Link to={to} aria-label={`Statement of ${day(statement.closesOn)}, ${figure(statement.closing)}`}>
        <rect x={x - 14} y="-2" width="28" height="28" fill="transparent" />
        <circle cx={x} cy="12" r="8" className={tone} />
        <circle cx={x} cy="12" r="4.5" className={tone} />
      </Link>
      <text x={x} y="36" className={statement.finished && isZero(statement.apart) ? undefined : 'wait'}>
        {figure(statement.closing)}
      </text>
    </>
  )
}

function months(start: number, end: number): string[] {
  const list: string[] = []
  const month = new Date(start)
  month.setUTCDate(1)
  month.setUTCMonth(month.getUTCMonth() + 1)
  while (month.getTime() <= end) {
    list.push(month.toISOString().slice(0, 7))
    month.setUTCMonth(month.getUTCMonth() + 1)
  }
  return list
}
