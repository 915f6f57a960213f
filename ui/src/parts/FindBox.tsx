import type { ReactNode, RefObject } from 'react'
import { Icon } from './Icon'

/** A box to find rows by what is typed; Escape empties and leaves it, Enter leaves it. */
export function FindBox({
  ref,
  label,
  placeholder,
  value,
  onChange,
  className = '',
  children,
}: {
  ref: RefObject<HTMLInputElement | null>
  label: string
  placeholder: string
  value: string
  onChange: (text: string) => void
  className?: string
  /** What is already set, before what is typed. */
  children?: ReactNode
}) {
  return (
    <div
      className={`flex h-[30px] items-center gap-[7px] rounded-md border border-hairline-2 bg-leaf pr-[7px] pl-2.5 text-ink-2 focus-within:border-dusk focus-within:outline-2 focus-within:outline-dusk-tint ${className}`}
    >
      <Icon name="search" />
      {children}
      <input
        ref={ref}
        className="min-w-0 flex-1 border-0 bg-transparent text-ink outline-0 placeholder:text-ink-3 placeholder:opacity-100"
        aria-label={label}
        placeholder={placeholder}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') onChange('')
          if (event.key === 'Escape' || event.key === 'Enter') event.currentTarget.blur()
        }}
      />
      <kbd>/</kbd>
    </div>
  )
}
