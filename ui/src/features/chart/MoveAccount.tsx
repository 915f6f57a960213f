import { type FormEvent, useState } from 'react'
import { api } from '@/api/client'
import { useSays } from '@/app/says'
import { AccountPicker } from '@/parts/AccountPicker'
import { ProblemNote, useAct } from '@/parts/Form'
import { type ChartRow, CLASS_OF } from './types'

/** Moves an account or a group into a group, or to the top of its book. */
export function MoveAccount({ row, bookId, onClose }: { row: ChartRow; bookId: string; onClose: () => void }) {
  const says = useSays()
  const [parentId, setParentId] = useState(row.parentId)
  const { act, error, busy } = useAct()

  function submit(event: FormEvent) {
    event.preventDefault()
    act(
      () =>
        api.POST('/api/accounts/{id}/move', {
          params: { path: { id: row.id } },
          body: { parentId },
        }),
      () => {
        says.done(`${row.name} is moved.`)
        onClose()
      },
    )
  }
  return (
    <form className="ask" onSubmit={submit}>
      <h2 className="title">Move {row.name}</h2>
      <div className="field">
        Into
        <AccountPicker
          label="Into"
          value={parentId}
          bookId={bookId}
          without={row.id}
          groups
          only={(a) => a.accountClass === CLASS_OF[row.kind]}
          none={{ name: 'the top of its book', choose: () => setParentId(undefined) }}
          autoFocus
          onChange={(a) => setParentId(a.id)}
        />
      </div>
      <ProblemNote error={error} />
      <div className="acts">
        <button type="submit" className="btn go" disabled={busy}>
          Move <kbd>Enter</kbd>
        </button>
        <button type="button" className="btn" onClick={onClose}>
          Leave it <kbd>Esc</kbd>
        </button>
      </div>
    </form>
  )
}
