import { box } from '@/parts/look'
import { Select } from '@/parts/Select'
import type { Named } from './reportAsked'

const SPANS: { value: Named | 'OWN'; name: string }[] = [
  { value: 'MONTH', name: 'the month' },
  { value: 'QUARTER', name: 'its quarter' },
  { value: 'YEAR_TO_DATE', name: 'the year up to it' },
  { value: 'FISCAL_YEAR_TO_DATE', name: 'the fiscal year up to it' },
  { value: 'TWELVE_MONTHS', name: 'twelve months up to it' },
  { value: 'YEAR', name: 'its whole year' },
  { value: 'FISCAL_YEAR', name: 'its whole fiscal year' },
  { value: 'OWN', name: 'from month to month' },
]
/** Which months a report covers: by a name, as it stands at the month, or from one to another. */
export function SpanPick({
  asked,
  set,
}: {
  asked: { span: Named | 'OWN'; first: string | undefined; last: string | undefined }
  set: (changes: Record<string, string>) => void
}) {
  return (
    <>
      <Select
        aria-label="What it covers"
        value={asked.span}
        options={SPANS}
        onChange={(span) => set({ span, first: '', last: '' })}
      />
      {asked.span === 'OWN' && (
        <>
          <Month label="From" value={asked.first} onChange={(first) => set({ first })} />
          <Month label="To" value={asked.last} onChange={(last) => set({ last })} />
        </>
      )}
    </>
  )
}

function Month({
  label,
  value,
  onChange,
}: {
  label: string
  value: string | undefined
  onChange: (month: string) => void
}) {
  return (
    <label className="flex items-center gap-1.5 text-ink-2">
      {label}
      <input
        type="month"
        className={box({ className: 'w-[150px]' })}
        value={value ?? ''}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  )
}
