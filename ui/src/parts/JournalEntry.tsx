import { Fragment } from 'react'
import type { Schemas } from '@/api/client'
import { entryTable, sumRow } from '@/parts/look'
import { figure } from './figures'

type OfBook = Schemas['BookPostingsJson']

/** An entry as books show it: debits, then credits indented, footed by what both sides make. */
export function JournalEntry({ title, books, between }: { title: string; books: OfBook[]; between?: string }) {
  return (
    <>
      <table className={entryTable}>
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
            <th className="text-right">Debit</th>
            <th className="text-right">Credit</th>
          </tr>
        </thead>
        {books.map((book) => (
          <Fragment key={book.bookId}>
            <tbody>
              {books.length > 1 && (
                <tr>
                  <th scope="rowgroup" colSpan={3} className="h-7 font-serif text-[14px] text-ink">
                    {book.bookName}
                  </th>
                </tr>
              )}
              {book.postings.map((p, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: two postings of an entry may be alike in all but their place
                <tr key={i} className={p.betweenBooks ? '[&>td]:text-ink-2 [&>td]:italic' : undefined}>
                  <td className={p.credit ? 'pl-4' : undefined}>
                    {p.accountName} {p.note && <span className="text-ink-3">{p.note}</span>}
                    {p.own && (
                      <span className="text-ink-3 text-small block">
                        {p.ownCurrency} {figure(p.own)}
                      </span>
                    )}
                  </td>
                  <td className="text-right">{p.debit && figure(p.debit)}</td>
                  <td className="text-right">{p.credit && figure(p.credit)}</td>
                </tr>
              ))}
              <tr className={sumRow}>
                <td>balances, {book.currency}</td>
                <td className="text-right">{figure(book.total)}</td>
                <td className="text-right">{figure(book.total)}</td>
              </tr>
            </tbody>
          </Fragment>
        ))}
      </table>
      {between && <p className="text-ink-2 text-small pt-2">{between}</p>}
    </>
  )
}
