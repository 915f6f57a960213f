import type { ReactNode } from 'react'

/** A part of the page that scrolls by itself; the keyboard can reach and scroll it. */
export function Scroll({
  label,
  className = '',
  children,
}: {
  label: string
  className?: string
  children: ReactNode
}) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling box has to be reachable by keyboard
    <section className={`scroll ${className}`} tabIndex={0} aria-label={label}>
      {children}
    </section>
  )
}
