import type { ReactNode } from 'react'
import { Scroll } from '@/parts/Scroll'
import './household.css'

/** A quiet page of settings: a title, then its parts below each other. */
export function Page({ title, about, children }: { title: string; about: string; children: ReactNode }) {
  return (
    <main tabIndex={-1}>
      <section className="sheet">
        <Scroll label={title} className="settings">
          <div className="head">
            <h1>{title}</h1>
            <span className="q">{about}</span>
          </div>
          {children}
        </Scroll>
      </section>
    </main>
  )
}

/** A part of such a page: what it is about on the left, what can be done on the right. */
export function Part({ title, about, children }: { title: string; about?: ReactNode; children: ReactNode }) {
  return (
    <section className="setting" aria-label={title}>
      <div>
        <h2>{title}</h2>
        {about && <p className="q s">{about}</p>}
      </div>
      <div>{children}</div>
    </section>
  )
}
