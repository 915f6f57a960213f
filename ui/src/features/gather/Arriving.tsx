import { useState } from 'react'
import { messageOf } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { counted } from '@/parts/figures'
import { noteBox } from '@/parts/look'
import { Loading } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { Head, Leaf, View } from '@/parts/View'
import { ArrivingInspector } from './ArrivingInspector'
import { ArrivingLines } from './ArrivingLines'
import { type ArrivingRow, ArrivingTable } from './ArrivingTable'
import { type Arrival, isReady, takeIn, useArrivals } from './arrivals'
import { openQuestions, relaid } from './questions'
import { TableMapping } from './TableMapping'
import type { Part } from './types'
import { SOURCES } from './types'

/** Files before they are taken in: what is new, known and doubtful in each, and where it goes. */
export function Arriving({ files, onClose }: { files: Arrival[]; onClose: () => void }) {
  const says = useSays()
  const { arrivals, previews, change, remove } = useArrivals(files)
  const [busy, setBusy] = useState('')
  const [failures, setFailures] = useState<Record<string, string>>({})

  const rows = arrivals.flatMap((arrival, i): ArrivingRow[] => {
    const query = previews[i]
    const preview = query?.data
    const parts: (Part | undefined)[] = preview?.parts.length ? preview.parts : [undefined]
    return parts.map((part, n) => ({ key: `${arrival.key} ${n}`, arrival, query, preview, part }))
  })
  const selection = useSelection(
    rows.map((r) => r.key),
    'file',
  )
  const here = rows.find((r) => r.key === selection.selected)
  const ready = arrivals.flatMap((a, i) => {
    const read = previews[i]?.data
    return read && !previews[i]?.error && isReady(a, read) ? [{ arrival: a, preview: read }] : []
  })
  const coming = ready.flatMap((r) => r.preview.parts).reduce((sum, p) => sum + p.newLines + p.doubtfulLines, 0)

  async function takeAllIn() {
    if (busy || ready.length === 0) return
    const taken = []
    const failed: Record<string, string> = {}
    const done: string[] = []
    for (const r of ready) {
      setBusy(r.arrival.file.name)
      try {
        taken.push(...(await takeIn(r.arrival, r.preview)))
        done.push(r.arrival.key)
      } catch (error) {
        failed[r.arrival.key] = messageOf(error)
      }
    }
    setBusy('')
    setFailures(failed)
    await booksChanged()
    if (taken.length) says.done(summary(taken))
    if (done.length === arrivals.length) onClose()
    else remove(done)
  }
  const putBack = () => {
    if (!here || arrivals.length === 1) onClose()
    else remove([here.arrival.key])
  }
  useCommands([
    { keys: ['Enter'], label: 'Take the new lines in', changes: true, strip: 'take in', run: takeAllIn },
    { keys: ['Delete'], label: 'Put this file back', onRow: true, run: putBack },
    { keys: ['Escape'], label: 'Put the files back', strip: 'put back', run: onClose, whileTyping: true },
  ])
  if (!here?.query) return null
  const { arrival, query, preview, part } = here

  return (
    <View beside>
      <Leaf>
        <Head
          title={arrivals.length === 1 ? arrival.file.name : counted(arrivals.length, 'file')}
          about={
            preview && arrivals.length === 1
              ? `${SOURCES[preview.source]}, nothing is taken in yet`
              : 'nothing is taken in yet'
          }
        />
        {rows.length > 1 && <ArrivingTable rows={rows} failures={failures} selection={selection} />}
        {query.isPending && <Loading what="the file" />}
        {(query.error || failures[arrival.key]) && (
          <div className="px-6 pt-2">
            <p className={noteBox({ tone: 'bad' })} role="alert">
              {arrival.file.name}: {query.error ? messageOf(query.error) : failures[arrival.key]} Nothing was taken in.
            </p>
          </div>
        )}
        {preview?.table && !query.error && (
          <TableMapping
            key={arrival.key}
            preview={preview}
            table={preview.table}
            asks={openQuestions(arrival, preview.table)}
            onLayout={(to) => preview.table && change(arrival.key, relaid(arrival, preview.table, to))}
          />
        )}
        {part && !preview?.table && !query.error && <ArrivingLines part={part} />}
      </Leaf>
      <ArrivingInspector
        arrival={arrival}
        preview={query.error ? undefined : preview}
        part={query.error ? undefined : part}
        onChange={(to) => change(arrival.key, to)}
      >
        <Button
          tone="go"
          size="wide"
          whyNot={ready.length === 0 ? 'Nothing can be taken in yet: see what is still to choose.' : undefined}
          onClick={takeAllIn}
        >
          {busy ? `Taking in ${busy}` : coming ? `Take in ${counted(coming, 'line')}` : 'Take in'} <kbd>Enter</kbd>
        </Button>
        {arrivals.length > 1 && (
          <p className="text-ink-2 text-small">
            {counted(ready.length, 'file')} of {arrivals.length} settled
          </p>
        )}
        <Button className="col-span-full" onClick={onClose}>
          Put back <kbd>Esc</kbd>
        </Button>
      </ArrivingInspector>
    </View>
  )
}

function summary(taken: { no: number; newLines: number; knownLines: number; doubtfulLines: number }[]): string {
  const sum = (of: (t: (typeof taken)[number]) => number) => taken.reduce((s, t) => s + of(t), 0)
  const doubtful = sum((t) => t.doubtfulLines)
  const which = taken.length === 1 ? `Batch ${taken[0]?.no}` : `${counted(taken.length, 'batch', 'batches')}`
  return (
    `${which}: ${counted(
      sum((t) => t.newLines),
      'line',
    )} taken in, ${sum((t) => t.knownLines)} known already` +
    (doubtful ? `, ${doubtful} held back for you to decide.` : '.')
  )
}
