import { type FormEvent, useState } from 'react'
import { api, data } from '@/api/client'
import { useSays } from '@/app/says'
import { AccountPicker } from '@/parts/AccountPicker'
import { ProblemNote, useAct } from '@/parts/Form'
import { counted } from '@/parts/figures'
import type { ChartRow } from './types'

/** Merges an account into another: entries and rules move, the history says so, the account is gone. */
export function MergeAccount({
  row,
  bookId,
  onClose,
  onMerged,
}: {
  row: ChartRow
  bookId: string
  onClose: () => void
  onMerged: (intoId: string) => void
}) {
  const says = useSays()
  const [into, setInto] = useState<{ id: string; name: string }>()
  const { act, error, busy } = useAct()

  function submit(event: FormEvent) {
    event.preventDefault()
    if (!into) return
    act(
      () => data(api.POST('/api/accounts/{id}/merge', { params: { path: { id: row.id } }, body: { intoId: into.id } })),
      (merged) => {
        says.done(`${row.name} is part of ${into.name} now: ${counted(merged.postings, 'posting')} moved.`)
        onMerged(into.id)
      },
    )
  }
  return (
    <form className="ask" onSubmit={submit}>
      <h2 className="title">Merge {row.name}</h2>
      <p className="q">
        Its postings and rules move to the other account, which tells so in its history. {row.name} itself is gone then;
        Undo brings it back as long as nothing later touched it.
      </p>
      <div className="field">
        Into
        <AccountPicker
          label="Merge into"
          value={into?.id}
          bookId={bookId}
          without={row.id}
          groups={row.group}
          autoFocus
          onChange={(a) => setInto({ id: a.id, name: a.name })}
        />
      </div>
      <ProblemNote error={error} />
      <div className="acts">
        <button type="submit" className="btn go" disabled={!into || busy}>
          Merge <kbd>Enter</kbd>
        </button>
        <button type="button" className="btn" onClick={onClose}>
          Leave it <kbd>Esc</kbd>
        </button>
      </div>
    </form>
  )
}
