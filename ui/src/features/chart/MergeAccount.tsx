import { useQuery } from '@tanstack/react-query'
import { api, data } from '@/api/client'
import { accounts } from '@/api/queries'
import { useSays } from '@/app/says'
import { AccountField } from '@/parts/AccountPicker'
import { counted } from '@/parts/figures'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
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
  const { data: all = [] } = useQuery(accounts)
  const of = useOwnForm({ intoId: '' })

  async function merge(body: { intoId: string }) {
    const merged = await data(api.POST('/api/accounts/{id}/merge', { params: { path: { id: row.id } }, body }))
    const into = all.find((a) => a.id === body.intoId)?.name ?? 'the other account'
    says.done(`${row.name} is part of ${into} now: ${counted(merged.postings, 'posting')} moved.`)
  }
  return (
    <Form of={of} className="flex flex-col gap-3 p-5" send={merge} done={({ intoId }) => onMerged(intoId)}>
      <h2 className="text-title/[1.2]">Merge {row.name}</h2>
      <p className="text-ink-2">
        Its postings and rules move to the other account, which tells so in its history. {row.name} itself is gone then;
        Undo brings it back as long as nothing later touched it.
      </p>
      <AccountField
        name="intoId"
        label="Merge into"
        bookId={bookId}
        without={row.id}
        groups={row.group}
        autoFocus
        needed="Choose the account that it becomes part of."
      />
      <Foot go="Merge" onLeave={onClose} />
    </Form>
  )
}
