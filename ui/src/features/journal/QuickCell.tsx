import type { ReactNode } from 'react'
import { textLink } from '@/parts/look'
import type { FieldName } from './quick'

/** A field of the line with its name above, and below what it means, asks, or was refused for. */
export function QuickCell({
  name,
  label,
  hint,
  asks,
  choices = [],
  refused,
  children,
}: {
  name: FieldName
  label: string
  hint?: ReactNode
  /** What is unclear about it. */
  asks?: string | null
  /** What it may mean then, to be taken by a press. */
  choices?: { text: string; take: () => void }[]
  refused: { field?: string; message: string } | undefined
  children: ReactNode
}) {
  const wrong = refused?.field === name ? refused.message : undefined
  return (
    <div data-field={name} className="min-w-0">
      <span className="block h-[18px] truncate text-small text-ink-2" aria-hidden>
        {label}
      </span>
      {children}
      <span
        className={`block min-h-[18px] text-small ${wrong ? 'text-aril' : asks ? 'text-heartwood' : 'truncate text-ink-2'}`}
        role={wrong ? 'alert' : undefined}
      >
        {wrong ?? asks ?? hint}{' '}
        {choices.map(({ text, take }) => (
          <button key={text} type="button" className={textLink({ size: 'small', className: 'mr-2' })} onClick={take}>
            {text}
          </button>
        ))}
      </span>
    </div>
  )
}
