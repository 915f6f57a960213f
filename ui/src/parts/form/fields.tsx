import { useQuery } from '@tanstack/react-query'
import { type InputHTMLAttributes, type ReactNode, useMemo, useState } from 'react'
import { type FieldValues, type Path, useController, useFormContext } from 'react-hook-form'
import { currencies } from '@/api/queries'
import { type Kind, known, read, useReading } from '@/api/reading'
import { Check } from '@/parts/Check'
import { figure, plainNumber, writtenDay } from '@/parts/figures'
import { box } from '@/parts/look'
import { type Option, Select } from '@/parts/Select'
import { type Choice, TypeAhead } from '@/parts/TypeAhead'
import { AmountInput, amountIn, NUMBER } from './AmountInput'
import { DAY, DayInput } from './DayInput'
import { Field } from './Field'
import { useReader } from './Form'
import { TypedInput, typedProblem } from './TypedInput'

interface Named<T extends FieldValues = FieldValues> {
  name: Path<T>
  label: ReactNode
  hint?: ReactNode
  className?: string
  /** What to say if it is left empty; it may be where this is not given. */
  needed?: string
}

const neededRule = (needed: string | undefined) => (value: unknown) =>
  needed === undefined || (typeof value === 'string' && value.trim() !== '') || needed

function useField(name: string, validate: (value: string) => true | string | Promise<true | string>) {
  const { control } = useFormContext()
  const { field, fieldState } = useController({ name, control, rules: { validate } })
  return { field, error: fieldState.error?.message }
}

/** What a field of a form says that is read by the core: nothing is sent that could not be read. */
function useTyped(name: string, kind: Kind, needed: string | undefined) {
  useReader(name, kind)
  return useField(name, async (value) => {
    if (needed !== undefined && value.trim() === '') return needed
    const reading = await read(kind, value)
    return reading.problem ?? true
  })
}

export function DateField({ name, label, hint, className, needed, autoFocus }: Named & { autoFocus?: boolean }) {
  const { field, error } = useTyped(name, DAY, needed)
  const reading = useReading(DAY, field.value)
  const problem = typedProblem(reading, writtenDay, field.onChange, (text, value) => known(DAY, text, value))
  return (
    <Field label={label} hint={hint} error={error && (problem ?? error)} className={className}>
      {(ids) => (
        <DayInput
          {...ids}
          text={field.value}
          onText={field.onChange}
          onBlur={field.onBlur}
          inputRef={field.ref}
          autoFocus={autoFocus}
        />
      )}
    </Field>
  )
}

const TIME: Kind = { of: 'time' }

/** A time of day. */
export function TimeField({ name, label, hint, className, needed }: Named) {
  const { field, error } = useTyped(name, TIME, needed)
  const reading = useReading(TIME, field.value)
  return (
    <Field label={label} hint={hint} error={error} className={className}>
      {(ids) => (
        <TypedInput
          {...ids}
          inputMode="numeric"
          text={field.value}
          onText={field.onChange}
          onBlur={field.onBlur}
          inputRef={field.ref}
          kind={TIME}
          reading={reading}
          write={(value) => value}
          inWords={() => ''}
        />
      )}
    </Field>
  )
}

interface Figure extends Named {
  placeholder?: string
  autoFocus?: boolean
}

export function AmountField(props: Figure & { currency: string }) {
  return <FigureField {...props} kind={amountIn(props.currency)} write={figure} />
}

/** A rate, a percentage: a number that is no amount. */
export function NumberField(props: Figure) {
  return <FigureField {...props} kind={NUMBER} write={plainNumber} />
}

function FigureField({
  name,
  label,
  hint,
  className,
  needed,
  kind,
  write,
  ...box
}: Figure & { kind: Kind; write: (value: string) => string; currency?: string }) {
  const { field, error } = useTyped(name, kind, needed)
  const reading = useReading(kind, field.value)
  const problem = typedProblem(reading, write, field.onChange, (text, value) => known(kind, text, value))
  return (
    <Field label={label} hint={hint} error={error && (problem ?? error)} className={className}>
      {(ids) => (
        <AmountInput
          {...ids}
          {...box}
          text={field.value}
          onText={field.onChange}
          onBlur={field.onBlur}
          inputRef={field.ref}
        />
      )}
    </Field>
  )
}

export function TextField({
  name,
  label,
  hint,
  className,
  needed,
  ...rest
}: Named & Omit<InputHTMLAttributes<HTMLInputElement>, 'name' | 'value' | 'onChange' | 'className'>) {
  const { field, error } = useField(name, neededRule(needed))
  return (
    <Field label={label} hint={hint} error={error} className={className}>
      {(ids) => <input {...rest} {...ids} {...field} className={box({ wrong: error !== undefined })} />}
    </Field>
  )
}

export function TextArea({ name, label, hint, className, rows = 2 }: Named & { rows?: number }) {
  const { field, error } = useField(name, () => true)
  return (
    <Field label={label} hint={hint} error={error} className={className}>
      {(ids) => (
        <textarea
          {...ids}
          {...field}
          rows={rows}
          className={box({ wrong: error !== undefined, className: 'h-auto resize-y py-1' })}
        />
      )}
    </Field>
  )
}

export function SelectField<T extends string>({
  name,
  label,
  hint,
  className,
  options,
  onChosen,
}: Named & { options: Option<T>[]; onChosen?: (value: T) => void }) {
  const { field, error } = useField(name, () => true)
  return (
    <Field label={label} hint={hint} error={error} className={className}>
      {(ids) => (
        <Select
          {...ids}
          triggerRef={field.ref}
          value={field.value}
          options={options}
          onChange={(value) => {
            field.onChange(value)
            onChosen?.(value as T)
          }}
        />
      )}
    </Field>
  )
}

/** A currency of ISO 4217, found by any part of its code or name. */
export function CurrencyField({ name, label, hint, className }: Named) {
  const options = useCurrencies()
  const [unknown, setUnknown] = useState('')
  const { field, error } = useField(name, (value) => value !== '' || 'Choose a currency by its code or name.')
  const problem = unknown === '' ? error : `“${unknown}” is no currency. Type its code or a part of its name.`
  return (
    <Field label={label} hint={hint} error={problem} className={className}>
      {(ids) => (
        <TypeAhead
          {...ids}
          aria-label={typeof label === 'string' ? label : undefined}
          what="currency"
          choices={options}
          chosen={options.find((c) => c.id === field.value)?.name ?? field.value}
          inputRef={field.ref}
          onBlur={field.onBlur}
          onChoose={(choice) => {
            setUnknown('')
            field.onChange(choice.id)
          }}
          onUnknown={(typed) => {
            setUnknown(typed)
            field.onChange('')
          }}
        />
      )}
    </Field>
  )
}

export function useCurrencies(): Choice[] {
  const { data = [] } = useQuery(currencies)
  return useMemo(() => data.map((c) => ({ id: c.code, name: `${c.code}, ${c.name}` })), [data])
}

export function CheckField({ name, label, className = '' }: { name: string; label: ReactNode; className?: string }) {
  const { control } = useFormContext()
  const { field } = useController({ name, control })
  return (
    <Field label={label} className={className}>
      {(ids) => (
        <span className="flex h-7 items-center">
          <Check {...ids} checked={field.value} onChange={field.onChange} />
        </span>
      )}
    </Field>
  )
}
