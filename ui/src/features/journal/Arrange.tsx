import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data, messageOf } from '@/api/client'
import { Button } from '@/parts/Button'
import { Check } from '@/parts/Check'
import { Dialog } from '@/parts/Dialog'
import { textLink } from '@/parts/look'
import { Select } from '@/parts/Select'
import { Acts, Said } from '@/parts/View'
import { JOURNAL_COLUMNS, ownColumns, sortedBy, USUAL_COLUMNS } from './columns'

/** Which columns the journal has, in which order, and what it is sorted by. */
export function Arrange({
  order,
  onOrder,
  onClose,
}: {
  order: string
  onOrder: (order: string) => void
  onClose: () => void
}) {
  const client = useQueryClient()
  const { data: own } = useQuery(ownColumns)
  const shown = own?.columns.length ? own.columns : USUAL_COLUMNS
  const [problem, setProblem] = useState('')
  const by = sortedBy(order)
  const rows = [
    ...shown.flatMap((name) => JOURNAL_COLUMNS.find((c) => c.name === name) ?? []),
    ...JOURNAL_COLUMNS.filter((c) => !shown.includes(c.name)),
  ]

  async function choose(columns: string[]) {
    client.setQueryData(ownColumns.queryKey, { columns })
    try {
      await data(api.PUT('/api/journal/columns', { body: { columns } }))
    } catch (error) {
      setProblem(messageOf(error))
      await client.invalidateQueries({ queryKey: ownColumns.queryKey })
    }
  }
  function move(name: string, by: number) {
    const at = shown.indexOf(name)
    const next = shown.filter((n) => n !== name)
    next.splice(at + by, 0, name)
    void choose(next)
  }
  return (
    <Dialog title="Columns and order" open onClose={onClose}>
      <Said title="Columns and order">
        <div className="mb-3 flex items-center gap-2">
          <span className="text-ink-2">Sorted by</span>
          <Select
            aria-label="Sorted by"
            value={by.name}
            options={JOURNAL_COLUMNS.map((c) => ({ value: c.name, name: c.head.toLowerCase() }))}
            onChange={(name) => onOrder((by.descending ? '-' : '') + name)}
          />
          <Select
            aria-label="Direction"
            value={by.descending ? '-' : ''}
            options={[
              { value: '', name: by.name === 'date' ? 'oldest first' : 'smallest first' },
              { value: '-', name: by.name === 'date' ? 'newest first' : 'greatest first' },
            ]}
            onChange={(sign) => onOrder(sign + by.name)}
          />
        </div>
        {problem && <p role="alert">{problem}</p>}
        <ul aria-label="Columns">
          {rows.map((column) => {
            const at = shown.indexOf(column.name)
            const id = `column-${column.name}`
            return (
              <li key={column.name} className="flex h-7 items-center gap-2 border-b border-hairline">
                <Check
                  id={id}
                  checked={at >= 0}
                  disabled={at >= 0 && shown.length === 1}
                  onChange={(on) => void choose(on ? [...shown, column.name] : shown.filter((n) => n !== column.name))}
                />
                <label htmlFor={id} className="flex-1">
                  {column.head}
                </label>
                {at > 0 && (
                  <button
                    type="button"
                    className={textLink({ size: 'small' })}
                    aria-label={`earlier: ${column.head}`}
                    onClick={() => move(column.name, -1)}
                  >
                    earlier
                  </button>
                )}
                {at >= 0 && at < shown.length - 1 && (
                  <button
                    type="button"
                    className={textLink({ size: 'small' })}
                    aria-label={`later: ${column.head}`}
                    onClick={() => move(column.name, 1)}
                  >
                    later
                  </button>
                )}
              </li>
            )
          })}
        </ul>
        <Acts>
          <Button tone="go" onClick={onClose}>
            Done <kbd>Esc</kbd>
          </Button>
          <Button onClick={() => void choose([])}>The usual ones</Button>
        </Acts>
      </Said>
    </Dialog>
  )
}
