import { Dialog as Radix } from 'radix-ui'
import type { ReactNode } from 'react'

/**
 * A dialog over the page. The veil is our own: Radix's overlay locks scrolling by a style element,
 * which the content policy rightly refuses, and the page does not scroll anyway.
 */
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
        <div className="veil" />
        <Radix.Content className={wide ? 'dialog w-[720px]' : 'dialog'} aria-describedby={undefined}>
          <Radix.Title className="vh">{title}</Radix.Title>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
