import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { api, data } from '@/api/client'
import { entryTable, textLink } from '@/parts/look'
import { Failed, Loading } from '@/parts/States'
import type { queryOf, ReportTableOf } from './reportAsked'

type Query = ReturnType<typeof queryOf>

/** How many entries of each line of a tax form have a receipt, and a line's receipts as one document. */
export function TaxFormReceipts({ table, query }: { table: ReportTableOf; query: Query }) {
  const { kind: _, ...span } = query
  const receipts = useQuery({
    queryKey: ['tax-form-receipts', span],
    queryFn: () => data(api.GET('/api/tax-form-receipts', { params: { query: span } })),
  })
  if (receipts.error) return <Failed error={receipts.error} retry={receipts.refetch} />
  if (!receipts.data) return <Loading what="the receipts" />
  const lines = receipts.data.filter((line) => line.bookId === table.bookId)
  return (
    <section className="mt-5 max-w-[860px]" aria-label={`Receipts of ${table.bookName}`}>
      <h2 className="font-serif text-lead">Receipts</h2>
      <table className={`${entryTable} w-full`} aria-label={`Receipts of ${table.bookName}`}>
        <colgroup>
          <col />
          <col className="w-[90px]" />
          <col className="w-[110px]" />
          <col className="w-[130px]" />
          <col className="w-[180px]" />
        </colgroup>
        <thead>
          <tr>
            <th scope="col" className="text-left font-normal">
              Line
            </th>
            {['Entries', 'With a receipt', 'Without'].map((head) => (
              <th key={head} scope="col" className="text-right font-normal">
                {head}
              </th>
            ))}
            <th scope="col" className="text-right font-normal">
              As one document
            </th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <tr key={`${line.of} ${line.line}`}>
              <td>{line.line}</td>
              <td className="text-right">{line.entries}</td>
              <td className="text-right">{line.withReceipt}</td>
              <td className="text-right">
                {line.entries === line.withReceipt ? (
                  <span className="text-ink-3">–</span>
                ) : (
                  <Link
                    className={textLink()}
                    to={`/journal?${new URLSearchParams({ every: '1', text: line.without })}`}
                  >
                    {line.entries - line.withReceipt}
                    <span className="sr-only"> entries of {line.line} without a receipt</span>
                  </Link>
                )}
              </td>
              <td className="text-right">
                {line.entries === 0 ? (
                  <span className="text-ink-3">–</span>
                ) : (
                  <a
                    className={textLink()}
                    download
                    href={`/api/tax-form-receipts/paper?${new URLSearchParams({
                      ...(span as Record<string, string>),
                      book: line.bookId,
                      of: line.of,
                      line: line.line,
                    })}`}
                  >
                    {line.files === 0 ? 'List' : line.files === 1 ? 'List and 1 file' : `List and ${line.files} files`}
                    <span className="sr-only"> of {line.line} as PDF</span>
                  </a>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
