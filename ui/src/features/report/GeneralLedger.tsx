import { useQuery } from '@tanstack/react-query'
import { Fragment } from 'react'
import { Link } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { figure, isZero, lastDay, longMonth } from '@/parts/figures'
import { entryTable, sumRow } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { Head, Leaf, View } from '@/parts/View'
import { CLASSES } from './classes'
import { FiguresHead } from './FiguresHead'
import { ReportNav } from './ReportNav'
import { SpanPick } from './SpanPick'
import { TakeAlong } from './TakeAlong'
import { useReportAsked } from './useReportAsked'

type Page = Schemas['LedgerPageJson']
type Table = Schemas['LedgerTableJson']

/** Every account with what stood there before, what moved, and what stands there after; in files posting by posting. */
export function GeneralLedger() {
  const { asked, query, set, ready } = useReportAsked('GENERAL_LEDGER')
  const { kind: _, ...span } = query
  const isAsked = asked.span !== 'OWN' || Boolean(asked.first && asked.last)
  const ledger = useQuery({
    queryKey: ['general-ledger', span],
    enabled: ready && isAsked,
    queryFn: () => data(api.GET('/api/general-ledger', { params: { query: span } })),
    placeholderData: (previous) => previous,
    retry: false,
  })
  const address = new URLSearchParams(span as Record<string, string>).toString()
  return (
    <View>
      <Leaf>
        <ReportNav />
        <Head title="General ledger" about={ledger.data && spanOf(ledger.data)}>
          <TakeAlong
            paper={`/api/general-ledger/paper?${address}`}
            table={`/api/general-ledger/table?${address}`}
            workbook={`/api/general-ledger/workbook?${address}`}
          />
        </Head>
        <div className="flex flex-none flex-wrap items-center gap-2 px-(--edge) pb-2">
          <SpanPick asked={asked} set={set} />
          <span className="text-ink-2">PDF, CSV and XLSX have every posting.</span>
        </div>
        {ledger.error ? (
          <Failed error={ledger.error} retry={ledger.refetch} />
        ) : !isAsked ? (
          <Nothing title="From which month to which?">Choose both: the report covers them and all between.</Nothing>
        ) : ledger.data ? (
          <Scroll className="px-(--edge) pb-6" label="The general ledger">
            <div className="grid grid-cols-[minmax(0,1fr)] gap-8">
              {ledger.data.tables.map((table) => (
                <BookLedger key={table.bookId} table={table} page={ledger.data} />
              ))}
            </div>
          </Scroll>
        ) : (
          <Loading what="the general ledger" />
        )}
      </Leaf>
    </View>
  )
}

const HEADS = ['Before', 'Debit', 'Credit', 'After']

function BookLedger({ table, page }: { table: Table; page: Page }) {
  return (
    <table className={`${entryTable} w-full max-w-[860px]`} aria-label={`General ledger of ${table.bookName}`}>
      <FiguresHead of={table} heads={HEADS} width="w-[120px]" />
      <tbody>
        {CLASSES.map((one) => {
          const rows = table.rows.filter((row) => row.accountClass === one.of)
          if (rows.length === 0) return null
          return (
            <Fragment key={one.of}>
              <tr>
                <th scope="rowgroup" colSpan={5} className="pt-3 text-left font-semibold">
                  {one.name}
                </th>
              </tr>
              {rows.map((row) => (
                <tr key={row.accountId}>
                  <td className="pl-3.5">
                    <Link className="hover:underline" to={postingsOf(row.accountId, page)}>
                      {row.name}
                    </Link>{' '}
                    <span className="text-small text-ink-3">{row.groupName}</span>
                  </td>
                  {[row.before, row.debit, row.credit, row.after].map((amount, i) => (
                    <td key={HEADS[i]} className="text-right">
                      {isZero(amount) ? <span className="text-ink-3">–</span> : figure(amount)}
                    </td>
                  ))}
                </tr>
              ))}
            </Fragment>
          )
        })}
      </tbody>
      <tfoot>
        <tr className={sumRow}>
          <td colSpan={2}>
            {table.balances ? 'debits equal credits' : <b className="text-aril">debits and credits differ</b>}
          </td>
          <td className="text-right">{figure(table.debit)}</td>
          <td className="text-right">{figure(table.credit)}</td>
          <td />
        </tr>
      </tfoot>
    </table>
  )
}

function postingsOf(accountId: string, { first, last }: Page): string {
  const search = new URLSearchParams({ month: last, text: `date:${first}-01..${lastDay(last)}` })
  return `/accounts/${accountId}?${search}`
}

const spanOf = ({ first, last }: Page) =>
  first === last ? longMonth(first) : `${longMonth(first)} to ${longMonth(last)}`
