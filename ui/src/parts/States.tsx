import type { ReactNode } from 'react'
import { messageOf } from '@/api/client'
import { noteBox, textLink } from '@/parts/look'

/** A view without rows: says so, and what to do about it. */
export function Nothing({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="flex flex-1 flex-col items-center justify-center gap-2 px-6 py-12 text-center text-ink-2">
      <h2 className="text-[19px]/[26px] text-ink">{title}</h2>
      {children}
    </div>
  )
}

export function Loading({ what }: { what: string }) {
  return (
    <div
      className="relative h-0.5 flex-none overflow-hidden after:absolute after:inset-[0_60%_0_0] after:animate-slide after:bg-needle-2 motion-reduce:after:inset-0 motion-reduce:after:animate-none"
      role="status"
    >
      <span className="sr-only">Loading {what}</span>
    </div>
  )
}

export function Failed({ error, retry }: { error: unknown; retry?: () => void }) {
  return (
    <div className="p-6">
      <p className={noteBox({ tone: 'bad' })} role="alert">
        {messageOf(error)}{' '}
        {retry && (
          <button type="button" className={textLink()} onClick={retry}>
            Try again
          </button>
        )}
      </p>
    </div>
  )
}
