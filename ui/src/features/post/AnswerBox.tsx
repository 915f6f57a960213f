import { useEffect, useRef } from 'react'
import { type Account, AccountPicker } from '@/parts/AccountPicker'
import type { Waiting } from './types'

/** Says on the line itself where it is booked: a few letters and Enter. */
export function AnswerBox({
  line,
  onAnswered,
  onLeft,
}: {
  line: Waiting
  onAnswered: (line: Waiting, account: Account) => void
  onLeft: () => void
}) {
  const box = useRef<HTMLInputElement | null>(null)
  // After the row has got the focus that goes with the selection.
  useEffect(() => {
    const later = setTimeout(() => box.current?.focus())
    return () => clearTimeout(later)
  }, [])
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: it only listens to the box in it
    <div
      onClick={(event) => event.stopPropagation()}
      onKeyDown={(event) => {
        event.stopPropagation()
        if (event.key === 'Escape') onLeft()
      }}
    >
      <AccountPicker
        key={line.id}
        line
        inputRef={(element) => {
          box.current = element
        }}
        aria-label={`Books to, ${line.text}`}
        value={undefined}
        bookId={line.bookId}
        otherBooks
        without={line.accountId}
        mayCreate={line.amount.startsWith('-') ? 'EXPENSE' : 'INCOME'}
        onChange={(account) => account && onAnswered(line, account)}
        onUnknown={() => {}}
      />
    </div>
  )
}
