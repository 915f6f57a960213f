import { type RefObject, useEffect, useRef } from 'react'

/**
 * Keeps the selected row in sight, and the focus on it: where nothing else has it, so that a person who types, or
 * stands on a button, is not taken from there.
 */
export function useFollow(body: RefObject<HTMLElement | null>, selected: string | undefined, scroll: () => void) {
  const before = useRef<string | undefined>(undefined)
  const begun = useRef(false)
  const wanted = useRef<string | undefined>(undefined)

  // biome-ignore lint/correctness/useExhaustiveDependencies: only another selection scrolls
  useEffect(() => {
    if (selected === before.current) return
    before.current = selected
    scroll()
    if (begun.current && isFree(body.current)) wanted.current = selected
    begun.current = true
  }, [selected])
  // The row may be drawn only after the list was scrolled to it.
  useEffect(() => {
    if (wanted.current === undefined) return
    const row = body.current?.querySelector<HTMLElement>(`[data-row="${CSS.escape(wanted.current)}"]`)
    if (!row) return
    wanted.current = undefined
    row.focus({ preventScroll: true })
  })
}

function isFree(body: HTMLElement | null): boolean {
  // A dialog over the list keeps the focus, even while what had it is gone.
  if (document.querySelector('[role="dialog"]')) return false
  const focused = document.activeElement
  return (
    focused === null ||
    focused === document.body ||
    focused.matches('main, main h1') ||
    (body?.contains(focused) ?? false)
  )
}
