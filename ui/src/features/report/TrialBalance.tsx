import { useQuery } from '@tanstack/react-query'
import { Fragment } from 'react'
import { Link } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { useScope, useScopeSearch } from '@/app/scope'
import { figure, lastDay, longDay } from '@/parts/figures'
import { entryTable, sumRow } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { Head, Leaf, View } from '@/parts/View'
import { CLASSES } from './classes'
import { ReportNav } from './ReportNav'

type Book = Schemas['TrialBalanceJson']

/** Every account's balance at the end of the month, debits beside credits. */
export function TrialBalance() {
  const { book, month } = useScope()
  const on = month && lastDay(month)
  const trial = useQuery({
    queryKey: ['trial-balance', on, book],
    enabled: on !== undefined,
    queryFn: () => data(api.GET('/api/trial-balance', { params: { query: { on: on ?? '', book } } })),
    placeholderData: (previous) => previous,
  })
  if (trial.error && !trial.data) return <Failed error={trial.error} retry={trial.refetch} />
  if (!trial.data || !on) return <Loading what="the trial balance" />
  return (
    <View>
      <Leaf>
        <ReportNav />
        <Head title="Trial balance" about={<>at the end of {longDay(on)}</>} />
        <Scroll
          className="grid grid-cols-[repeat(auto-fit,minmax(400px,1fr))] items-start gap-x-[72px] gap-y-7 px-(--edge) pb-6"
          label="Trial balances"
        >
          {trial.data.map((b) => (
            <BookBalance key={b.bookId} book={b} />
          ))}
        </Scroll>
      </Leaf>
    </View>
  )
}

function BookBalance({ book }: { book: Book }) {
  const search = useScopeSearch()
  if (book.rows.length === 0) return <Nothing title={`${book.bookName} has no balances yet`} />
  return (
    <table className={`${entryTable} cells:h-6 heads:h-[30px]`} aria-label={`Trial balance of ${book.bookName}`}>
      <colgroup>
        <col />
        <col className="w-[112px]" />
        <col className="w-[112px]" />
      </colgroup>
      <thead>
        <tr>
          <th className="font-serif text-lead text-ink">{book.bookName}</th>
          <th className="text-right">Debit, {book.currency}</th>
          <th className="text-right">Credit, {book.currency}</th>
        </tr>
      </thead>
      <tbody>
        {CLASSES.map((c) => {
          const rows = book.rows.filter((r) => r.accountClass === c.of)
          const earlier = c.of === 'EQUITY' && (book.earlierDebit ?? book.earlierCredit)
          if (rows.length === 0 && !earlier) return null
          return (
            <Fragment key={c.of}>
              <tr>
                <th scope="rowgroup" colSpan={3} className="font-semibold">
                  {c.name}
                </th>
              </tr>
              {rows.map((r) => (
                <tr key={r.accountId}>
                  <td className="pl-3.5">
                    <Link className="hover:underline" to={`/accounts/${r.accountId}${search}`}>
                      {r.accountName}
                    </Link>{' '}
                    <span className="text-ink-3 text-small">{r.groupName}</span>
                  </td>
                  <td className="text-right">{r.debit && figure(r.debit)}</td>
                  <td className="text-right">{r.credit && figure(r.credit)}</td>
                </tr>
              ))}
              {earlier && (
                <tr>
                  <td className="pl-3.5">Result of earlier years</td>
                  <td className="text-right">{book.earlierDebit && figure(book.earlierDebit)}</td>
                  <td className="text-right">{book.earlierCredit && figure(book.earlierCredit)}</td>
                </tr>
              )}
            </Fragment>
          )
        })}
      </tbody>
      <tfoot>
        <tr className={sumRow}>
          <td>{book.balances ? 'debits equal credits' : <b className="text-aril">debits and credits differ</b>}</td>
          <td className="text-right">{figure(book.debit)}</td>
          <td className="text-right">{figure(book.credit)}</td>
        </tr>
      </tfoot>
    </table>
  )
}
