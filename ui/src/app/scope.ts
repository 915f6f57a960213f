import { useQuery } from '@tanstack/react-query'
import { useCallback, useLayoutEffect, useRef } from 'react'
import { useSearchParams } from 'react-router'
import { almanac } from '@/api/queries'

/**
 * What every view looks at: the book (none: all) and the month. Both live in the address, so that a
 * view can be linked, reloaded and stepped back to. Without a month it is the one to work on.
 */
export function useScope() {
  const [params, setParams] = useSearchParams()
  const book = params.get('book') ?? undefined
  const chosen = params.get('month') ?? undefined
  const page = useQuery(almanac(chosen, book))
  const month = chosen ?? page.data?.month

  const set = useCallback(
    (name: string, value: string | undefined) =>
      setParams((old) => {
        const next = new URLSearchParams(old)
        if (value) next.set(name, value)
        else next.delete(name)
        return next
      }),
    [setParams],
  )
  return { book, month, chosen, page, set }
}

/** What a view looks for, kept in the address; empty texts leave it. Typing does not fill the way back. */
export function useAddress() {
  const [params, setParams] = useSearchParams()
  // Two changes may come before either is drawn: the second builds on the first, not on what is on the screen.
  const latest = useRef(params)
  useLayoutEffect(() => {
    latest.current = params
  }, [params])
  const set = useCallback(
    (changes: Record<string, string>) => {
      const next = new URLSearchParams(latest.current)
      for (const [name, value] of Object.entries(changes)) {
        if (value) next.set(name, value)
        else next.delete(name)
      }
      latest.current = next
      setParams(next, { replace: true })
    },
    [setParams],
  )
  return { params, set }
}

/** The part of the address that goes along to every other view. */
export function useScopeSearch(): string {
  const [params] = useSearchParams()
  const kept = new URLSearchParams()
  for (const name of ['book', 'month']) {
    const value = params.get(name)
    if (value) kept.set(name, value)
  }
  const text = kept.toString()
  return text ? `?${text}` : ''
}
