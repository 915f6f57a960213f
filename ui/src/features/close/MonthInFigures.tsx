import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { figure, shortMonth } from '@/parts/figures'
import { entryTable, sumRow, textLink } from '@/parts/look'

/** What a book earned and spent in the month that is closed, beside the month before. */
export function MonthInFigures({ book }: { book: Schemas['BookToCloseJson'] }) {
  const { bookId, month } = book
  const report = useQuery({
    queryKey: ['report', 'closing', bookId, month],
    queryFn: () =>
      data(
        api.GET('/api/reports', {
          params: {
            query: { kind: 'INCOME_STATEMENT', span: 'MONTH', month, every: 'WHOLE', beside: 'BEFORE', book: bookId },
          },
        }),
      ),
  })
  const table = report.data?.tables[0]
  const rows = table?.rows.filter((row) => row.look === 'SUM' || row.look === 'TOTAL') ?? []
  if (!table || rows.length === 0) return null
  return (
    <section className="mb-3" aria-label="The month in figures">
      <table className={`${entryTable} w-full`}>
        <thead>
          <tr>
            <th scope="col" className="text-left">
              The month, {table.currency}
            </th>
            {table.columns.map((column) => (
              <th key={column.first} scope="col" className="text-right font-normal">
                {shortMonth(column.last)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.name} className={row.look === 'TOTAL' ? sumRow : ''}>
              <td>{row.name}</td>
              {row.amounts.map((amount, i) => (
                <td key={table.columns[i]?.first} className="text-right">
                  {figure(amount)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <Link className={textLink({ size: 'small' })} to={`/reports/income?month=${month}&book=${bookId}`}>
        By category
      </Link>
    </section>
  )
}
