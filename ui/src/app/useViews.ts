import { useEffect } from 'react'
import { useLocation } from 'react-router'

/** So long, in milliseconds, a view may take until it has a heading. */
const COMES_WITHIN = 4000

/**
 * Names each view in the window's title and, when it changes, moves the focus to its heading, where it is read out.
 * A view that puts the focus into a field itself keeps it there.
 */
export function useViews(household: string | undefined) {
  const { pathname } = useLocation()
  useEffect(() => {
    const first = !document.body.dataset.view
    const until = performance.now() + COMES_WITHIN
    let frame = 0
    let named = ''
    function look() {
      const heading = document.querySelector<HTMLElement>('main h1')
      if (heading && heading.textContent !== named) {
        if (named === '' && !first) focusOn(heading)
        named = heading.textContent ?? ''
        document.body.dataset.view = pathname
        document.title = [named, household, 'Yew Ledger'].filter(Boolean).join(' \u00b7 ')
      }
      if (named === '' && performance.now() < until) frame = requestAnimationFrame(look)
    }
    look()
    // A heading counts what is left, and the title goes with it.
    const watching = new MutationObserver(look)
    watching.observe(document.body, { subtree: true, childList: true, characterData: true })
    return () => {
      cancelAnimationFrame(frame)
      watching.disconnect()
    }
  }, [pathname, household])
}

function focusOn(heading: HTMLElement) {
  const here = document.activeElement
  const typing = here instanceof HTMLElement && here.closest('main') !== null && here.matches('input, textarea')
  if (typing) return
  heading.tabIndex = -1
  heading.focus({ preventScroll: true })
}
