import type { ReactNode } from 'react'
import { hatched, ruled } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { type Option, Select } from '@/parts/Select'

export interface MappedRow {
  line: number
  cells: string[]
}

const WRONG = '[&>td]:bg-aril-tint [&>td]:text-aril'

/** The rows of a file, with what each column means to be chosen above it, and what becomes of each row behind it. */
export function MappedTable<M extends string>({
  header,
  rows,
  rowCount,
  meanings,
  options,
  figures,
  required,
  onMeaning,
  heads,
  look,
  behind,
}: {
  header: string[]
  rows: MappedRow[]
  rowCount: number
  meanings: M[]
  options: Option<M>[]
  /** Which meanings are figures. */
  figures: M[]
  /** Which meanings a file cannot do without. */
  required: M[]
  onMeaning: (column: number, meaning: M) => void
  /** The names of the columns behind those of the file. */
  heads: ReactNode
  look: (row: MappedRow) => 'wrong' | 'pale' | undefined
  behind: (row: MappedRow) => ReactNode
}) {
  const isOff = (column: number) => (meanings[column] ?? 'IGNORE') === 'IGNORE'
  const isFigure = (column: number) => figures.some((m) => m === meanings[column])
  return (
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
            {header.map((name, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: columns are told apart by their place
              <th key={i} className={isFigure(i) ? 'text-right' : undefined}>
                <Select
                  word={isOff(i) ? 'off' : 'plain'}
                  className={`mb-1 px-0.5 ${isOff(i) ? 'shadow-[inset_0_0_0_1px_var(--hairline-2)]' : ''}`}
                  aria-label={`Meaning of ${name}`}
                  value={meanings[i] ?? ('IGNORE' as M)}
                  options={options}
                  onChange={(meaning) => onMeaning(i, meaning)}
                />
                <span className="block">
                  {name}
                  {required.some((m) => m === meanings[i]) && (
                    <span className="text-heartwood" title="required">
                      {' '}
                      •<span className="sr-only">required</span>
                    </span>
                  )}
                </span>
              </th>
            ))}
            {heads}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const how = look(row)
            return (
              <tr key={row.line} className={how === 'wrong' ? WRONG : how === 'pale' ? '[&>td]:text-ink-3' : undefined}>
                <td className="text-ink-2">{row.line}</td>
                {row.cells.map((cell, i) => (
                  <td
                    // biome-ignore lint/suspicious/noArrayIndexKey: columns are told apart by their place
                    key={i}
                    className={isOff(i) ? `text-ink-3 ${hatched}` : isFigure(i) ? 'text-right' : undefined}
                    title={cell}
                  >
                    {cell}
                  </td>
                ))}
                {behind(row)}
              </tr>
            )
          })}
        </tbody>
      </table>
      {rowCount > rows.length && (
        <p className="text-ink-2 px-6 py-2">and {rowCount - rows.length} more rows, read the same way</p>
      )}
    </Scroll>
  )
}
