import type { ReactNode } from 'react'
import { messageOf } from '@/api/client'

/** A view without rows: says so, and what to do about it. */
export function Nothing({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="nothing">
      <h2>{title}</h2>
      {children}
    </div>
  )
}

export function Loading({ what }: { what: string }) {
  return (
    <div className="loading" role="status">
      <span className="vh">Loading {what}</span>
    </div>
  )
}

export function Failed({ error, retry }: { error: unknown; retry?: () => void }) {
  return (
    <div className="p-6">
      <p className="note-error" role="alert">
        {messageOf(error)}{' '}
        {retry && (
          <button type="button" className="link" onClick={retry}>
            Try again
          </button>
        )}
      </p>
    </div>
  )
}
