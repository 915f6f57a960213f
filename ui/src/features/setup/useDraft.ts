import { useEffect, useRef, useState } from 'react'
import { api, data } from '@/api/client'
import { queryClient } from '@/api/queries'
import { type SetupPage, type TypedDraft, typed, untyped } from './draft'

const PAUSE = 500

/** The draft of a new household, kept by the application as it is typed. */
export function useDraft(first: SetupPage) {
  const [draft, setDraft] = useState<TypedDraft>(() => typed(first.draft))
  const [page, setPage] = useState(first)
  const [error, setError] = useState<unknown>()
  const [kept, setKept] = useState(true)
  const [unread, setUnread] = useState<string[]>([])
  const version = useRef(first.version)
  const sending = useRef<Promise<void>>(Promise.resolve())
  const latest = useRef(draft)
  latest.current = draft

  /** Keeps what is typed; one change after the other, each with the version that the last one made. */
  function keep(): Promise<void> {
    sending.current = sending.current.then(async () => {
      const sent = latest.current
      try {
        const { draft, unread } = await untyped(sent, page.draft.beginsOn)
        const answer = await data(api.PUT('/api/setup', { body: { version: version.current, draft } }))
        version.current = answer.version
        setUnread(unread)
        setPage(answer)
        setError(undefined)
        if (latest.current === sent) setKept(unread.length === 0)
        queryClient.setQueryData(['setup'], answer)
        queryClient.invalidateQueries({ queryKey: ['almanac'] })
      } catch (e) {
        setError(e)
      }
    })
    return sending.current
  }

  const begun = useRef(false)
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new draft is what is waited for
  useEffect(() => {
    if (!begun.current) {
      begun.current = true
      return
    }
    setKept(false)
    const timer = setTimeout(keep, PAUSE)
    return () => clearTimeout(timer)
  }, [draft])

  return { draft, setDraft, page, error, kept, unread, keep, version }
}
