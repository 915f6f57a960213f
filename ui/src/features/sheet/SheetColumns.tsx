import { MappedTable } from '@/features/gather/MappedTable'
import { openQuestions, relaid } from '@/features/gather/questions'
import { TableSentence } from '@/features/gather/TableSentence'
import { Flow } from '@/parts/Amount'
import { isPositive } from '@/parts/figures'
import { noteBox } from '@/parts/look'
import type { Option } from '@/parts/Select'
import type { Column, Layout, Preview, Settled } from './sheet'

const MEANINGS: Option<Column>[] = [
  { value: 'IGNORE', name: 'Ignore' },
  { value: 'DATE', name: 'Date' },
  { value: 'PAYEE', name: 'Payee' },
  { value: 'CATEGORY', name: 'Category' },
  { value: 'AMOUNT', name: 'Amount' },
  { value: 'OUT', name: 'Out' },
  { value: 'IN', name: 'In' },
  { value: 'CURRENCY', name: 'Currency' },
  { value: 'ACCOUNT', name: 'Account' },
  { value: 'TAX', name: 'Tax' },
  { value: 'NOTE', name: 'Note' },
  { value: 'TAGS', name: 'Tags' },
]
const FIGURES: Column[] = ['AMOUNT', 'OUT', 'IN']
const REQUIRED: Column[] = ['DATE', 'AMOUNT', 'OUT', 'IN']
const SIGNS: Option<NonNullable<Layout['sign']>>[] = [
  { value: 'BY_CATEGORY', name: 'by its category' },
  { value: 'OUT_IS_NEGATIVE', name: 'with a minus' },
  { value: 'OUT_IS_POSITIVE', name: 'without a minus' },
]

/** What the columns of a sheet mean, and what each row becomes. */
export function SheetColumns({
  preview,
  settled,
  onSettle,
}: {
  preview: Preview
  settled: Settled
  onSettle: (to: Partial<Settled>) => void
}) {
  const { table } = preview
  const set = (to: Partial<Layout>) => onSettle(relaid(settled, table, to))
  const entries = new Map(preview.entries.map((e) => [e.line, e]))
  const wrong = new Set([preview.problem?.line, ...preview.problems.map((p) => p.line)])
  const others = new Set(table.others.map((r) => r.line))
  return (
    <>
      <TableSentence
        source={preview.source}
        table={table}
        asks={openQuestions(settled, table)}
        set={set}
        signs={SIGNS}
        kind="entry"
      />
      {preview.problem && (
        <div className="px-6 pb-3">
          <p className={noteBox({ tone: 'bad' })} role="alert">
            {preview.problem.line && `Line ${preview.problem.line}: `}
            {preview.problem.reason} Set the columns right, or mend the sheet.
          </p>
        </div>
      )}
      <MappedTable
        header={table.header}
        rows={table.rows}
        rowCount={table.rowCount}
        meanings={table.layout.meanings}
        options={MEANINGS}
        figures={FIGURES}
        required={REQUIRED}
        onMeaning={(column, meaning) =>
          set({ meanings: table.layout.meanings.map((m, i) => (i === column ? meaning : m)) })
        }
        look={(row) => (wrong.has(row.line) ? 'wrong' : others.has(row.line) ? 'pale' : undefined)}
        heads={
          <>
            <th className="bg-paper text-right">Amount</th>
            <th className="bg-paper">Becomes</th>
          </>
        }
        behind={(row) => {
          const entry = entries.get(row.line)
          return (
            <>
              <td className="bg-paper text-right">{entry && <Flow amount={entry.amount} />}</td>
              <td
                className={isDouble(entry) ? 'bg-paper text-heartwood' : 'bg-paper'}
                title={entry && `${entry.payee}: ${entry.account}, ${entry.category}`}
              >
                {entry
                  ? becomes(entry, settled)
                  : others.has(row.line)
                    ? 'no entry'
                    : wrong.has(row.line)
                      ? 'cannot come in'
                      : ''}
              </td>
            </>
          )
        }}
      />
    </>
  )
}

type Becomes = Preview['entries'][number]

const isDouble = (entry: Becomes | undefined) => entry !== undefined && (entry.alike || entry.twin)

/** What a row becomes, in few words. */
function becomes(entry: Becomes, { alike, twins }: Settled): string {
  if ((entry.alike && alike === 'LEAVE_OUT') || (entry.twin && twins === 'LEAVE_OUT')) return 'left out'
  if (entry.alike && !alike) return 'here already?'
  if (entry.twin && !twins) return 'told twice?'
  return isPositive(entry.amount) ? `${entry.category} › ${entry.account}` : `${entry.account} › ${entry.category}`
}
