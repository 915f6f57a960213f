import { Dialog as Radix } from 'radix-ui'
import { type KeyboardEvent, type ReactNode, useMemo } from 'react'

/** A dialog over the page; Escape and a click beside it close it, what its form holds is kept. */
export function Dialog({
  title,
  open,
  onClose,
  onKeyDown,
  children,
  wide,
}: {
  title: string
  open: boolean
  onClose: () => void
  onKeyDown?: (event: KeyboardEvent) => void
  children: ReactNode
  wide?: boolean
}) {
  // It is opened by a command, not by a button of its own that the primitive would know; and a field in it may have the
  // focus before the primitive looks.
  const opener = useMemo(() => (open ? document.activeElement : null), [open])
  return (
    <Radix.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-20 bg-veil" />
        <Radix.Content
          className={`fixed top-[8vh] left-1/2 z-[21] max-h-[84vh] max-w-[calc(100vw-32px)] -translate-x-1/2 overflow-auto rounded-lg border border-hairline-2 bg-leaf [--ground:var(--leaf)] shadow-[0_12px_40px_rgb(0_0_0/0.16)] ${wide ? 'w-[720px]' : 'w-[560px]'}`}
          aria-describedby={undefined}
          onKeyDown={onKeyDown}
          onCloseAutoFocus={(event) => {
            event.preventDefault()
            focusAgain(opener)
          }}
        >
          <Radix.Title className="sr-only">{title}</Radix.Title>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}

/**
 * Goes back to where somebody was, unless what was done has led elsewhere; a row that was drawn anew meanwhile is found
 * by what it is of.
 */
function focusAgain(opener: Element | null) {
  if (!(opener instanceof HTMLElement) || document.activeElement !== document.body) return
  const { row } = opener.dataset
  const again = opener.isConnected ? opener : row && document.querySelector(`[data-row="${CSS.escape(row)}"]`)
  if (again instanceof HTMLElement) again.focus({ preventScroll: true })
}
