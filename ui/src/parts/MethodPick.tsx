import type { Schemas } from '@/api/client'
import { Select } from './Select'

export type Method = NonNullable<Schemas['EntryJson']['method']>

export const METHODS: Record<Method, string> = {
  CARD: 'card',
  CHEQUE: 'cheque',
  CASH: 'cash',
  TRANSFER: 'transfer',
  DIRECT_DEBIT: 'direct debit',
}

/** How it was paid; what is said while nothing is chosen names what holds then. */
export function MethodPick({
  value,
  usual,
  none,
  onChange,
  ...ids
}: {
  value: Method | undefined
  /** What it is if nothing is chosen. */
  usual?: Method
  none: string
  onChange: (method: Method | undefined) => void
  id?: string
  'aria-label'?: string
}) {
  return (
    <Select<Method | ''>
      {...ids}
      value={value ?? ''}
      options={[
        { value: '', name: usual ? `${METHODS[usual]}, as usual` : none },
        ...Object.entries(METHODS).map(([method, name]) => ({ value: method as Method, name })),
      ]}
      onChange={(method) => onChange(method || undefined)}
    />
  )
}
