import { useQuery } from '@tanstack/react-query'
import { Fragment } from 'react'
import { Link } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { useScope, useScopeSearch } from '@/app/scope'
import { figure, lastDay, longDay } from '@/parts/figures'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import './report.css'

type Book = Schemas['TrialBalanceJson']

const CLASSES = [
  { of: 'ASSET', name: 'Assets' },
  { of: 'LIABILITY', name: 'Liabilities' },
  { of: 'EQUITY', name: 'Equity' },
  { of: 'INCOME', name: 'Income' },
  { of: 'EXPENSE', name: 'Expenses' },
] as const

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
    <main tabIndex={-1}>
      <section className="sheet">
        <div className="head">
          <h1>Trial balance</h1>
          <span className="q">at the end of {longDay(on)}</span>
        </div>
        <Scroll className="trial" label="Trial balances">
          {trial.data.map((b) => (
            <BookBalance key={b.bookId} book={b} />
          ))}
        </Scroll>
      </section>
    </main>
  )
}

function BookBalance({ book }: { book: Book }) {
  const search = useScopeSearch()
  if (book.rows.length === 0) return <Nothing title={`${book.bookName} has no balances yet`} />
  return (
    <table className="entry" aria-label={`Trial balance of ${book.bookName}`}>
      <colgroup>
        <col />
        <col className="w-[112px]" />
        <col className="w-[112px]" />
      </colgroup>
      <thead>
        <tr>
          <th className="serif book">{book.bookName}</th>
          <th className="n">Debit, {book.currency}</th>
          <th className="n">Credit, {book.currency}</th>
        </tr>
      </thead>
      <tbody>
        {CLASSES.map((c) => {
          const rows = book.rows.filter((r) => r.accountClass === c.of)
          if (rows.length === 0) return null
          return (
            <Fragment key={c.of}>
              <tr>
                <th scope="rowgroup" colSpan={3} className="b">
                  {c.name}
                </th>
              </tr>
              {rows.map((r) => (
                <tr key={r.accountId}>
                  <td className="account">
                    <Link className="hover:underline" to={`/accounts/${r.accountId}${search}`}>
                      {r.accountName}
                    </Link>{' '}
                    <span className="qq s">{r.groupName}</span>
                  </td>
                  <td className="n">{r.debit && figure(r.debit)}</td>
                  <td className="n">{r.credit && figure(r.credit)}</td>
                </tr>
              ))}
            </Fragment>
          )
        })}
      </tbody>
      <tfoot>
        <tr>
          <td>{book.balances ? 'debits equal credits' : <b className="apart">debits and credits differ</b>}</td>
          <td className="n">{figure(book.debit)}</td>
          <td className="n">{figure(book.credit)}</td>
        </tr>
      </tfoot>
    </table>
  )
}
