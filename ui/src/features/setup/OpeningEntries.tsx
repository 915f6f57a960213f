import type { Schemas } from '@/api/client'
import { figure } from '@/parts/figures'
import { entryTable, sumRow } from '@/parts/look'

/** The opening entries of all books, each balanced by its opening equity. */
export function OpeningEntries({ openings }: { openings: Schemas['OpeningEntryJson'][] }) {
  return openings.map((entry) => (
    <table className={`${entryTable} mb-4`} key={entry.bookName} aria-label={`Opening entry of ${entry.bookName}`}>
      <colgroup>
        <col />
        <col className="w-[92px]" />
        <col className="w-[92px]" />
      </colgroup>
      <thead>
        <tr>
          <th>
            <b>{entry.bookName || 'A book without a name'}</b>
          </th>
          <th className="text-right">Debit</th>
          <th className="text-right">Credit</th>
        </tr>
      </thead>
      <tbody>
        {entry.rows.length === 0 && (
          <tr>
            <td colSpan={3} className="text-ink-2">
              nothing yet
            </td>
          </tr>
        )}
        {entry.rows.map((row) => (
          <tr key={row.name} className={row.name === 'Opening equity' ? '[&>td]:text-ink-2 [&>td]:italic' : undefined}>
            <td className={row.credit ? 'pl-4 whitespace-normal' : 'whitespace-normal'}>{row.name}</td>
            <td className="text-right">{row.debit && figure(row.debit)}</td>
            <td className="text-right">{row.credit && figure(row.credit)}</td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr className={sumRow}>
          <td>balances, {entry.currency}</td>
          <td className="text-right">{figure(entry.total)}</td>
          <td className="text-right">{figure(entry.total)}</td>
        </tr>
      </tfoot>
    </table>
  ))
}
