import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { api, data, messageOf, type Schemas } from '@/api/client'
import { useScope } from '@/app/scope'
import { figure } from '@/parts/figures'
import { nameOf } from './columns'
import { addressOf, keptReports } from './KeptReports'
import { askedOf, queryOf, type ReportTableOf } from './reportAsked'
import { Trend } from './Trend'

type Kept = Schemas['KeptReportJson']

/** The kept reports that stand on the Almanac, each in a few figures; nothing where there are none. */
export function AlmanacReports() {
  const kept = useQuery(keptReports)
  const standing = kept.data?.filter((report) => report.onAlmanac) ?? []
  if (standing.length === 0) return null
  return (
    <section className="pb-6">
      <h2 className="border-b border-hairline-2 pb-[3px] text-lead/[22px]">Reports</h2>
      <ul className="grid grid-cols-3 gap-x-10 narrow:grid-cols-2">
        {standing.map((report) => (
          <Standing key={report.id} report={report} />
        ))}
      </ul>
    </section>
  )
}

function Standing({ report }: { report: Kept }) {
  const { month } = useScope()
  const params = new URLSearchParams(report.address)
  const query = queryOf('OWN', askedOf(params, 'OWN'), { book: params.get('book') ?? undefined, month })
  const page = useQuery({
    queryKey: ['report', query],
    enabled: month !== undefined,
    queryFn: () => data(api.GET('/api/reports', { params: { query } })),
    placeholderData: keepPreviousData,
    retry: false,
  })
  return (
    <li className="border-b border-hairline py-1.5">
      <Link className="underline-offset-[2.5px] hover:underline" to={addressOf(report, month)}>
        {report.name}
      </Link>
      {page.error && <p className="text-small text-aril">{messageOf(page.error)} Open it to change it.</p>}
      {page.isPending && <p className="text-small text-ink-2">Loading…</p>}
      {page.data && inShort(page.data.tables).map((table) => <Figure key={table.bookId ?? 'all'} table={table} />)}
    </li>
  )
}

/** All books as one where they can be; each of them otherwise. */
function inShort(tables: ReportTableOf[]): ReportTableOf[] {
  const together = tables.filter((table) => !table.bookId)
  return together.length > 0 ? together : tables
}

/** What the last column comes to, and how all of them went. */
function Figure({ table }: { table: ReportTableOf }) {
  const amounts = table.rows.at(-1)?.amounts ?? []
  const last = table.rows.some((row) => row.change !== undefined) ? 0 : amounts.length - 1
  const column = table.columns[last]
  return (
    <p className="flex items-baseline gap-3 text-small text-ink-2">
      <span className="flex-1 truncate">
        {table.bookName}, {column && nameOf(column, true, false)}
      </span>
      {amounts.length > 2 && <Trend amounts={amounts} />}
      <span className="text-body text-ink">{figure(amounts[last] ?? '0')}</span>
    </p>
  )
}
