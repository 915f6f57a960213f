import type { ReactNode } from 'react'
import { Mark } from '@/parts/Ring'
import { GrowthRings } from './GrowthRings'

/** The page before the books: one sentence, few fields. */
export function Door({ motto, children }: { motto: string; children: ReactNode }) {
  return (
    <main className="grid h-full grid-cols-[minmax(0,820px)_336px] items-center gap-10 overflow-auto bg-paper max-[1000px]:grid-cols-[minmax(0,1fr)_336px_minmax(24px,80px)] max-[680px]:grid-cols-[minmax(0,1fr)] max-[680px]:p-6">
      <GrowthRings />
      <div className="flex flex-col gap-[15px] [&_button[type=submit]]:h-[38px] [&_button[type=submit]]:justify-between [&_button[type=submit]]:text-lead [&_input]:h-[38px] [&_input]:px-[11px] [&_input]:text-lead">
        <h1 className="flex items-center gap-[13px] text-[27px]/none whitespace-nowrap [&_svg]:text-needle">
          <Mark size={34} />
          <span>Yew Ledger</span>
        </h1>
        <p className="mb-3.5 font-serif text-[17.5px]/6 text-ink-2 italic">{motto}</p>
        {children}
      </div>
    </main>
  )
}
