import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { useCommands } from '@/app/commands'
import { useScope } from '@/app/scope'
import { figure, isZero, lastDay, longDay, longMonth, plainNumber } from '@/parts/figures'
import { entryTable, sumRow } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { Head, Leaf, View } from '@/parts/View'
import { FiguresHead } from './FiguresHead'
import { periodOf } from './period'
import { ReportNav } from './ReportNav'
import { filesOf, TakeAlong } from './TakeAlong'
import { TaxReturn } from './TaxReturn'

type Table = Schemas['SalesTaxTableJson']
type Line = Schemas['TaxLineJson']

/** Sales tax of the period that the month is in: collected, paid and due, and its return. */
export function SalesTax() {
  const { book, month } = useScope()
  const [chosen, setChosen] = useState(0)
  const tax = useQuery({
    queryKey: ['sales-tax', month, book],
    enabled: month !== undefined,
    queryFn: () => data(api.GET('/api/sales-tax', { params: { query: { month: month ?? '', book } } })),
    placeholderData: (previous) => previous,
  })
  const tables = tax.data?.tables ?? []
  const table = tables[Math.min(chosen, tables.length - 1)]
  const step = (by: number) => () => setChosen((old) => Math.min(Math.max(old + by, 0), tables.length - 1))
  useCommands(
    tables.length > 1
      ? [
          { keys: ['ArrowUp'], label: 'Book above', strip: 'book', run: step(-1) },
          { keys: ['ArrowDown'], label: 'Book below', strip: 'book', run: step(1) },
        ]
      : [],
  )
  if (tax.error && !tax.data) return <Failed error={tax.error} retry={tax.refetch} />
  if (!tax.data) return <Loading what="the sales tax" />
  return (
    <View beside={table !== undefined} above={<ReportNav />}>
      <Leaf>
        <Head title="Sales tax" about={table && periodOf(table)}>
          {table && <TakeAlong {...filesOf('/api/sales-tax', { month, book })} />}
        </Head>
        {table ? (
          <Scroll className="px-(--edge) pb-6" label="Sales tax">
            <div className="grid grid-cols-[minmax(0,1fr)] gap-8">
              {tables.map((one) => (
                <BookTax key={one.bookId} table={one} />
              ))}
            </div>
          </Scroll>
        ) : (
          <Nothing title="No book here is registered for sales tax">
            <Link className="underline" to="/books">
              Say under which number, and from which day
            </Link>
            , then what is posted is taken apart into net and tax.
          </Nothing>
        )}
      </Leaf>
      {table && <TaxReturn key={`${table.bookId} ${table.first}`} table={table} />}
    </View>
  )
}

const HEADS = ['Sales', 'Collected', 'Purchases', 'Paid', 'Due']

function BookTax({ table }: { table: Table }) {
  if (table.lines.length === 0 && table.corrections.length === 0)
    return (
      <div>
        <h2 className="font-serif text-lead">{table.bookName}</h2>
        <p className="text-ink-2">Nothing was sold or bought with tax in {periodOf(table)}.</p>
        <Account table={table} />
      </div>
    )
  return (
    <div>
      <table className={`${entryTable} w-full max-w-[860px]`} aria-label={`Sales tax of ${table.bookName}`}>
        <FiguresHead of={table} heads={HEADS} width="w-[112px] narrow:w-[86px]" />
        <tbody>
          {table.lines.map((line) => (
            <TaxRow key={line.rateId} line={line} />
          ))}
          <tr className="[&>td]:border-t [&>td]:border-t-ink-2 [&>td]:font-semibold">
            <td>{periodOf(table)}</td>
            <td className="text-right">{figure(table.sum.sales)}</td>
            <td className="text-right">{figure(table.sum.collected)}</td>
            <td className="text-right">{figure(table.sum.purchases)}</td>
            <td className="text-right">{figure(table.sum.paid)}</td>
            <td className="text-right">{figure(table.sum.due)}</td>
          </tr>
          {table.corrections.length > 0 && (
            <tr>
              <th scope="rowgroup" colSpan={6} className="pt-3 text-left font-semibold">
                Changed since it was returned
              </th>
            </tr>
          )}
          {table.corrections.map((line) => (
            <TaxRow key={`${line.first} ${line.rateId}`} line={line} period />
          ))}
        </tbody>
        <tfoot>
          <tr className={sumRow}>
            <td colSpan={5}>
              {isNegative(table.due) ? 'the tax office owes' : 'due to the tax office'}
              {table.corrections.length > 0 && ', with the corrections'}
            </td>
            <td className="text-right">{figure(table.due.replace('-', ''))}</td>
          </tr>
        </tfoot>
      </table>
      <Account table={table} />
    </div>
  )
}

/** A rate; of a correction also the period that it is about. Sales and purchases lead to their entries. */
function TaxRow({ line, period }: { line: Line; period?: boolean }) {
  return (
    <tr>
      <td className="pl-3.5">
        {line.rateName || 'a rate that is gone'}
        {line.percent !== undefined && <span className="text-ink-2"> {plainNumber(line.percent)} %</span>}
        {period && <span className="text-small text-ink-3"> {periodOf(line)}</span>}
      </td>
      <Behind amount={line.sales} query={line.salesQuery} />
      <Behind amount={line.collected} query={line.salesQuery} />
      <Behind amount={line.purchases} query={line.purchasesQuery} />
      <Behind amount={line.paid} query={line.purchasesQuery} />
      <td className="text-right">{figure(line.due)}</td>
    </tr>
  )
}

function Behind({ amount, query }: { amount: string; query: string }) {
  const shown = isZero(amount) ? <span className="text-ink-3">–</span> : figure(amount)
  return (
    <td className="text-right">
      {query && !isZero(amount) ? (
        <Link className="hover:underline" to={`/journal?${new URLSearchParams({ every: '1', text: query })}`}>
          {shown}
        </Link>
      ) : (
        shown
      )}
    </td>
  )
}

/** What the account of the tax says, as a sum that one can follow. */
function Account({ table }: { table: Table }) {
  const { account } = table
  const parts = [
    { name: `owed before ${longMonth(table.first)}`, amount: account.before },
    { name: 'arose', amount: account.arose, sign: '+' },
    { name: 'settled', amount: account.settled, sign: '−' },
    { name: `owed on ${longDay(lastDay(table.last))}`, amount: account.owed, sign: '=' },
  ]
  return (
    <dl aria-label={`The account ${account.names}`} className="mt-3 flex flex-wrap gap-x-2 gap-y-1 text-ink-2">
      <dt className="sr-only">Account</dt>
      <dd>{account.names}:</dd>
      {parts.map(({ name, amount, sign }) => (
        <div key={name} className="flex gap-1.5">
          {sign && <span aria-hidden="true">{sign}</span>}
          <dt>{name}</dt>
          <dd className="text-ink">{figure(amount)}</dd>
        </div>
      ))}
    </dl>
  )
}

const isNegative = (amount: string) => amount.startsWith('-')
