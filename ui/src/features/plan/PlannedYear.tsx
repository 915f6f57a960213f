import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { Button } from '@/parts/Button'
import { figure, isZero, lastDay, longMonth, monthName, shortMonth } from '@/parts/figures'
import { entryTable, textLink } from '@/parts/look'
import { Failed, Loading } from '@/parts/States'
import { negated } from '@/parts/useSum'
import { Acts, InspectorHead } from '@/parts/View'
import { leftInWords, type Row } from './BudgetTable'

type Month = Schemas['PlannedMonthJson']

/** A category's month as a sum, its year beside the one before, and what can be done to its plan. */
export function PlannedYear({
  row,
  month,
  onPlan,
  onPlanGroup,
  onCarry,
}: {
  row: Row
  month: string
  onPlan: () => void
  /** Where it stands in a group that can be planned together. */
  onPlanGroup?: () => void
  onCarry: () => void
}) {
  const year = useQuery({
    queryKey: ['budget', row.accountId, month],
    queryFn: () => data(api.GET('/api/budgets/{id}', { params: { path: { id: row.accountId }, query: { month } } })),
  })
  const entries = new URLSearchParams({ month, text: `date:${month}-01..${lastDay(month)}` })
  return (
    <>
      <InspectorHead title={row.name} figure={leftInWords(row.month.left)}>
        {longMonth(month)}
        {row.holds && `, planned together: ${row.holds.join(', ')}`}
      </InspectorHead>
      <Sum row={row} entries={`/accounts/${row.accountId}?${entries}`} />
      {year.error && <Failed error={year.error} retry={year.refetch} />}
      {year.isPending && <Loading what="its year" />}
      {year.data && <Months months={year.data.months} month={month} name={row.name} />}
      <Acts>
        <MayChange>
          <Button tone="go" className="col-span-full" onClick={onPlan}>
            Plan it <kbd>Enter</kbd>
          </Button>
          {onPlanGroup && (
            <Button className="col-span-full" onClick={onPlanGroup}>
              Plan its group together <kbd>T</kbd>
            </Button>
          )}
          <Button className="col-span-full" onClick={onCarry} whyNot={row.planned ? undefined : 'Plan it first.'}>
            {row.carries ? 'Begin anew each month' : 'Carry over what is left'} <kbd>C</kbd>
          </Button>
        </MayChange>
      </Acts>
    </>
  )
}

function Sum({ row: { month, planned }, entries }: { row: Row; entries: string }) {
  return (
    <dl className="mb-4 grid grid-cols-[1fr_auto] gap-y-0.5 [&>dd]:pl-4" aria-label="The month as a sum">
      <dt className="text-ink-2">Brought</dt>
      <dd className="text-right">{figure(month.brought)}</dd>
      <dt className="text-ink-2">{planned ? 'Planned' : 'Planned: nothing yet'}</dt>
      <dd className="text-right">{figure(month.planned)}</dd>
      <dt className="text-ink-2">
        <Link className={textLink()} to={entries}>
          Booked
        </Link>
      </dt>
      <dd className="text-right">{figure(isZero(month.booked) ? month.booked : negated(month.booked))}</dd>
      {!isZero(month.toCome) && (
        <>
          <dt className="text-ink-2">
            <Link className={textLink()} to="/plan/ahead">
              To come
            </Link>
          </dt>
          <dd className="text-right">{figure(negated(month.toCome))}</dd>
        </>
      )}
      <dt className="border-t border-ink-2 font-semibold">Left</dt>
      <dd className="border-t border-ink-2 text-right font-semibold">{figure(month.left)}</dd>
    </dl>
  )
}

function Months({ months, month, name }: { months: Month[]; month: string; name: string }) {
  return (
    <table className={`${entryTable} w-full text-small`} aria-label={`The year of ${name}`}>
      <thead>
        <tr>
          <th scope="col" className="text-left font-normal">
            Month
          </th>
          {['Year before', 'Planned', 'Booked'].map((head) => (
            <th key={head} scope="col" className="text-right font-normal">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {months.map((one) => (
          <tr key={one.month} className={one.month === month ? 'font-semibold text-dusk' : ''}>
            <th scope="row" className="text-left font-normal">
              {monthName(one.month)}
            </th>
            <td className="text-right">{orNothing(one.lastYear)}</td>
            <td className="text-right">{plannedInWords(one)}</td>
            <td className="text-right">{orNothing(one.booked)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

const orNothing = (amount: string) => (isZero(amount) ? '–' : figure(amount))

/** Of several months together, said at the first of them. */
function plannedInWords({ month, first, last, planned }: Month): string {
  if (planned === undefined || !first || !last) return '–'
  if (first === last) return figure(planned)
  return month === first ? `${figure(planned)} to ${shortMonth(last)}` : `from ${shortMonth(first)}`
}
