import { api } from '@/api/client'
import { useSays } from '@/app/says'
import { AccountField } from '@/parts/AccountPicker'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { type ChartRow, CLASS_OF } from './types'

/** Moves an account or a group into a group, or to the top of its book. */
export function MoveAccount({ row, bookId, onClose }: { row: ChartRow; bookId: string; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm({ parentId: row.parentId ?? '' })
  return (
    <Form
      of={of}
      className="flex flex-col gap-3 p-5"
      send={({ parentId }) =>
        api.POST('/api/accounts/{id}/move', {
          params: { path: { id: row.id } },
          body: { parentId: parentId || undefined },
        })
      }
      done={() => {
        says.done(`${row.name} is moved.`)
        onClose()
      }}
    >
      <h2 className="text-title/[1.2]">Move {row.name}</h2>
      <AccountField
        name="parentId"
        label="Into"
        bookId={bookId}
        without={row.id}
        groups
        only={(a) => a.accountClass === CLASS_OF[row.kind]}
        none="the top of its book"
        autoFocus
      />
      <Foot go="Move" onLeave={onClose} />
    </Form>
  )
}
