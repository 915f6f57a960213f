import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react'
import { messageOf } from '@/api/client'

interface Saying {
  text: string
  bad?: boolean
  undo?: () => void
}

interface Says {
  /** Says what was done, with a way to undo it where there is one. */
  done: (text: string, undo?: () => void) => void
  /** Takes back what was said, once it no longer holds. */
  clear: () => void
  /** Says what went wrong. */
  failed: (error: unknown) => void
}

const SaysContext = createContext<Says>({ done: () => {}, clear: () => {}, failed: () => {} })

export const useSays = () => useContext(SaysContext)

/** One line above the key strip: what was just done, or why it was not. */
export function SaysProvider({ children }: { children: ReactNode }) {
  const [saying, setSaying] = useState<Saying>()

  useEffect(() => {
    if (!saying || saying.bad) return
    const timer = setTimeout(() => setSaying(undefined), 8000)
    return () => clearTimeout(timer)
  }, [saying])

  const done = useCallback((text: string, undo?: () => void) => setSaying({ text, undo }), [])
  const failed = useCallback((error: unknown) => setSaying({ text: messageOf(error), bad: true }), [])
  const clear = useCallback(() => setSaying(undefined), [])
  const says = useMemo(() => ({ done, clear, failed }), [done, clear, failed])
  return (
    <SaysContext.Provider value={says}>
      {children}
      <div role={saying?.bad ? 'alert' : 'status'}>
        {saying && (
          <div className={saying.bad ? 'says bad' : 'says'}>
            <span>{saying.text}</span>
            {saying.undo && (
              <button
                type="button"
                className="link"
                onClick={() => {
                  saying.undo?.()
                  setSaying(undefined)
                }}
              >
                Undo
              </button>
            )}
            <button type="button" className="link" onClick={() => setSaying(undefined)}>
              Close
            </button>
          </div>
        )}
      </div>
    </SaysContext.Provider>
  )
}
