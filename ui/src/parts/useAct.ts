import { useState } from 'react'
import { booksChanged } from '@/api/queries'

/** Does something that changes the books, and keeps what went wrong to be shown beside the form. */
export function useAct() {
  const [error, setError] = useState<unknown>()
  const [busy, setBusy] = useState(false)
  async function act<T>(work: () => Promise<T>, then?: (result: T) => void) {
    setBusy(true)
    setError(undefined)
    try {
      const result = await work()
      await booksChanged()
      then?.(result)
    } catch (e) {
      setError(e)
    } finally {
      setBusy(false)
    }
  }
  return { act, error, busy, setError }
}
