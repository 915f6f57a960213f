import type { ReactNode } from 'react'
import { Icon } from './Icon'

/** The name of rows below it, which folds them away. */
export function Fold({ open, flip, children }: { open: boolean; flip: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      className="inline-flex items-center gap-2.5 border-0 bg-transparent p-0"
      aria-expanded={open}
      onClick={flip}
    >
      <Icon name={open ? 'down' : 'right'} />
      <span className="inline-flex items-center gap-2">{children}</span>
    </button>
  )
}
