import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react'
import { messageOf } from '@/api/client'
import { textLink } from '@/parts/look'

interface Saying {
  text: string
  bad?: boolean
  undo?: () => void
  /** Whether it tells of an act, which is then the last one. */
  act?: boolean
  retry?: () => void
}

/** The last act of the person, which can be undone. */
export interface LastAct {
  words: string
  undo: () => void
}

interface Says {
  /** Says which act was done; its undo stands beside it, and another way back where one is given. */
  done: (text: string, undo?: () => void) => void
  /** Says something that is no act of the books, or cannot be undone. */
  note: (text: string) => void
  /** Takes back what was said, once it no longer holds. */
  clear: () => void
  /** Says what went wrong. */
  failed: (error: unknown, retry?: () => void) => void
  /** Says how far some work has come; an empty step says that it is over. */
  progress: (work: string, step: string) => void
  /** Tells which act can be undone now. */
  last: (act: LastAct | undefined) => void
}

const nothing = () => {}
const SaysContext = createContext<Says>({
  done: nothing,
  note: nothing,
  clear: nothing,
  failed: nothing,
  progress: nothing,
  last: nothing,
})

export const useSays = () => useContext(SaysContext)

/** So long, in milliseconds, what was done stands over the key strip; its undo stays in the strip. */
const STANDS = 8000

/** One place above the key strip: what was just done, or why it was not, and how far long work has come. */
export function SaysProvider({ children }: { children: ReactNode }) {
  const [saying, setSaying] = useState<Saying>()
  const [works, setWorks] = useState<Record<string, string>>({})
  const [act, setAct] = useState<LastAct>()

  useEffect(() => {
    if (!saying || saying.bad) return
    const timer = setTimeout(() => setSaying(undefined), STANDS)
    return () => clearTimeout(timer)
  }, [saying])

  const done = useCallback((text: string, undo?: () => void) => setSaying({ text, undo, act: true }), [])
  const note = useCallback((text: string) => setSaying({ text }), [])
  const failed = useCallback(
    (error: unknown, retry?: () => void) => setSaying({ text: messageOf(error), bad: true, retry }),
    [],
  )
  const clear = useCallback(() => setSaying(undefined), [])
  const progress = useCallback(
    (work: string, step: string) =>
      setWorks((old) => {
        const { [work]: _, ...others } = old
        return step === '' ? others : { ...others, [work]: step }
      }),
    [],
  )
  const says = useMemo(
    () => ({ done, note, clear, failed, progress, last: setAct }),
    [done, note, clear, failed, progress],
  )
  const undo = saying?.undo ?? (saying?.act ? act?.undo : undefined)
  return (
    <SaysContext.Provider value={says}>
      {children}
      <div role="status" aria-label="Long work">
        {Object.entries(works).map(([work, step]) => (
          <div
            key={work}
            className="fixed right-0 bottom-[27px] left-0 z-30 flex animate-late min-h-[27px] items-center gap-3 border-t border-hairline-2 bg-leaf px-(--edge)"
          >
            <span className="size-2 flex-none animate-pulse rounded-full bg-heartwood motion-reduce:animate-none" />
            <b className="font-medium">{work}</b> <span className="text-ink-2">{step}; you can go on meanwhile</span>
          </div>
        ))}
      </div>
      <div role={saying?.bad ? 'alert' : 'status'}>
        {saying && (
          <div
            className={`fixed inset-x-0 bottom-0 z-30 flex min-h-[27px] items-center gap-4 px-(--edge) py-1 ${saying.bad ? 'border-t border-aril bg-aril-tint text-aril' : 'bg-ink text-paper'}`}
          >
            <span>{saying.text}</span>
            {undo && (
              <button
                type="button"
                className={textLink({ tone: 'inherit' })}
                title={saying.undo ? undefined : act?.words}
                onClick={() => {
                  setSaying(undefined)
                  undo()
                }}
              >
                Undo
              </button>
            )}
            {saying.retry && (
              <button
                type="button"
                className={textLink({ tone: 'inherit' })}
                onClick={() => {
                  setSaying(undefined)
                  saying.retry?.()
                }}
              >
                Try again
              </button>
            )}
            <button type="button" className={textLink({ tone: 'inherit' })} onClick={() => setSaying(undefined)}>
              Close
            </button>
          </div>
        )}
      </div>
    </SaysContext.Provider>
  )
}
