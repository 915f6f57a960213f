import { Link } from 'react-router'
import { useScopeSearch } from '@/app/scope'
import { BehindChart, MonthNames, ZeroLine } from '@/parts/chart/axis'
import { amountScale, dayAt, dayScale, monthsBetween, stepPath, yearBefore } from '@/parts/chart/scales'
import { counted, day, figure, isZero, longDay, longMonth, moment, signed } from '@/parts/figures'
import { textLink } from '@/parts/look'
import type { AccountPage } from './types'

const WIDTH = 872
const LEFT = 24
const RIGHT = 848
const TOP = 56
const BOTTOM = 118

type Statement = AccountPage['statements'][number]

/** Months between two closing days that no statement covers. */
function missingBetween(before: string, after: string): string[] {
  return monthsBetween(before, after)
    .map((first) => first.slice(0, 7))
    .filter((month) => month > before.slice(0, 7) && month < after.slice(0, 7))
}

/** The chain of statements above the balance, on one axis of twelve months. */
export function TimeLine({ page }: { page: AccountPage }) {
  const search = useScopeSearch()
  const from = yearBefore(page.on)
  const x = dayScale(from, page.on, [LEFT, RIGHT])
  const at = (iso: string) => x(dayAt(iso))
  const points = page.balances.map((b) => ({ day: b.day, amount: Number(b.balance) }))
  const y = amountScale(
    points.map((p) => p.amount),
    [BOTTOM, TOP],
  )
  const shown = page.statements.filter((s) => s.closesOn >= from && s.closesOn <= page.on)
  const links = shown.slice(1).map((s, i) => {
    const before = shown[i]?.closesOn ?? s.closesOn
    return { id: s.id, from: at(before), missing: missingBetween(before, s.closesOn) }
  })
  const gaps = links.flatMap((l) => l.missing)

  return (
    <section
      className="flex-none border-b border-hairline-2 px-(--edge) pb-1.5"
      aria-label="Statements and balance over twelve months"
    >
      <svg viewBox={`0 0 ${WIDTH} 136`} width="100%" className="overflow-visible" role="presentation">
        {page.opening && page.hasStatements && page.opening.balanceOn >= from && (
          <>
            <path
              d={`M${at(page.opening.balanceOn)} 5l7 7-7 7-7-7z`}
              className="fill-none stroke-needle stroke-[1.5]"
            />
            <Amount x={at(page.opening.balanceOn)} amount={page.opening.balance} />
          </>
        )}
        {shown.map((s) => {
          const link = links.find((l) => l.id === s.id)
          return (
            <StatementNode
              key={s.id}
              statement={s}
              x={at(s.closesOn)}
              from={link?.from}
              gap={Boolean(link?.missing.length)}
              to={`/reconcile/${s.id}${search}`}
            />
          )
        })}
        <ZeroLine y={y(0)} from={LEFT} to={RIGHT} />
        <text className="fill-ink-2 text-[11.5px]" x={LEFT - 8} y={y(0) + 4} textAnchor="end">
          0
        </text>
        <path d={stepPath(points, page.on, x, y)} className="fill-none stroke-needle stroke-[1.3]" />
        <MonthNames days={monthsBetween(from, page.on)} x={x} y={133} />
      </svg>
      {gaps.length > 0 && (
        <p className="text-small text-heartwood">
          {gaps.map(longMonth).join(', ')} {gaps.length === 1 ? 'has' : 'have'} no statement of{' '}
          {gaps.length === 1 ? 'its' : 'their'} own.
        </p>
      )}
      {shown
        .filter((s) => s.openedAgain)
        .map((s) => (
          <Broken key={s.id} statement={s} to={`/reconcile/${s.id}${search}`} />
        ))}
      <BehindChart
        caption={`Statements of ${page.name}`}
        rows={shown.map((s) => ({
          key: s.id,
          cells: [
            day(s.closesOn),
            figure(s.closing),
            s.finished ? 'agreed to zero' : s.openedAgain ? 'opened again' : 'in progress',
          ],
        }))}
      />
      <BehindChart
        caption={`Balance of ${page.name} by day`}
        rows={page.balances.map((b) => ({ key: b.day, cells: [day(b.day), figure(b.balance)] }))}
      />
    </section>
  )
}

/** Where the chain is broken: who, when, and how much of what was agreed is not so any more. */
function Broken({ statement, to }: { statement: Statement; to: string }) {
  const { openedAgain } = statement
  if (!openedAgain) return null
  const { who, at, breaks, apart } = openedAgain
  return (
    <p className="text-small text-aril">
      The chain is broken at{' '}
      <Link className={textLink()} to={to}>
        {longDay(statement.closesOn)}
      </Link>
      : {who} opened it again, {moment(at)};{' '}
      {breaks.length === 0
        ? 'nothing changed since'
        : `${counted(breaks.length, 'posting')} changed since, ${signed(apart)}`}
      .
    </p>
  )
}

function Amount({ x, amount, waits }: { x: number; amount: string; waits?: boolean }) {
  return (
    <text x={x} y="36" textAnchor="middle" className={`text-[11.5px] ${waits ? 'fill-heartwood' : 'fill-ink-2'}`}>
      {figure(amount)}
    </text>
  )
}

/** A statement as two rings, tied to the one before it; dashed where months between them have none. */
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
  const broken = statement.openedAgain !== undefined
  const ring = `fill-none stroke-[1.5] ${statement.finished ? 'stroke-needle' : broken ? 'stroke-aril' : 'stroke-heartwood'}`
  return (
    <>
      {from !== undefined && (
        <path
          d={`M${from + 9} 12H${x - 9}`}
          className={`stroke-[1.5] ${gap ? 'stroke-heartwood [stroke-dasharray:2_3]' : 'stroke-needle-2'}`}
        />
      )}
      <Link to={to} aria-label={`Statement of ${day(statement.closesOn)}, ${figure(statement.closing)}`}>
        <rect x={x - 14} y="-2" width="28" height="28" fill="transparent" />
        <circle cx={x} cy="12" r="8" className={ring} />
        <circle cx={x} cy="12" r="4.5" className={ring} />
        {broken && <path d={`M${x - 3} 0l6 24`} className="fill-none stroke-leaf stroke-[5]" />}
        {broken && <path d={`M${x - 5} 0l6 24m4-24l-6 24`} className="fill-none stroke-aril stroke-[1.2]" />}
      </Link>
      <Amount x={x} amount={statement.closing} waits={!statement.finished || !isZero(statement.apart)} />
    </>
  )
}
