import { Flow } from '@/parts/Amount'
import { figure } from '@/parts/figures'
import { noteBox } from '@/parts/look'
import type { Option } from '@/parts/Select'
import { MappedTable } from './MappedTable'
import type { OpenQuestion } from './questions'
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
const SIGNS: Option<NonNullable<Layout['sign']>>[] = [
  { value: 'OUT_IS_NEGATIVE', name: 'with a minus' },
  { value: 'OUT_IS_POSITIVE', name: 'without a minus' },
]
const STANDINGS = { NEW: 'new', KNOWN: 'known', DOUBTFUL: 'doubtful' }
const FIGURES: Meaning[] = ['AMOUNT', 'OUT', 'IN', 'BALANCE']
const REQUIRED: Meaning[] = ['BOOKED_ON', 'AMOUNT', 'IN', 'OUT']

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

  return (
    <>
      <TableSentence source={preview.source} table={table} asks={asks} set={onLayout} signs={SIGNS} kind="line" />
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
      <MappedTable
        header={table.header}
        rows={table.rows}
        rowCount={table.rowCount}
        meanings={layout.meanings}
        options={MEANINGS}
        figures={FIGURES}
        required={REQUIRED}
        onMeaning={setMeaning}
        look={(row) =>
          preview.problem?.line === row.line
            ? 'wrong'
            : standing.get(row.line)?.standing === 'KNOWN'
              ? 'pale'
              : undefined
        }
        heads={
          <>
            <th className="bg-paper text-right">Amount</th>
            <th className="bg-paper">Line</th>
            {runs && <th className="bg-paper text-right">Runs on</th>}
          </>
        }
        behind={(row) => {
          const line = standing.get(row.line)
          const broken = breaks.get(row.line)
          return (
            <>
              <td className="bg-paper text-right">{line && <Flow amount={line.amount} />}</td>
              <td className={line?.standing === 'DOUBTFUL' ? 'bg-paper text-heartwood' : 'bg-paper'}>
                {others.has(row.line) ? 'no line' : line && STANDINGS[line.standing]}
              </td>
              {runs && (
                <td className={broken ? 'bg-paper text-right text-aril' : 'bg-paper text-right text-needle'}>
                  {broken ? figure(broken.apart) : others.has(row.line) ? '' : '='}
                </td>
              )}
            </>
          )
        }}
      />
    </>
  )
}
