import { type ReactNode, useId } from 'react'

export interface Ids {
  id: string
  'aria-describedby': string | undefined
  'aria-invalid': boolean | undefined
}

/** A field with its name above it; what is wrong with it, or what it means, stands below and is read out with it. */
export function Field({
  label,
  hint,
  error,
  className = '',
  children,
}: {
  label: ReactNode
  hint?: ReactNode
  error?: ReactNode
  className?: string
  children: (ids: Ids) => ReactNode
}) {
  const id = useId()
  const note = error ?? hint
  return (
    <div className={`flex min-w-0 flex-col gap-[3px] ${className}`}>
      <label htmlFor={id} className="text-small text-ink-2">
        {label}
      </label>
      {children({
        id,
        'aria-describedby': note ? `${id}-note` : undefined,
        'aria-invalid': error ? true : undefined,
      })}
      {note && (
        <div
          id={`${id}-note`}
          className={`text-small whitespace-normal ${error ? 'text-aril' : 'text-ink-2'}`}
          role={error ? 'alert' : undefined}
        >
          {note}
        </div>
      )}
    </div>
  )
}
