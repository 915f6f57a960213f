import { Fragment } from 'react'
import type { Schemas } from '@/api/client'
import { figure } from './figures'

type OfBook = Schemas['BookPostingsJson']

/** An entry as books show it: debits, then credits indented, footed by what both sides make. */
export function JournalEntry({ title, books, between }: { title: string; books: OfBook[]; between?: string }) {
  return (
    <>
      <table className="entry">
        <colgroup>
          <col />
          <col className="w-[82px]" />
          <col className="w-[82px]" />
        </colgroup>
        <thead>
          <tr>
            <th>
              <b>{title}</b>
            </th>
            <th className="n">Debit</th>
            <th className="n">Credit</th>
          </tr>
        </thead>
        {books.map((book) => (
          <Fragment key={book.bookId}>
            <tbody>
              {books.length > 1 && (
                <tr>
                  <th scope="rowgroup" colSpan={3} className="serif book">
                    {book.bookName}
                  </th>
                </tr>
              )}
              {book.postings.map((p, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: two postings of an entry may be alike in all but their place
                <tr key={i} className={p.betweenBooks ? 'added' : undefined}>
                  <td className={p.credit ? 'cr' : undefined}>
                    {p.accountName} {p.note && <span className="qq">{p.note}</span>}
                    {p.own && (
                      <span className="qq s block">
                        {p.ownCurrency} {figure(p.own)}
                      </span>
                    )}
                  </td>
                  <td className="n">{p.debit && figure(p.debit)}</td>
                  <td className="n">{p.credit && figure(p.credit)}</td>
                </tr>
              ))}
              <tr className="sums">
                <td>balances, {book.currency}</td>
                <td className="n">{figure(book.total)}</td>
                <td className="n">{figure(book.total)}</td>
              </tr>
            </tbody>
          </Fragment>
        ))}
      </table>
      {between && <p className="q s pt-2">{between}</p>}
    </>
  )
}
