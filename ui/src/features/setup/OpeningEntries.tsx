import type { Schemas } from '@/api/client'
import { figure } from '@/parts/figures'

/** The opening entries of all books, each balanced by its opening equity. */
export function OpeningEntries({ openings }: { openings: Schemas['OpeningEntryJson'][] }) {
  return openings.map((entry) => (
    <table className="entry mb-4" key={entry.bookName} aria-label={`Opening entry of ${entry.bookName}`}>
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
          <th className="n">Debit</th>
          <th className="n">Credit</th>
        </tr>
      </thead>
      <tbody>
        {entry.rows.length === 0 && (
          <tr>
            <td colSpan={3} className="q">
              nothing yet
            </td>
          </tr>
        )}
        {entry.rows.map((row) => (
          <tr key={row.name} className={row.name === 'Opening equity' ? 'added' : undefined}>
            <td className={row.credit ? 'cr whitespace-normal' : 'whitespace-normal'}>{row.name}</td>
            <td className="n">{row.debit && figure(row.debit)}</td>
            <td className="n">{row.credit && figure(row.credit)}</td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <td>balances, {entry.currency}</td>
          <td className="n">{figure(entry.total)}</td>
          <td className="n">{figure(entry.total)}</td>
        </tr>
      </tfoot>
    </table>
  ))
}
