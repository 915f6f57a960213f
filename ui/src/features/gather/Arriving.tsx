import { useState } from 'react'
import { messageOf } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { useSays } from '@/app/says'
import { counted } from '@/parts/figures'
import { Loading } from '@/parts/States'
import { ArrivingInspector } from './ArrivingInspector'
import { ArrivingLines } from './ArrivingLines'
import { ArrivingTable } from './ArrivingTable'
import { type Arrival, isReady, openQuestions, relaid, takeIn, useArrivals } from './arrivals'
import { TableMapping } from './TableMapping'
import { SOURCES } from './types'

/** Files before they are taken in: what is new, known and doubtful in each, and where it goes. */
export function Arriving({ files, onClose }: { files: Arrival[]; onClose: () => void }) {
  const says = useSays()
  const { arrivals, previews, change, remove } = useArrivals(files)
  const [at, setAt] = useState({ key: files[0]?.key ?? '', part: 0 })
  const [busy, setBusy] = useState('')
  const [failures, setFailures] = useState<Record<string, string>>({})

  const index = Math.max(
    0,
    arrivals.findIndex((a) => a.key === at.key),
  )
  const arrival = arrivals[index]
  const query = previews[index]
  const preview = query?.data
  const part = preview?.parts[at.part] ?? preview?.parts[0]
  const rows = arrivals.flatMap((a, i) =>
    (previews[i]?.data?.parts.length ? previews[i].data.parts : [undefined]).map((p, n) => ({
      key: a.key,
      part: n,
      p,
    })),
  )
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
  const move = (by: number) => {
    const here = rows.findIndex((r) => r.key === arrival?.key && r.part === at.part)
    const next = rows[Math.min(rows.length - 1, Math.max(0, here + by))]
    if (next) setAt({ key: next.key, part: next.part })
  }
  const putBack = () => {
    if (!arrival || arrivals.length === 1) onClose()
    else remove([arrival.key])
  }
  useCommands([
    { keys: ['Enter'], label: 'Take the new lines in', changes: true, strip: 'take in', run: takeAllIn },
    { keys: ['ArrowUp'], label: 'The file before', run: () => move(-1) },
    {
      keys: ['ArrowDown'],
      label: 'The next file',
      strip: rows.length > 1 ? 'next file' : undefined,
      run: () => move(1),
    },
    { keys: ['Delete'], label: 'Put this file back', run: putBack },
    { keys: ['Escape'], label: 'Put the files back', strip: 'put back', run: onClose, whileTyping: true },
  ])
  if (!arrival || !query) return null

  return (
    <main className="split" tabIndex={-1}>
      <section className="sheet">
        <div className="head">
          <h1>{arrivals.length === 1 ? arrival.file.name : counted(arrivals.length, 'file')}</h1>
          {preview && arrivals.length === 1 && (
            <span className="q">{SOURCES[preview.source]}, nothing is taken in yet</span>
          )}
          {arrivals.length > 1 && <span className="q">nothing is taken in yet</span>}
        </div>
        {rows.length > 1 && (
          <ArrivingTable
            arrivals={arrivals}
            previews={previews}
            failures={failures}
            at={{ key: arrival.key, part: at.part }}
            onSelect={setAt}
          />
        )}
        {query.isPending && <Loading what="the file" />}
        {(query.error || failures[arrival.key]) && (
          <div className="px-6 pt-2">
            <p className="note-error" role="alert">
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
      </section>
      <ArrivingInspector
        arrival={arrival}
        preview={query.error ? undefined : preview}
        part={query.error ? undefined : part}
        onChange={(to) => change(arrival.key, to)}
      >
        <button type="button" className="btn go wide" disabled={ready.length === 0 || !!busy} onClick={takeAllIn}>
          {busy ? `Taking in ${busy}` : coming ? `Take in ${counted(coming, 'line')}` : 'Take in'} <kbd>Enter</kbd>
        </button>
        {arrivals.length > 1 && (
          <p className="q s">
            {counted(ready.length, 'file')} of {arrivals.length} settled
          </p>
        )}
        <button type="button" className="btn full" onClick={onClose}>
          Put back <kbd>Esc</kbd>
        </button>
      </ArrivingInspector>
    </main>
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
