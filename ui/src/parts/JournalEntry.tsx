import { figure } from './figures'

interface Line {
  accountId: string
  accountName: string
  debit?: string
  credit?: string
  note: string
}

/** An entry as books show it: debits, then credits indented, footed by what both sides make. */
export function JournalEntry({
  title,
  postings,
  total,
  currency,
}: {
  title: string
  postings: Line[]
  total: string
  currency: string
}) {
  return (
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
      <tbody>
        {postings.map((p, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: two postings of an entry may be alike in all but their place
          <tr key={i}>
            <td className={p.credit ? 'cr' : undefined}>
              {p.accountName} {p.note && <span className="qq">{p.note}</span>}
            </td>
            <td className="n">{p.debit && figure(p.debit)}</td>
            <td className="n">{p.credit && figure(p.credit)}</td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <td>balances, {currency}</td>
          <td className="n">{figure(total)}</td>
          <td className="n">{figure(total)}</td>
        </tr>
      </tfoot>
    </table>
  )
}
