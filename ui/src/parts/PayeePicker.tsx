import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useController, useFormContext } from 'react-hook-form'
import { api, data } from '@/api/client'
import { counted } from './figures'
import { Field } from './form/Field'
import { TypeAhead, type TypeAheadProps } from './TypeAhead'

type BoxProps = Pick<TypeAheadProps, 'id' | 'aria-label' | 'aria-describedby' | 'aria-invalid' | 'placeholder'>

/** Who it is with: one of the payees by any part of the name, the most used first, or somebody new as typed. */
export function PayeePicker({
  value,
  onChange,
  ...rest
}: BoxProps & { value: string; onChange: (name: string) => void }) {
  const [text, setText] = useState('')
  const { data: found = [] } = useQuery({
    queryKey: ['payees', text],
    queryFn: () => data(api.GET('/api/payees', { params: { query: { text } } })),
    placeholderData: (previous) => previous,
  })
  return (
    <TypeAhead
      {...rest}
      what="payee"
      free="as typed"
      choices={found.map((p) => ({ id: p.id, name: p.name, more: counted(p.used, 'entry', 'entries') }))}
      chosen={value}
      onTyped={(typed) => {
        setText(typed.trim())
        onChange(typed)
      }}
      onChoose={(choice) => onChange(choice.name)}
      onUnknown={onChange}
    />
  )
}

/** All of them at once: a key must not come before what fits is known. A view where entries are typed reads them before. */
export const allPayees = {
  queryKey: ['payees', 'all'],
  queryFn: () => data(api.GET('/api/payees', { params: { query: { most: 2000 } } })),
}

/** Who an entry is with, taken by Enter: the best of the known ones, or somebody new by the last row. */
export function KnownPayee({
  value,
  onChange,
  ...rest
}: BoxProps & { value: string; onChange: (name: string) => void }) {
  const { data: all = [], isPending } = useQuery(allPayees)
  return (
    <TypeAhead
      {...rest}
      what="payee"
      free="best first"
      waiting={isPending}
      choices={all.map((p) => ({
        id: p.id,
        name: p.name,
        more: counted(p.used, 'entry', 'entries'),
        words: p.knownAs.join(' '),
      }))}
      chosen={value}
      onChoose={(choice) => onChange(choice.name)}
      onUnknown={onChange}
    />
  )
}

/** The same as a field of a form: somebody known, or new as typed. */
export function PayeeField({ needed }: { needed?: string }) {
  const { control } = useFormContext()
  const validate = (value: string) => needed === undefined || value.trim() !== '' || needed
  const { field, fieldState } = useController({ name: 'payee', control, rules: { validate } })
  return (
    <Field label="Payee" error={fieldState.error?.message}>
      {(ids) => <PayeePicker {...ids} aria-label="Payee" value={field.value} onChange={field.onChange} />}
    </Field>
  )
}
