import { Flow } from '@/parts/Amount'
import { figure } from '@/parts/figures'
import { hatched, noteBox, ruled } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Select } from '@/parts/Select'
import type { OpenQuestion } from './arrivals'
import { TableSentence } from './TableSentence'
import type { Layout, Meaning, Preview, Table } from './types'

const MEANINGS: { value: Meaning; name: string }[] = [
  { value: 'IGNORE', name: 'Ignore' },
  { value: 'BOOKED_ON', name: 'Date' },
  { value: 'VALUE_ON', name: 'Value date' },
  { value: 'MEMO', name: 'Text' },
  { value: 'PAYEE', name: 'Payee' },
  { value: 'REFERENCE', name: 'Reference' },
  { value: 'AMOUNT', name: 'Amount' },
  { value: 'MARK', name: 'Debit or credit' },
  { value: 'OUT', name: 'Out' },
  { value: 'IN', name: 'In' },
  { value: 'BALANCE', name: 'Balance' },
  { value: 'TYPE', name: 'Type' },
  { value: 'ACCOUNT', name: 'This account' },
  { value: 'CURRENCY', name: 'Currency' },
]
const STANDINGS = { NEW: 'new', KNOWN: 'known', DOUBTFUL: 'doubtful' }
const WRONG = '[&>td]:bg-aril-tint [&>td]:text-aril'
const FIGURES: Meaning[] = ['AMOUNT', 'OUT', 'IN', 'BALANCE']

/** A table of unknown layout: what was detected as one sentence with picks, a meaning at each column. */
export function TableMapping({
  preview,
  table,
  asks,
  onLayout,
}: {
  preview: Preview
  table: Table
  /** What the file does not settle and is still to be asked. */
  asks: OpenQuestion[]
  onLayout: (to: Partial<Layout>) => void
}) {
  const layout = table.layout
  const setMeaning = (column: number, meaning: Meaning) =>
    onLayout({ meanings: layout.meanings.map((m, i) => (i === column ? meaning : m)) })
  const standing = new Map(preview.parts.flatMap((p) => p.lines).map((l) => [l.sourceLine, l]))
  const breaks = new Map(table.breaks.map((b) => [b.line, b]))
  const others = new Set(table.others.map((r) => r.line))
  const runs = layout.meanings.includes('BALANCE') && preview.parts.length > 0
  const required = (m: Meaning) => m === 'BOOKED_ON' || m === 'AMOUNT' || m === 'IN' || m === 'OUT'

  return (
    <>
      <TableSentence preview={preview} table={table} asks={asks} set={onLayout} />
      {preview.problem && (
        <div className="px-6 pb-3">
          <p className={noteBox({ tone: 'bad' })} role="alert">
            {preview.problem.line && `Line ${preview.problem.line}`}
            {preview.problem.field && `, ${preview.problem.field}`}
            {preview.problem.line && ': '}
            {preview.problem.reason} Set the columns right, or mend the file.
          </p>
        </div>
      )}
      <Scroll label="The file">
        <table
          className={ruled({
            size: 'dense',
            className:
              'table-auto cells:max-w-[260px] cells:px-1.5 cells:text-[13px] heads:h-[54px] heads:pb-1 heads:align-bottom',
          })}
          aria-label="Rows of the file"
        >
          <thead>
            <tr>
              <th className="w-[60px]">
                <span className="sr-only">Line of the file</span>
              </th>
              {table.header.map((name, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: columns are told apart by their place
                <th key={i} className={FIGURES.includes(layout.meanings[i] ?? 'IGNORE') ? 'text-right' : undefined}>
                  <Select
                    word={layout.meanings[i] === 'IGNORE' ? 'off' : 'plain'}
                    className={`mb-1 px-0.5 ${layout.meanings[i] === 'IGNORE' ? 'shadow-[inset_0_0_0_1px_var(--hairline-2)]' : ''}`}
                    aria-label={`Meaning of ${name}`}
                    value={layout.meanings[i] ?? 'IGNORE'}
                    options={MEANINGS}
                    onChange={(meaning) => setMeaning(i, meaning)}
                  />
                  <span className="block">
                    {name}
                    {required(layout.meanings[i] ?? 'IGNORE') && (
                      <span className="text-heartwood" title="required">
                        {' '}
                        •<span className="sr-only">required</span>
                      </span>
                    )}
                  </span>
                </th>
              ))}
              <th className="bg-paper text-right">Amount</th>
              <th className="bg-paper">Line</th>
              {runs && <th className="bg-paper text-right">Runs on</th>}
            </tr>
          </thead>
          <tbody>
            {table.rows.map((row) => {
              const line = standing.get(row.line)
              const wrong = preview.problem?.line === row.line
              return (
                <tr
                  key={row.line}
                  className={wrong ? WRONG : line?.standing === 'KNOWN' ? '[&>td]:text-ink-3' : undefined}
                >
                  <td className="text-ink-2">{row.line}</td>
                  {row.cells.map((cell, i) => {
                    const meaning = layout.meanings[i] ?? 'IGNORE'
                    const look =
                      meaning === 'IGNORE'
                        ? `text-ink-3 ${hatched}`
                        : FIGURES.includes(meaning)
                          ? 'text-right'
                          : undefined
                    return (
                      // biome-ignore lint/suspicious/noArrayIndexKey: columns are told apart by their place
                      <td key={i} className={look} title={cell}>
                        {cell}
                      </td>
                    )
                  })}
                  <td className="bg-paper text-right">{line && <Flow amount={line.amount} />}</td>
                  <td className={line?.standing === 'DOUBTFUL' ? 'bg-paper text-heartwood' : 'bg-paper'}>
                    {others.has(row.line) ? 'no line' : line && STANDINGS[line.standing]}
                  </td>
                  {runs && (
                    <td
                      className={
                        breaks.has(row.line) ? 'bg-paper text-right text-aril' : 'bg-paper text-right text-needle'
                      }
                    >
                      {breaks.has(row.line)
                        ? figure(breaks.get(row.line)?.apart ?? '')
                        : others.has(row.line)
                          ? ''
                          : '='}
                    </td>
                  )}
                </tr>
              )
            })}
          </tbody>
        </table>
        {table.rowCount > table.rows.length && (
          <p className="text-ink-2 px-6 py-2">and {table.rowCount - table.rows.length} more rows, read the same way</p>
        )}
      </Scroll>
    </>
  )
}
