import { createContext, type ReactNode, useState } from 'react'

/** The box that scrolls around what is drawn in it, for lists that draw only what is in sight. */
export const ScrollBox = createContext<HTMLElement | null>(null)

/** A part of the page that scrolls by itself; the keyboard can reach and scroll it, or the grid in it. */
export function Scroll({
  label,
  grid,
  className = '',
  children,
}: {
  label: string
  /** Whether it holds a grid, which is reached by its rows. */
  grid?: boolean
  className?: string
  children: ReactNode
}) {
  // As state, not as a ref: what is drawn in it looks for its box before a ref would be set.
  const [box, setBox] = useState<HTMLElement | null>(null)
  return (
    <section
      ref={setBox}
      className={`relative min-h-0 flex-1 overflow-auto focus-visible:outline-offset-[-2px] ${className}`}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling box has to be reachable by keyboard
      tabIndex={grid ? undefined : 0}
      aria-label={label}
    >
      <ScrollBox.Provider value={box}>{children}</ScrollBox.Provider>
    </section>
  )
}
