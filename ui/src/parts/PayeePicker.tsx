import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '@/api/client'
import { counted } from './figures'
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
      free
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
