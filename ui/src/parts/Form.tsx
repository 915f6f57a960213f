import { useQuery } from '@tanstack/react-query'
import { type ReactNode, useState } from 'react'
import { messageOf, Problem } from '@/api/client'
import { booksChanged, currencies } from '@/api/queries'
import { typedAmount } from './figures'

/** A field with its name above; `problem` names what the API found wrong with it. */
export function Field({ label, children, className = '' }: { label: string; children: ReactNode; className?: string }) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: the control is among the children
    <label className={`field ${className}`}>
      {label}
      {children}
    </label>
  )
}

export function TextField({
  label,
  value,
  onChange,
  className,
  ...rest
}: {
  label: string
  value: string
  onChange: (value: string) => void
  className?: string
} & Omit<React.InputHTMLAttributes<HTMLInputElement>, 'value' | 'onChange' | 'className'>) {
  return (
    <Field label={label} className={className}>
      <input value={value} onChange={(e) => onChange(e.target.value)} {...rest} />
    </Field>
  )
}

/** An amount as a person types it; what cannot be read is marked. */
export function AmountField({
  label,
  value,
  onChange,
  className,
}: {
  label: string
  value: string
  onChange: (value: string) => void
  className?: string
}) {
  return (
    <Field label={label} className={className}>
      <input
        className="n"
        inputMode="decimal"
        value={value}
        aria-invalid={value !== '' && typedAmount(value) === undefined}
        onChange={(e) => onChange(e.target.value)}
      />
    </Field>
  )
}

export function Choice<T extends string>({
  label,
  value,
  onChange,
  options,
  className,
}: {
  label: string
  value: T
  onChange: (value: T) => void
  options: { value: T; name: string }[]
  className?: string
}) {
  return (
    <Field label={label} className={className}>
      <select value={value} onChange={(e) => onChange(e.target.value as T)}>
        {options.map((o) => (
          <option key={o.value} value={o.value}>
            {o.name}
          </option>
        ))}
      </select>
    </Field>
  )
}

/** A currency of ISO 4217. */
export function CurrencyChoice({
  label,
  value,
  onChange,
  className,
}: {
  label: string
  value: string
  onChange: (code: string) => void
  className?: string
}) {
  return <Choice label={label} value={value} onChange={onChange} options={useCurrencyOptions()} className={className} />
}

export function useCurrencyOptions() {
  const { data = [] } = useQuery(currencies)
  return data.map((c) => ({ value: c.code, name: `${c.code}, ${c.name}` }))
}

/** What went wrong, with every row at fault where a table was refused. */
export function ProblemNote({ error }: { error: unknown }) {
  if (!error) return null
  const rows = error instanceof Problem ? error.rows : []
  return (
    <div className="note-error" role="alert">
      {messageOf(error)}
      {rows.length > 0 && (
        <ol className="mt-1 max-h-40 overflow-auto">
          {rows.map((r) => (
            <li key={`${r.line} ${r.column} ${r.reason}`}>
              Line {r.line}, {r.column}: {r.reason}
            </li>
          ))}
        </ol>
      )}
    </div>
  )
}

/** Does something that changes the books, and keeps what went wrong to be shown beside the form. */
export function useAct() {
  const [error, setError] = useState<unknown>()
  const [busy, setBusy] = useState(false)
  async function act<T>(work: () => Promise<T>, then?: (result: T) => void) {
    setBusy(true)
    setError(undefined)
    try {
      const result = await work()
      await booksChanged()
      then?.(result)
    } catch (e) {
      setError(e)
    } finally {
      setBusy(false)
    }
  }
  return { act, error, busy, setError }
}
