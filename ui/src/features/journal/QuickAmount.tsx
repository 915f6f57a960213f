import type { ReactNode } from 'react'
import { figure } from '@/parts/figures'
import { box } from '@/parts/look'
import { QuickCell } from './QuickCell'
import type { QuickRead, Refused } from './quick'

/** An amount of the line: a figure, a sum, or what is usual where nothing is typed. */
export function QuickAmount({
  name,
  label,
  currency,
  typed,
  read,
  usual,
  hint,
  refused,
  onType,
  onTake,
}: {
  name: 'amount' | 'arrives'
  label: string
  currency?: string
  typed: string
  read: QuickRead['amount'] | undefined | null
  usual?: string | null
  hint: ReactNode
  refused: Refused | undefined
  onType: (text: string) => void
  /** After one of the readings of an unclear amount was taken. */
  onTake: () => void
}) {
  return (
    <QuickCell
      name={name}
      label={currency === undefined ? label : `${label}, ${currency}`}
      refused={refused}
      hint={hint}
      asks={typed ? read?.problem : undefined}
      choices={read?.choices.map((value) => ({
        text: figure(value),
        take: () => {
          onType(figure(value))
          onTake()
        },
      }))}
    >
      <input
        className={box({ figures: true, className: 'w-full' })}
        aria-label={label}
        autoComplete="off"
        value={typed}
        placeholder={typed === '' && usual ? figure(usual) : ''}
        onChange={(event) => onType(event.target.value)}
      />
    </QuickCell>
  )
}
