import type { ReactNode } from 'react'
import { Mark } from '@/parts/Ring'
import { GrowthRings } from './GrowthRings'
import './sign-in.css'

/** The page before the books: one sentence, few fields. */
export function Door({ motto, children }: { motto: string; children: ReactNode }) {
  return (
    <main className="sign-in">
      <GrowthRings />
      <div className="door [&_button[type=submit]]:h-[38px] [&_button[type=submit]]:justify-between [&_button[type=submit]]:text-lead [&_input]:h-[38px] [&_input]:px-[11px] [&_input]:text-lead">
        <h1 className="mark">
          <Mark size={34} />
          <span>Yew Ledger</span>
        </h1>
        <p className="motto">{motto}</p>
        {children}
      </div>
    </main>
  )
}
