import type { ReactNode } from 'react'
import { useCommands } from '@/app/commands'
import { Button } from '@/parts/Button'
import { Acts } from '@/parts/View'

/** Where a form ends: what it does, and the way out. */
export function Foot({
  go,
  back = 'Leave it',
  onLeave,
  children,
}: {
  go: ReactNode
  back?: ReactNode
  onLeave?: () => void
  children?: ReactNode
}) {
  // A dialog hears it by itself; commands rest while one is open.
  useCommands(
    onLeave
      ? [{ keys: ['Escape'], label: typeof back === 'string' ? back : 'Leave it', whileTyping: true, run: onLeave }]
      : [],
  )
  return (
    <Acts>
      <Button type="submit" tone="go">
        {go} <kbd>Enter</kbd>
      </Button>
      {onLeave && (
        <Button onClick={onLeave}>
          {back} <kbd>Esc</kbd>
        </Button>
      )}
      {children}
    </Acts>
  )
}

/** Fields and their button side by side, as many as fit. */
export function Row({ children }: { children: ReactNode }) {
  return <div className="flex flex-wrap items-start gap-x-3 gap-y-2">{children}</div>
}

/** A button beside fields, at the height of their boxes. */
export function Beside({ children }: { children: ReactNode }) {
  return <div className="flex items-center gap-3 pt-[21px]">{children}</div>
}
