import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { Dialog } from '@/parts/Dialog'
import { counted, day, figure } from '@/parts/figures'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { JournalEntry } from '@/parts/JournalEntry'
import { Loading } from '@/parts/States'
import { useAct } from '@/parts/useAct'

type Entry = Schemas['EntryJson']

/** Makes one entry of two that are one thing booked twice: which is the other one, and which of them stays. */
export function MergeEntries({ entry, with: other, onClose }: { entry: Entry; with?: Entry; onClose: () => void }) {
  const doubles = useQuery({
    queryKey: ['doubles', entry.id],
    enabled: !other,
    queryFn: () => data(api.GET('/api/entries/{id}/doubles', { params: { path: { id: entry.id } } })),
  })
  const [said, setSaid] = useState<Entry>()
  const choice = other ? [other] : (doubles.data ?? [])
  const double = said ?? choice[0]
  return (
    <Dialog title="Merge a doubled entry" open onClose={onClose} wide>
      <div className="flex flex-col gap-3 p-5">
        <h2 className="text-title/[1.2]">Booked twice?</h2>
        <p className="text-ink-2">
          One of them stays as it is booked, with the notes, tags and reference of both. The bank lines of the other
          confirm it from now on.
        </p>
        <ProblemNote error={doubles.error} />
        {doubles.isLoading && <Loading what="what may be the same" />}
        {doubles.data?.length === 0 && (
          <p>No entry within 45 days of no. {entry.no} moves the same amount on the same account.</p>
        )}
        {choice.length > 1 && <Choice entries={choice} chosen={double} onChoose={setSaid} />}
        {double ? (
          <Both one={entry} other={double} onClose={onClose} />
        ) : (
          <Button className="self-end" onClick={onClose}>
            Leave it
          </Button>
        )}
      </div>
    </Dialog>
  )
}

function Choice({
  entries,
  chosen,
  onChoose,
}: {
  entries: Entry[]
  chosen: Entry | undefined
  onChoose: (entry: Entry) => void
}) {
  return (
    <fieldset>
      <legend className="text-small text-ink-2">{counted(entries.length, 'entry', 'entries')} may be the same</legend>
      {entries.map((e) => (
        <label key={e.id} className="flex min-h-7 items-center gap-2 border-b border-hairline">
          <input type="radio" name="double" checked={e.id === chosen?.id} onChange={() => onChoose(e)} />
          <span>
            No. {e.no}, {day(e.date)}, {e.payee}
          </span>
          <span className="ml-auto text-ink-2">{e.to}</span>
        </label>
      ))}
    </fieldset>
  )
}

function Both({ one, other, onClose }: { one: Entry; other: Entry; onClose: () => void }) {
  const says = useSays()
  const { act, error, busy } = useAct()
  const [swapped, setSwapped] = useState(false)
  const [stays, goes] = swapped ? [other, one] : [one, other]
  const merge = () =>
    act(
      () =>
        data(
          api.POST('/api/entries/{id}/merge', {
            params: { path: { id: stays.id } },
            body: { version: stays.version, goes: goes.id, goesVersion: goes.version },
          }),
        ),
      () => {
        says.done(`No. ${goes.no} is part of no. ${stays.no} now.`)
        onClose()
      },
    )
  return (
    <>
      <div className="grid grid-cols-2 gap-6 narrow:grid-cols-1">
        <Side title="Stays" entry={stays} />
        <Side title="Goes" entry={goes} />
      </div>
      <ProblemNote error={error} />
      <div className="flex justify-end gap-2">
        <Button onClick={onClose}>Leave it</Button>
        <Button onClick={() => setSwapped(!swapped)}>Keep no. {goes.no} instead</Button>
        <Button tone="go" whyNot={busy ? 'They are being merged.' : undefined} onClick={merge}>
          Merge into no. {stays.no}
        </Button>
      </div>
    </>
  )
}

function Side({ title, entry }: { title: string; entry: Entry }) {
  const marks = [entry.note, entry.reference && `reference ${entry.reference}`, ...entry.tags].filter(Boolean)
  return (
    <section aria-label={title}>
      <h3>
        {title}: no. {entry.no}
      </h3>
      <p className="truncate">
        {day(entry.date)}, {entry.payee}, {entry.currency} {figure(entry.amount)}
      </p>
      <p className="min-h-5 text-small text-ink-2">{marks.join('; ')}</p>
      <JournalEntry title="Posting" books={entry.books} between={entry.betweenBooks} />
    </section>
  )
}
