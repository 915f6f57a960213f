import { figure } from '@/parts/figures'
import { Scroll } from '@/parts/Scroll'
import type { Layout, Meaning, Preview, Table } from './types'

const MEANINGS: { value: Meaning; label: string }[] = [
  { value: 'IGNORE', label: 'Ignore' },
  { value: 'BOOKED_ON', label: 'Date' },
  { value: 'VALUE_ON', label: 'Value date' },
  { value: 'MEMO', label: 'Text' },
  { value: 'PAYEE', label: 'Payee' },
  { value: 'REFERENCE', label: 'Reference' },
  { value: 'AMOUNT', label: 'Amount' },
  { value: 'OUT', label: 'Out' },
  { value: 'IN', label: 'In' },
  { value: 'BALANCE', label: 'Balance' },
]
const FIGURES: Meaning[] = ['AMOUNT', 'OUT', 'IN', 'BALANCE']
const SEPARATORS: Record<string, string> = { ';': 'semicolons', ',': 'commas', '\t': 'tabs', '|': 'bars' }

/** A table of unknown layout: what was detected as one sentence with picks, a meaning at each column. */
export function TableMapping({
  preview,
  table,
  onLayout,
}: {
  preview: Preview
  table: Table
  onLayout: (layout: Layout) => void
}) {
  const layout = table.layout
  const set = (to: Partial<Layout>) => onLayout({ ...layout, ...to })
  const setMeaning = (column: number, meaning: Meaning) =>
    set({ meanings: layout.meanings.map((m, i) => (i === column ? meaning : m)) })
  const standing = new Map(preview.lines.map((l) => [l.sourceLine, l]))

  return (
    <>
      <p className="sentence px-6">
        Read as <b className="font-medium">{table.encoding}</b>, parted by{' '}
        <b className="font-medium">{SEPARATORS[table.separator]}</b>, names in line {table.headerLine}, amounts with a{' '}
        <select
          className="pick"
          aria-label="Decimal mark"
          value={layout.decimalMark}
          onChange={(e) => set({ decimalMark: e.target.value as Layout['decimalMark'] })}
        >
          <option value="COMMA">decimal comma</option>
          <option value="POINT">decimal point</option>
        </select>
        , dates as{' '}
        <select
          className="pick"
          aria-label="Date order"
          value={layout.dateOrder}
          onChange={(e) => set({ dateOrder: e.target.value as Layout['dateOrder'] })}
        >
          <option value="DAY_MONTH_YEAR">day month year</option>
          <option value="MONTH_DAY_YEAR">month day year</option>
          <option value="YEAR_MONTH_DAY">year month day</option>
        </select>
        {table.dateOrderCertain ? (
          <>
            , which {table.dateEvidence} in line {table.dateEvidenceLine} settles.
          </>
        ) : (
          <span className="wait">; nothing in the file settles it, so check.</span>
        )}
      </p>
      {preview.problem && (
        <div className="px-6 pb-3">
          <p className="note-error" role="alert">
            {preview.problem.line && `Line ${preview.problem.line}`}
            {preview.problem.field && `, ${preview.problem.field}`}
            {preview.problem.line && ': '}
            {preview.problem.reason} Set the columns right, or mend the file.
          </p>
        </div>
      )}
      <Scroll label="The file">
        <table className="tb dense mapping" aria-label="Rows of the file">
          <thead>
            <tr>
              <th className="line-col">
                <span className="vh">Line of the file</span>
              </th>
              {table.header.map((name, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: columns are told apart by their place
                <th key={i} className={FIGURES.includes(layout.meanings[i] ?? 'IGNORE') ? 'n' : undefined}>
                  <select
                    className={layout.meanings[i] === 'IGNORE' ? 'pick ign' : 'pick'}
                    aria-label={`Meaning of ${name}`}
                    value={layout.meanings[i]}
                    onChange={(e) => setMeaning(i, e.target.value as Meaning)}
                  >
                    {MEANINGS.map((m) => (
                      <option key={m.value} value={m.value}>
                        {m.label}
                      </option>
                    ))}
                  </select>
                  <span className="block">{name}</span>
                </th>
              ))}
              <th className="n result-col">Amount</th>
              <th className="result-col">Line</th>
            </tr>
          </thead>
          <tbody>
            {table.rows.map((row) => {
              const line = standing.get(row.line)
              const wrong = preview.problem?.line === row.line
              return (
                <tr key={row.line} className={wrong ? 'wrong' : line?.standing === 'KNOWN' ? 'known' : undefined}>
                  <td className="q">{row.line}</td>
                  {row.cells.map((cell, i) => {
                    const meaning = layout.meanings[i] ?? 'IGNORE'
                    const look = meaning === 'IGNORE' ? 'ign' : FIGURES.includes(meaning) ? 'n' : undefined
                    return (
                      // biome-ignore lint/suspicious/noArrayIndexKey: columns are told apart by their place
                      <td key={i} className={look} title={cell}>
                        {cell}
                      </td>
                    )
                  })}
                  <td className="n chk">{line && figure(line.amount)}</td>
                  <td className="chk">{line && (line.standing === 'KNOWN' ? 'known' : 'new')}</td>
                </tr>
              )
            })}
          </tbody>
        </table>
        {table.rowCount > table.rows.length && (
          <p className="q px-6 py-2">and {table.rowCount - table.rows.length} more rows, read the same way</p>
        )}
      </Scroll>
    </>
  )
}
