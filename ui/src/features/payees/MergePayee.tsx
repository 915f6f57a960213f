import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useController, useFormContext } from 'react-hook-form'
import { api, data } from '@/api/client'
import { useSays } from '@/app/says'
import { counted } from '@/parts/figures'
import { Field } from '@/parts/form/Field'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { TypeAhead } from '@/parts/TypeAhead'
import type { Payee } from './Payees'

/** Makes a payee part of another one: entries, rules and what banks write go over. */
export function MergePayee({ payee, onClose }: { payee: Payee; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm({ into: '' })
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
      <WhoStays without={payee.id} />
      <Foot go="Merge" onLeave={onClose} />
    </Form>
  )
}

/** One of the payees that are there, by identity. */
function WhoStays({ without }: { without: string }) {
  const { control } = useFormContext()
  const [typed, setTyped] = useState('')
  const { data: all = [], isPending } = useQuery({
    queryKey: ['payees', 'all'],
    queryFn: () => data(api.GET('/api/payees', { params: { query: { most: 2000 } } })),
  })
  const { field, fieldState } = useController({
    name: 'into',
    control,
    rules: { validate: (id: string) => id !== '' || (typed ? `Nobody is called “${typed}”.` : 'Choose who stays.') },
  })
  return (
    <Field label="It is the same as" error={fieldState.error?.message}>
      {(ids) => (
        <TypeAhead
          {...ids}
          aria-label="It is the same as"
          what="payee"
          waiting={isPending}
          choices={all
            .filter((p) => p.id !== without)
            .map((p) => ({ id: p.id, name: p.name, more: counted(p.used, 'entry', 'entries') }))}
          chosen={all.find((p) => p.id === field.value)?.name ?? typed}
          inputRef={field.ref}
          onBlur={field.onBlur}
          autoFocus
          onChoose={(choice) => {
            setTyped('')
            field.onChange(choice.id)
          }}
          onUnknown={(text) => {
            setTyped(text)
            field.onChange('')
          }}
        />
      )}
    </Field>
  )
}
