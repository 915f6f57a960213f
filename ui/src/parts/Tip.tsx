import { Tooltip } from 'radix-ui'
import type { ReactElement, ReactNode } from 'react'

/** A few words about what the pointer or the focus is on; nothing that is not found elsewhere too. */
export function Tip({ words, children }: { words: ReactNode; children: ReactElement }) {
  return (
    <Tooltip.Root>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content
          className="z-40 max-w-72 rounded bg-ink px-2 py-1 text-small text-paper"
          sideOffset={5}
          collisionPadding={8}
        >
          {words}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  )
}
