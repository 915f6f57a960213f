import { Link } from 'react-router'
import { figure, shortMonth, writtenDay, yearOf } from '@/parts/figures'
import { entryTable } from '@/parts/look'
import type { ReportTableOf } from './reportAsked'

const inShort = (month: string) => `${shortMonth(month)} ${yearOf(month)}`

/** The bills that a report spreads: when they were booked, which months they serve, what of them is here. */
export function SpreadList({ table }: { table: ReportTableOf }) {
  if (table.spread.length === 0) return null
  return (
    <table className={`${entryTable} mt-4 w-full max-w-[860px]`} aria-label={`Bills spread for ${table.bookName}`}>
      <colgroup>
        <col className="w-[110px]" />
        <col />
        <col className="w-[190px]" />
        <col className="w-[110px]" />
        <col className="w-[110px]" />
      </colgroup>
      <thead>
        <tr>
          <th scope="col" className="text-left font-normal">
            Booked on
          </th>
          <th scope="col" className="text-left font-normal">
            Bill, spread
          </th>
          <th scope="col" className="text-left font-normal">
            Serves
          </th>
          <th scope="col" className="text-right font-normal">
            Amount
          </th>
          <th scope="col" className="text-right font-normal">
            Of it here
          </th>
        </tr>
      </thead>
      <tbody>
        {table.spread.map((bill) => (
          <tr key={`${bill.entryId} ${bill.accountId}`}>
            <td>{writtenDay(bill.date)}</td>
            <td>
              <Link
                className="hover:underline"
                to={`/journal?${new URLSearchParams({ every: '1', text: `no:${bill.no}` })}`}
              >
                {bill.payee}
              </Link>{' '}
              <span className="text-small text-ink-3">{bill.accountName}</span>
            </td>
            <td className="text-ink-2">
              {inShort(bill.first)} to {inShort(bill.last)}
            </td>
            <td className="text-right text-ink-2">{figure(bill.amount)}</td>
            <td className="text-right">{figure(bill.within)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
