import { useQuery } from '@tanstack/react-query'
import { api, data } from '@/api/client'
import { useSays } from '@/app/says'
import { counted } from '@/parts/figures'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { StaysField } from '@/parts/form/StaysField'
import type { Payee } from './Payees'

/** Makes a payee part of another one: entries, rules and what banks write go over. */
export function MergePayee({ payee, onClose }: { payee: Payee; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm({ into: '' })
  const { data: all = [], isPending } = useQuery({
    queryKey: ['payees', 'all'],
    queryFn: () => data(api.GET('/api/payees', { params: { query: { most: 2000 } } })),
  })
  async function merge({ into }: { into: string }) {
    await data(
      api.POST('/api/payees/{id}/merge', {
        params: { path: { id: payee.id } },
        body: { version: payee.version, into },
      }),
    )
    says.done(`${payee.name} is merged.`)
  }
  return (
    <Form of={of} className="flex flex-col gap-3 p-5" send={merge} done={onClose}>
      <h2 className="text-title/[1.2]">Merge {payee.name}</h2>
      <p className="text-ink-2">
        Its {counted(payee.entries, 'entry', 'entries')}, its rules and what banks write for it go to the other one.
        {` ${payee.name}`} is gone then; Undo parts the two again.
      </p>
      <StaysField
        name="into"
        label="It is the same as"
        what="payee"
        waiting={isPending}
        choices={all
          .filter((p) => p.id !== payee.id)
          .map((p) => ({ id: p.id, name: p.name, more: counted(p.used, 'entry', 'entries') }))}
      />
      <Foot go="Merge" onLeave={onClose} />
    </Form>
  )
}
