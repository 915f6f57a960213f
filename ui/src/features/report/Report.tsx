import { useQuery } from '@tanstack/react-query'
import { api, data } from '@/api/client'
import { books } from '@/api/queries'
import { counted, lastDay, longDay, longMonth } from '@/parts/figures'
import { Scroll } from '@/parts/Scroll'
import { Select } from '@/parts/Select'
import { Failed, Loading, Nothing } from '@/parts/States'
import { Head, Leaf, View } from '@/parts/View'
import { OwnDrawing } from './drawing/OwnDrawing'
import { OwnParts } from './OwnParts'
import { RatesUsed } from './RatesUsed'
import { REPORTS, ReportNav } from './ReportNav'
import { ReportTable } from './ReportTable'
import {
  type Asked,
  type Beside,
  type Bills,
  type Draw,
  type Every,
  isOfFlows,
  type Kind,
  type queryOf,
  type ReportPage,
  type Tax,
} from './reportAsked'
import { SpanPick } from './SpanPick'
import { SpreadList } from './SpreadList'
import { TakeAlong } from './TakeAlong'
import { TaxFormReceipts } from './TaxFormReceipts'
import { useReportAsked } from './useReportAsked'
import { WorthLine } from './WorthLine'

const EVERY: { value: Every; name: string }[] = [
  { value: 'WHOLE', name: 'in one column' },
  { value: 'MONTH', name: 'by months' },
  { value: 'QUARTER', name: 'by quarters' },
  { value: 'YEAR', name: 'by years' },
]
const BESIDE: { value: Beside; name: string }[] = [
  { value: 'NOTHING', name: 'alone' },
  { value: 'BEFORE', name: 'beside the time before' },
  { value: 'YEAR_BEFORE', name: 'beside the year before' },
]
const BUDGET: { value: Beside; name: string } = { value: 'BUDGET', name: 'beside the budget' }

const BOOKED: { value: Beside; name: string } = { value: 'BOOKED', name: 'beside what was booked' }

const BILLS: { value: Bills; name: string }[] = [
  { value: 'BOOKED', name: 'bills as booked' },
  { value: 'SPREAD', name: 'bills spread over their months' },
]

const TAX: { value: Tax; name: string }[] = [
  { value: 'NET', name: 'without sales tax' },
  { value: 'GROSS', name: 'with sales tax' },
  { value: 'TAX', name: 'sales tax alone' },
]

const DRAW: { value: Draw; name: string }[] = [
  { value: 'SUITS', name: 'drawn as it suits' },
  { value: 'BARS', name: 'drawn as bars' },
  { value: 'LINES', name: 'drawn as lines' },
  { value: 'PARTS', name: 'drawn as parts of the whole' },
  { value: 'TABLE', name: 'not drawn' },
]

/** One report over a span of months, for each book and for all together. */
export function Report({ kind }: { kind: Kind }) {
  const { asked, query, set, ready } = useReportAsked(kind)
  const report = useQuery({
    queryKey: ['report', query],
    enabled: ready && (asked.span !== 'OWN' || Boolean(asked.first && asked.last)),
    queryFn: () => data(api.GET('/api/reports', { params: { query } })),
    placeholderData: (previous) => previous,
    retry: false,
  })
  const taxed = useQuery(books).data?.some((book) => book.taxedFrom)
  const address = new URLSearchParams(query as Record<string, string>).toString()
  return (
    <View>
      <Leaf>
        <ReportNav />
        <Head title={REPORTS.find((one) => one.kind === kind)?.name} about={report.data && about(kind, report.data)}>
          <TakeAlong
            paper={`/api/reports/paper?${address}`}
            table={`/api/reports/table?${address}`}
            workbook={`/api/reports/workbook?${address}`}
          />
        </Head>
        <div className="flex flex-none flex-wrap items-center gap-2 px-(--edge) pb-2">
          {kind === 'OWN' && <OwnParts by={asked.by} measure={asked.measure} text={asked.text} set={set} />}
          <SpanPick asked={asked} set={set} />
          <Select aria-label="Columns" value={asked.every} options={EVERY} onChange={(every) => set({ every })} />
          {asked.every === 'WHOLE' && (
            <Select
              aria-label="Seen"
              value={asked.beside}
              options={besides(kind, asked)}
              onChange={(beside) => set({ beside })}
            />
          )}
          {kind === 'OWN' && (
            <Select aria-label="Drawing" value={asked.draw} options={DRAW} onChange={(draw) => set({ draw })} />
          )}
          {kind === 'INCOME_STATEMENT' && (
            <Select aria-label="Bills" value={asked.bills} options={BILLS} onChange={(bills) => set({ bills })} />
          )}
          {kind === 'INCOME_STATEMENT' && taxed && (
            <Select aria-label="Sales tax" value={asked.tax} options={TAX} onChange={(tax) => set({ tax })} />
          )}
        </div>
        {report.error ? (
          <Failed error={report.error} retry={report.refetch} />
        ) : asked.span === 'OWN' && !(asked.first && asked.last) ? (
          <Nothing title="From which month to which?">Choose both: the report covers them and all between.</Nothing>
        ) : report.data ? (
          <Tables kind={kind} page={report.data} asked={asked} query={query} />
        ) : (
          <Loading what="the report" />
        )}
      </Leaf>
    </View>
  )
}

function Tables({
  kind,
  page,
  asked,
  query,
}: {
  kind: Kind
  page: ReportPage
  asked: Asked
  query: ReturnType<typeof queryOf>
}) {
  if (page.tables.length === 0 && kind === 'TAX_FORM')
    return (
      <Nothing title="No category says its line of a tax form">
        Say in the facts of each category, in the Chart, which line it belongs to. They are added up here.
      </Nothing>
    )
  if (page.tables.length === 0) return <Nothing title="There is no book yet">A report is of a book.</Nothing>
  return (
    <Scroll className="px-(--edge) pb-6" label="The report">
      <div className="grid grid-cols-[minmax(0,1fr)] gap-7">
        {page.tables.map((table) => (
          <div key={table.bookId ?? 'all'}>
            {kind === 'OWN' && <OwnDrawing table={table} beside={isBeside(asked)} draw={asked.draw} />}
            {kind === 'NET_WORTH' && table.columns.length > 1 && <WorthLine table={table} />}
            <ReportTable kind={kind} table={table} />
            <RatesUsed table={table} />
            <SpreadList table={table} />
            {kind === 'TAX_FORM' && <TaxFormReceipts table={table} query={query} />}
          </div>
        ))}
      </div>
    </Scroll>
  )
}

function besides(kind: Kind, asked: Asked) {
  if (kind !== 'INCOME_STATEMENT') return BESIDE
  return asked.bills === 'SPREAD' ? [...BESIDE, BUDGET, BOOKED] : [...BESIDE, BUDGET]
}

/** Whether the second column is what the first is seen beside. */
const isBeside = ({ every, beside }: Asked) => every === 'WHOLE' && beside !== 'NOTHING'

function about(kind: Kind, { first, last, tables }: ReportPage): string {
  const count = tables.filter((table) => table.bookId).length
  const of = count > 1 ? `, ${counted(count, 'book')}` : ''
  if (!isOfFlows(kind)) return `through ${longDay(lastDay(last))}${of}`
  return (first === last ? longMonth(first) : `${longMonth(first)} to ${longMonth(last)}`) + of
}
