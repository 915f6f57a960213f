import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '@/api/client'
import { books, booksChanged } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { Dialog } from '@/parts/Dialog'
import { counted, day, figure, moment, monthName } from '@/parts/figures'
import { type Column, Grid, type RowState } from '@/parts/grid/Grid'
import { textLink } from '@/parts/look'
import { Nothing } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { Said } from '@/parts/View'
import { type Batch, type Gathered, SOURCES } from './types'

/** What came in, file by file and sync by sync, each of which can be taken back. */
export function Batches({ gathered, month }: { gathered: Gathered; month: string }) {
  const { data: allBooks = [] } = useQuery(books)
  const [asked, setAsked] = useState<Batch>()
  const selection = useSelection(
    gathered.batches.map((b) => b.id),
    'batch',
  )
  const batch = gathered.batches.find((b) => b.id === selection.selected)
  useCommands(
    batch && !stays(batch)
      ? [
          {
            keys: ['Delete'],
            label: 'Take the batch back',
            changes: true,
            strip: 'take batch back',
            onRow: true,
            run: () => setAsked(batch),
          },
        ]
      : [],
  )
  if (gathered.batches.length === 0) {
    return (
      <Nothing title={`Nothing of ${monthName(month)} was gathered yet`}>
        <p>
          Ask {allBooks.length > 1 ? 'the banks of both books' : 'your bank'} for the month as OFX, camt, MT940, CSV or
          XLSX, and drop the files here.
        </p>
      </Nothing>
    )
  }
  return (
    <>
      <h2 className="px-(--edge) pt-[18px] pb-1.5 text-lead">Batches of {monthName(month)}</h2>
      <Grid
        label={`Batches of ${monthName(month)}`}
        size="dense"
        columns={COLUMNS}
        items={gathered.batches.map((row) => ({ key: row.id, row }))}
        selection={selection}
        cells={(batch, state) => <BatchCells batch={batch} state={state} onAsk={() => setAsked(batch)} />}
      />
      {asked && <TakeBack batch={asked} onClose={() => setAsked(undefined)} />}
    </>
  )
}

const WIDE_ONLY = 'max-[1300px]:hidden'
const COLUMNS: Column[] = [
  { head: 'Batch', width: 'w-[74px]' },
  { head: 'When', width: 'w-[104px]' },
  { head: 'By', width: 'w-[74px]' },
  { head: 'From' },
  { head: 'Account' },
  { head: 'Days', width: 'w-[124px]' },
  { head: 'Balances', width: 'w-[150px]', end: true, off: WIDE_ONLY },
  { head: 'New', width: 'w-[56px]', end: true },
  { head: 'Known', width: 'w-[64px]', end: true },
  { head: 'Doubtful', width: 'w-[76px]', end: true },
  { head: <span className="sr-only">Take back</span>, width: 'w-[120px]' },
]

function BatchCells({ batch: b, state, onAsk }: { batch: Batch; state: RowState; onAsk: () => void }) {
  return (
    <>
      <td className={b.takenBack ? 'text-ink-3' : 'font-medium'}>{b.no}</td>
      <td className="text-ink-2">{moment(b.gatheredAt)}</td>
      <td className="text-ink-2">{SOURCES[b.source]}</td>
      <td className={b.takenBack ? 'text-ink-3' : undefined}>{b.sourceName}</td>
      <td className="text-ink-2">{b.accountName}</td>
      <td className="text-ink-2">{b.firstDay && b.lastDay && `${day(b.firstDay)} to ${day(b.lastDay)}`}</td>
      <td className={`text-right text-ink-2 ${WIDE_ONLY}`}>
        {b.closing && `${b.opening ? `${figure(b.opening)} to ` : ''}${figure(b.closing)}`}
      </td>
      <td className="text-right">{b.newLines}</td>
      <td className="text-right text-ink-2">{b.knownLines}</td>
      <td className={`text-right ${b.doubtfulLines && !b.takenBack ? 'text-heartwood' : 'text-ink-2'}`}>
        {b.doubtfulLines}
      </td>
      <td className="text-right">
        {stays(b) ? (
          <span className="text-small text-ink-2">{stays(b)}</span>
        ) : (
          <MayChange>
            <button
              type="button"
              tabIndex={state.tabIndex}
              className={textLink({ size: 'small' })}
              onClick={onAsk}
              aria-label={`Take back batch ${b.no}`}
            >
              take back
            </button>
          </MayChange>
        )}
      </td>
    </>
  )
}

/** Why a batch cannot be taken back; nothing where it can. */
function stays(batch: Batch): string {
  if (batch.takenBack) return 'taken back'
  return batch.settled > 0 && batch.settled === batch.newLines ? 'agreed, stays' : ''
}

/** Says what goes and what stays before a batch is taken back, and afterwards what did stay, and why. */
function TakeBack({ batch, onClose }: { batch: Batch; onClose: () => void }) {
  const says = useSays()
  const [busy, setBusy] = useState(false)
  const [left, setLeft] = useState<{ bookedOn: string; text: string; why: string }[]>()

  async function takeBack() {
    setBusy(true)
    try {
      const done = await data(api.DELETE('/api/gather/batches/{id}', { params: { path: { id: batch.id } } }))
      await booksChanged()
      const statement = done.statementToo ? ', its unfinished statement too' : ''
      says.done(`Batch ${done.no}: ${counted(done.taken, 'line')} taken back${statement}.`)
      if (done.left.length) setLeft(done.left)
      else onClose()
    } catch (error) {
      says.failed(error)
      onClose()
    }
    setBusy(false)
  }
  if (left) {
    return (
      <Dialog title={`What stays of batch ${batch.no}`} open onClose={onClose}>
        <Said title={`${counted(left.length, 'line')} of batch ${batch.no} stay`}>
          <ul className="[&>li]:py-[3px]">
            {left.slice(0, 12).map((l) => (
              <li key={l.bookedOn + l.text}>
                {day(l.bookedOn)} {l.text}
                <span className="text-ink-2"> {l.why}</span>
              </li>
            ))}
          </ul>
          {left.length > 12 && (
            <p className="text-ink-2">and {counted(left.length - 12, 'more line')}, for the same reason</p>
          )}
          <p className="mt-4">
            <Button tone="go" onClick={onClose}>
              Close
            </Button>
          </p>
        </Said>
      </Dialog>
    )
  }
  return (
    <Dialog title={`Take batch ${batch.no} back`} open onClose={onClose}>
      <Said title={<>Take batch {batch.no} back?</>}>
        <p>
          {counted(batch.newLines + batch.doubtfulLines - batch.settled, 'line')} of {batch.sourceName} will be gone
          from {batch.accountName}, with the entries that they became.
          {batch.settled > 0 && ` ${counted(batch.settled, 'line')} are reconciled and stay.`} The file can be taken in
          again.
        </p>
        <p className="flex gap-2 mt-4">
          <Button tone="kill" whyNot={busy ? 'It is being done.' : undefined} onClick={takeBack}>
            Take it back
          </Button>
          <Button onClick={onClose}>Keep it</Button>
        </p>
      </Said>
    </Dialog>
  )
}
