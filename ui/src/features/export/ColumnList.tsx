import { Check } from '@/parts/Check'
import { Icon } from '@/parts/Icon'
import { box } from '@/parts/look'
import type { Column } from './export'

/** The columns of an export: which, in which order, and what they are called. */
export function ColumnList({
  columns,
  choices,
  onColumns,
}: {
  columns: Column[]
  /** All that there can be, as they are usually called. */
  choices: Column[]
  onColumns: (columns: Column[]) => void
}) {
  const left = choices.filter((c) => !columns.some((chosen) => chosen.column === c.column))
  const usual = (column: Column) => choices.find((c) => c.column === column.column)?.title ?? column.column
  const move = (from: number, by: number) => {
    const next = [...columns]
    const [moved] = next.splice(from, 1)
    if (moved) next.splice(from + by, 0, moved)
    onColumns(next)
  }
  return (
    <fieldset className="min-w-0">
      <legend className="mb-1 text-small text-ink-2">Columns, in their order</legend>
      <ol className="flex flex-col">
        {columns.map((column, i) => (
          <li key={column.column} className="flex items-center gap-2 border-hairline border-t py-[3px]">
            <Check
              checked
              aria-label={`With ${usual(column)}`}
              onChange={() => onColumns(columns.filter((c) => c.column !== column.column))}
            />
            <span className="w-[84px] flex-none truncate text-small">{usual(column)}</span>
            <input
              className={box({ size: 'line', className: 'min-w-0 flex-1' })}
              aria-label={`What ${usual(column)} is called`}
              value={column.title}
              maxLength={80}
              onChange={(event) =>
                onColumns(columns.map((c, at) => (at === i ? { ...c, title: event.target.value } : c)))
              }
            />
            <Move label={`${usual(column)} further up`} off={i === 0} turned onClick={() => move(i, -1)} />
            <Move label={`${usual(column)} further down`} off={i === columns.length - 1} onClick={() => move(i, 1)} />
          </li>
        ))}
        {left.map((column) => (
          <li key={column.column} className="flex items-center gap-2 border-hairline border-t py-[3px] text-ink-2">
            <Check
              checked={false}
              aria-label={`With ${column.title}`}
              onChange={() => onColumns([...columns, column])}
            />
            <span className="text-small">{column.title}</span>
          </li>
        ))}
      </ol>
    </fieldset>
  )
}

function Move({
  label,
  off,
  turned = false,
  onClick,
}: {
  label: string
  off: boolean
  turned?: boolean
  onClick: () => void
}) {
  return (
    <button
      type="button"
      aria-label={label}
      disabled={off}
      className={`flex size-6 flex-none items-center justify-center rounded text-ink-2 hover:text-ink disabled:opacity-30 ${turned ? 'rotate-180' : ''}`}
      onClick={onClick}
    >
      <Icon name="down" size={11} />
    </button>
  )
}
