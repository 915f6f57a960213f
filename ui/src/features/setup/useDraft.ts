import { useEffect, useRef, useState } from 'react'
import { api, data } from '@/api/client'
import { queryClient } from '@/api/queries'
import { forgetKept, keep as keepForTab, kept } from '@/parts/kept'
import { type SetupPage, type TypedDraft, typed, untyped } from './draft'

const PAUSE = 500
const UNREAD = 'the new household'

/** A draft with texts that cannot be read, and the version that the rest of it made. */
interface Unread {
  version: number
  draft: TypedDraft
}

/** The draft of a new household, kept by the application as it is typed. */
export function useDraft(first: SetupPage) {
  const [before] = useState(() => kept<Unread>(UNREAD))
  const restored = before?.version === first.version ? before.draft : undefined
  const [draft, setDraft] = useState<TypedDraft>(restored ?? typed(first.draft))
  const [page, setPage] = useState(first)
  const [error, setError] = useState<unknown>()
  const [isKept, setKept] = useState(true)
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
        // What cannot be read is no part of the household yet; for this tab it is kept as it was typed.
        if (unread.length > 0) keepForTab(UNREAD, { version: answer.version, draft: sent } satisfies Unread)
        else forgetKept(UNREAD)
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
      if (!restored) return
    }
    setKept(false)
    const timer = setTimeout(keep, PAUSE)
    return () => clearTimeout(timer)
  }, [draft])

  return { draft, setDraft, page, error, kept: isKept, unread, keep, version }
}
