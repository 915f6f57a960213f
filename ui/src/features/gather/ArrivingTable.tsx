import type { UseQueryResult } from '@tanstack/react-query'
import { useQuery } from '@tanstack/react-query'
import { accounts } from '@/api/queries'
import { day } from '@/parts/figures'
import { type Column, Grid } from '@/parts/grid/Grid'
import { Scroll } from '@/parts/Scroll'
import type { Selection } from '@/parts/useSelection'
import { type Arrival, isReady, makesStatement } from './arrivals'
import { type Part, type Preview, SOURCES } from './types'

/** One account of a file on its way in; a file that is still read, or cannot be, has one row. */
export interface ArrivingRow {
  key: string
  arrival: Arrival
  query: UseQueryResult<Preview> | undefined
  preview: Preview | undefined
  part: Part | undefined
}

const COLUMNS: Column[] = [
  { head: 'File' },
  { head: 'Kind', width: 'w-[60px]' },
  { head: 'Goes to' },
  { head: 'Days', width: 'w-[130px]' },
  { head: 'New', width: 'w-[54px]', end: true },
  { head: 'Known', width: 'w-[60px]', end: true },
  { head: 'Doubtful', width: 'w-[70px]', end: true },
  { head: 'Statement', width: 'w-[120px]' },
]

/** All files on their way in, a row for each account in them. */
export function ArrivingTable({
  rows,
  failures,
  selection,
}: {
  rows: ArrivingRow[]
  failures: Record<string, string>
  selection: Selection
}) {
  return (
    <Scroll grid label="Files" className="max-h-[40%] flex-none border-b border-hairline-2">
      <Grid
        label="Files to take in"
        size="dense"
        columns={COLUMNS}
        items={rows.map((row) => ({ key: row.key, row }))}
        selection={selection}
        cells={(row) => <Cells row={row} failed={failures[row.arrival.key] !== undefined} />}
      />
    </Scroll>
  )
}

function Cells({ row: { arrival, query, preview, part }, failed }: { row: ArrivingRow; failed: boolean }) {
  const { data: all = [] } = useQuery(accounts)
  const goesTo = all.find((a) => a.id === (part?.accountId ?? preview?.routedTo))?.name
  return (
    <>
      <td>{arrival.file.name}</td>
      <td className="text-ink-2">{preview ? SOURCES[preview.source] : ''}</td>
      <td>
        {query?.error || failed ? (
          <span className="text-aril">cannot be read</span>
        ) : (
          (goesTo ?? <span className="text-heartwood">choose the account</span>)
        )}
      </td>
      <td className="text-ink-2">
        {part?.firstDay && part.lastDay && `${day(part.firstDay)} to ${day(part.lastDay)}`}
      </td>
      <td className="text-right">{part?.newLines}</td>
      <td className="text-right text-ink-2">{part?.knownLines}</td>
      <td className={part?.doubtfulLines ? 'text-right text-heartwood' : 'text-right text-ink-2'}>
        {part?.doubtfulLines}
      </td>
      <td className="text-ink-2">
        {part && makesStatement(arrival, part) && part.closing
          ? day(part.closing.on)
          : isReady(arrival, preview)
            ? 'none'
            : ''}
      </td>
    </>
  )
}
