import { useRef, useState } from 'react'
import { useLocation } from 'react-router'
import { useCommands } from '@/app/commands'
import { Button } from '@/parts/Button'
import { Select } from '@/parts/Select'
import { QueryBox } from '../journal/QueryBox'
import { KeptReports } from './KeptReports'
import type { By, Measure } from './reportAsked'

const MEASURES: { value: Measure; name: string; ofAccounts: string }[] = [
  { value: 'SPENT', name: 'what was spent', ofAccounts: 'what went out' },
  { value: 'EARNED', name: 'what was earned', ofAccounts: 'what came in' },
  { value: 'RESULT', name: 'the result', ofAccounts: 'what came in less what went out' },
]
const BY: { value: By; name: string }[] = [
  { value: 'CATEGORY', name: 'by categories' },
  { value: 'PAYEE', name: 'by payees' },
  { value: 'TAG', name: 'by tags' },
  { value: 'ACCOUNT', name: 'by accounts paid with' },
  { value: 'METHOD', name: 'by methods' },
]

/** What an own report is put together of, read as a sentence, and what is kept by a name. */
export function OwnParts({
  by,
  measure,
  text,
  set,
}: {
  by: By
  measure: Measure
  text: string
  set: (changes: Record<string, string>) => void
}) {
  const field = useRef<HTMLInputElement>(null)
  const { search } = useLocation()
  const [keeping, setKeeping] = useState(false)
  useCommands([
    { keys: ['/'], label: 'Say which entries', strip: 'which entries', run: () => field.current?.focus() },
    { keys: ['k'], label: 'Open or keep a report', strip: 'kept reports', run: () => setKeeping(true) },
  ])
  return (
    <>
      <Select
        aria-label="What is added up"
        value={measure}
        options={MEASURES.map((one) => ({ value: one.value, name: by === 'ACCOUNT' ? one.ofAccounts : one.name }))}
        onChange={(next) => set({ measure: next })}
      />
      <Select aria-label="Rows" value={by} options={BY} onChange={(next) => set({ by: next })} />
      <QueryBox
        ref={field}
        label="Which entries"
        className="min-w-[220px] flex-1"
        text={text}
        onText={(next) => set({ text: next })}
      />
      <Button onClick={() => setKeeping(true)}>
        Kept <kbd>K</kbd>
      </Button>
      {keeping && <KeptReports address={search} onClose={() => setKeeping(false)} />}
    </>
  )
}
