import { useState } from 'react'
import { useController, useFormContext } from 'react-hook-form'
import { type Choice, TypeAhead } from '@/parts/TypeAhead'
import { Field } from './Field'

/** Which of those that are there stays when another becomes part of it, by identity. */
export function StaysField({
  name,
  label,
  what,
  choices,
  waiting,
}: {
  name: string
  label: string
  /** What they are, for sentences: payee, tag. */
  what: string
  choices: Choice[]
  waiting: boolean
}) {
  const { control } = useFormContext()
  const [typed, setTyped] = useState('')
  const { field, fieldState } = useController({
    name,
    control,
    rules: {
      validate: (id: string) => id !== '' || (typed ? `No ${what} is called “${typed}”.` : 'Choose which stays.'),
    },
  })
  return (
    <Field label={label} error={fieldState.error?.message}>
      {(ids) => (
        <TypeAhead
          {...ids}
          aria-label={label}
          what={what}
          waiting={waiting}
          choices={choices}
          chosen={choices.find((c) => c.id === field.value)?.name ?? typed}
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
