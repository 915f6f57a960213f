import type { FormEvent, ReactNode } from 'react'
import { Mark } from '@/parts/Ring'
import { GrowthRings } from './GrowthRings'
import './sign-in.css'

/** The page before the books: one sentence, few fields. */
export function Door({
  motto,
  onSubmit,
  children,
}: {
  motto: string
  onSubmit?: (event: FormEvent) => void
  children: ReactNode
}) {
  return (
    <main className="sign-in">
      <GrowthRings />
      <form onSubmit={onSubmit}>
        <h1 className="mark">
          <Mark size={34} />
          <span>Yew Ledger</span>
        </h1>
        <p className="motto">{motto}</p>
        {children}
      </form>
    </main>
  )
}
