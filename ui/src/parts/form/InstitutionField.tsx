import { useQuery } from '@tanstack/react-query'
import { type ReactNode, useState } from 'react'
import { useController, useFormContext } from 'react-hook-form'
import { api, data } from '@/api/client'
import { TypeAhead } from '@/parts/TypeAhead'
import { Field } from './Field'

/** The institution that keeps an account: one of those known by any part of name or town, or another as it is typed. */
export function InstitutionField({ name, label, className }: { name: string; label: ReactNode; className?: string }) {
  const { control } = useFormContext()
  const { field, fieldState } = useController({ name, control })
  const [words, setWords] = useState('')
  const { data: found = [] } = useQuery({
    queryKey: ['institutions', words],
    queryFn: () => data(api.GET('/api/institutions', { params: { query: { words } } })),
    placeholderData: (previous) => previous,
    retry: false,
  })
  return (
    <Field label={label} error={fieldState.error?.message} className={className}>
      {(ids) => (
        <TypeAhead
          {...ids}
          what="institution"
          free="as typed"
          choices={found.map((i) => ({ id: i.id, name: i.name, more: `${i.town}, for ${i.serves}` }))}
          chosen={field.value}
          inputRef={field.ref}
          onBlur={field.onBlur}
          onTyped={(typed) => {
            setWords(typed.trim())
            field.onChange(typed)
          }}
          onChoose={(choice) => field.onChange(choice.name)}
          onUnknown={field.onChange}
        />
      )}
    </Field>
  )
}
