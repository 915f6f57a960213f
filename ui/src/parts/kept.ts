import { useCallback, useRef, useState } from 'react'

/** Half-written work, kept for this tab until it is done: leaving, reloading and signing out do not lose it. */
const PREFIX = 'yew-kept '

/** Whose it is; another person in this tab does not see it. */
let owner = ''

export function keepFor(person: string, household: string) {
  owner = `${person} ${household}`
}

const key = (name: string) => `${PREFIX}${owner} ${name}`

export function kept<T>(name: string): T | undefined {
  try {
    const text = sessionStorage.getItem(key(name))
    return text === null ? undefined : (JSON.parse(text) as T)
  } catch {
    return undefined
  }
}

export function keep(name: string, value: unknown) {
  try {
    sessionStorage.setItem(key(name), JSON.stringify(value))
  } catch {
    // A full or forbidden store keeps nothing; what is typed is still on the screen.
  }
}

export function forgetKept(name: string) {
  sessionStorage.removeItem(key(name))
}

/** State that is kept for this tab under a name; `undefined` puts it away. */
export function useKept<T>(name: string, first: T): [T, (next: T | undefined | ((old: T) => T)) => void] {
  const [held, setHeld] = useState<{ name: string; value: T | undefined }>(() => ({ name, value: kept<T>(name) }))
  // Another name is another piece of work.
  const value = held.name === name ? held.value : kept<T>(name)
  const latest = useRef(value ?? first)
  latest.current = value ?? first
  const set = useCallback(
    (change: T | undefined | ((old: T) => T)) => {
      const next = typeof change === 'function' ? (change as (old: T) => T)(latest.current) : change
      if (next === undefined) forgetKept(name)
      else keep(name, next)
      // Two changes before the next drawing build on each other.
      if (next !== undefined) latest.current = next
      setHeld({ name, value: next })
    },
    [name],
  )
  return [latest.current, set]
}
