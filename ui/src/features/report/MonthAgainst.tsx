import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { useScope } from '@/app/scope'
import { figure, isZero, lastDay, longMonth, monthName, signed } from '@/parts/figures'
import { entryTable, sumRow } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { Head, Leaf, View } from '@/parts/View'
import { ReportNav } from './ReportNav'
import { SpentLine } from './SpentLine'
import { filesOf, TakeAlong } from './TakeAlong'
import { UnusualList } from './UnusualList'

export type MonthTable = Schemas['MonthTableJson']

/** What was spent in the month against the month before: day by day, by categories, and what is unusual. */
export function MonthAgainst() {
  const { book, month } = useScope()
  const page = useQuery({
    queryKey: ['month-against', month, book],
    enabled: month !== undefined,
    queryFn: () => data(api.GET('/api/reports/month', { params: { query: { month: month ?? '', book } } })),
    placeholderData: (previous) => previous,
  })
  if (page.error && !page.data) return <Failed error={page.error} retry={page.refetch} />
  if (!page.data || !month) return <Loading what="the month" />
  const { tables } = page.data
  return (
    <View beside above={<ReportNav />}>
      <Leaf>
        <Head title="Month" about={tables[0] && `${longMonth(month)} against ${monthName(tables[0].monthBefore)}`}>
          {tables.length > 0 && <TakeAlong {...filesOf('/api/reports/month', { month, book })} />}
        </Head>
        {tables.length === 0 ? (
          <Nothing title="There is no book yet">What is spent stands in a book.</Nothing>
        ) : (
          <Scroll className="px-(--edge) pb-6" label="The month">
            <div className="grid grid-cols-[minmax(0,1fr)] gap-8">
              {tables.map((table) => (
                <BookMonth key={table.bookId} table={table} />
              ))}
            </div>
          </Scroll>
        )}
      </Leaf>
      <UnusualList tables={tables} month={month} />
    </View>
  )
}

function BookMonth({ table }: { table: MonthTable }) {
  const before = monthName(table.monthBefore)
  return (
    <section aria-label={table.bookName} className="max-w-[860px]">
      <h2 className="font-serif text-lead">
        {table.bookName} <span className="font-sans text-small text-ink-2">{table.currency}</span>
      </h2>
      <p className="mb-2 text-ink-2">
        <b className="text-ink">{figure(table.spent)}</b> spent{table.over ? '' : ' so far'};{' '}
        {table.over ? (
          <>
            {figure(table.before)} in {before}.
          </>
        ) : (
          <>
            {figure(table.beforeByNow)} by the same day of {before}, {figure(table.before)} in all of it.
          </>
        )}
      </p>
      {table.categories.length > 0 && (
        <>
          <SpentLine table={table} before={before} />
          <Categories table={table} before={before} />
        </>
      )}
    </section>
  )
}

function Categories({ table, before }: { table: MonthTable; before: string }) {
  return (
    <table className={`${entryTable} mt-3 w-full`} aria-label={`Spending of ${table.bookName}`}>
      <colgroup>
        <col />
        <col className="w-[112px]" />
        <col className="w-[112px]" />
        <col className="w-[112px]" />
      </colgroup>
      <thead>
        <tr>
          <th scope="col" className="text-left font-normal">
            Spent on
          </th>
          {[monthName(table.month), before, 'Change'].map((head) => (
            <th key={head} scope="col" className="text-right font-normal">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {table.categories.map((row) => (
          <tr key={row.accountId}>
            <td>
              {row.name} <span className="text-small text-ink-3">{row.groupName}</span>
            </td>
            <Behind accountId={row.accountId} month={table.month} amount={row.spent} />
            <Behind accountId={row.accountId} month={table.monthBefore} amount={row.before} />
            <td className="text-right text-ink-2">
              {isZero(row.change) ? <span className="text-ink-3">–</span> : signed(row.change)}
            </td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr className={sumRow}>
          <td>spent</td>
          <td className="text-right">{figure(table.spent)}</td>
          <td className="text-right">{figure(table.before)}</td>
          <td />
        </tr>
      </tfoot>
    </table>
  )
}

/** An amount that leads to its postings. */
function Behind({ accountId, month, amount }: { accountId: string; month: string; amount: string }) {
  if (isZero(amount)) return <td className="text-right text-ink-3">–</td>
  const search = new URLSearchParams({ month, text: `date:${month}-01..${lastDay(month)}` })
  return (
    <td className="text-right">
      <Link className="hover:underline" to={`/accounts/${accountId}?${search}`}>
        {figure(amount)}
      </Link>
    </td>
  )
}
