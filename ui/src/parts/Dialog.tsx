import { Dialog as Radix } from 'radix-ui'
import type { ReactNode } from 'react'

/** A dialog over the page; Escape and a click beside it close it, what its form holds is kept. */
export function Dialog({
  title,
  open,
  onClose,
  children,
  wide,
}: {
  title: string
  open: boolean
  onClose: () => void
  children: ReactNode
  wide?: boolean
}) {
  return (
    <Radix.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-20 bg-veil" />
        <Radix.Content
          className={`fixed top-[8vh] left-1/2 z-[21] max-h-[84vh] max-w-[calc(100vw-32px)] -translate-x-1/2 overflow-auto rounded-lg border border-hairline-2 bg-leaf [--ground:var(--leaf)] shadow-[0_12px_40px_rgb(0_0_0/0.16)] ${wide ? 'w-[720px]' : 'w-[560px]'}`}
          aria-describedby={undefined}
        >
          <Radix.Title className="sr-only">{title}</Radix.Title>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
