import { useQuery } from '@tanstack/react-query'
import { type FormEvent, useState } from 'react'
import { api } from '@/api/client'
import { accounts } from '@/api/queries'
import { useSays } from '@/app/says'
import { Choice, ProblemNote, useAct } from '@/parts/Form'
import { type ChartRow, CLASS_OF } from './types'

/** Moves an account or a group into a group, or to the top of its book. */
export function MoveAccount({ row, bookId, onClose }: { row: ChartRow; bookId: string; onClose: () => void }) {
  const { data: all = [] } = useQuery(accounts)
  const says = useSays()
  const [parentId, setParentId] = useState(row.parentId ?? '')
  const { act, error, busy } = useAct()
  const groups = all.filter(
    (a) => a.group && a.bookId === bookId && a.id !== row.id && a.accountClass === CLASS_OF[row.kind],
  )

  function submit(event: FormEvent) {
    event.preventDefault()
    act(
      () =>
        api.POST('/api/accounts/{id}/move', {
          params: { path: { id: row.id } },
          body: { parentId: parentId || undefined },
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
      <Choice
        label="Into"
        value={parentId}
        onChange={setParentId}
        options={[
          { value: '', name: 'the top of its book' },
          ...groups.map((g) => ({ value: g.id, name: g.groupName ? `${g.groupName}: ${g.name}` : g.name })),
        ]}
      />
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
