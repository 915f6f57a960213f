import { useQuery } from '@tanstack/react-query'
import { type FormEvent, useState } from 'react'
import { api, data, messageOf } from '@/api/client'
import { accounts } from '@/api/queries'
import { AccountPicker } from '@/parts/AccountPicker'
import { typedAmount } from '@/parts/figures'
import { JournalEntry } from '@/parts/JournalEntry'
import type { Booking } from './booking'
import type { Waiting } from './types'

interface Draft {
  key: number
  accountId: string
  amount: string
  other: string
  note: string
}

function drafts(booking: Booking, line: Waiting, split: boolean): Draft[] {
  const parts = booking.parts.map((p, key) => ({
    key,
    accountId: p.accountId,
    amount: withoutSign(p.amount, line),
    other: p.otherAmount ?? '',
    note: p.note ?? '',
  }))
  if (parts.length === 0)
    parts.push({ key: 0, accountId: '', amount: withoutSign(line.amount, line), other: '', note: '' })
  if (split && parts.length === 1) parts.push({ key: 1, accountId: '', amount: '', other: '', note: '' })
  return parts
}

/** Says what one line is: payee, category, and for a split several parts that add up to the line. */
export function BookingEditor({
  line,
  booking,
  split,
  onDone,
  onCancel,
}: {
  line: Waiting
  booking: Booking
  split: boolean
  onDone: (booking: Booking) => void
  onCancel: () => void
}) {
  const [payee, setPayee] = useState(booking.payee || line.payee || line.memo)
  const [note, setNote] = useState(booking.note ?? '')
  const [parts, setParts] = useState(() => drafts(booking, line, split))
  const { data: all = [] } = useQuery(accounts)
  const several = parts.length > 1
  /** The currency of an own account in another currency than the line's; undefined for all others. */
  const abroad = (id: string) => {
    const account = all.find((a) => a.id === id)
    return account?.hasOpeningBalance && account.currency !== line.currency ? account.currency : undefined
  }
  const draft: Booking = {
    payee,
    note,
    parts: parts.map((p) => ({
      accountId: p.accountId,
      amount: several ? withSign(p.amount, line) : line.amount,
      otherAmount: abroad(p.accountId) ? typedAmount(p.other) : undefined,
      note: p.note,
    })),
  }
  const filled = payee.trim() !== '' && draft.parts.every((p) => p.accountId && p.amount)
  const check = useQuery({
    queryKey: ['would-book', line.id, draft],
    enabled: filled,
    retry: false,
    queryFn: () =>
      data(api.POST('/api/waiting-lines/{id}/preview', { params: { path: { id: line.id } }, body: draft })),
  })

  const change = (key: number, to: Partial<Draft>) =>
    setParts((old) => old.map((p) => (p.key === key ? { ...p, ...to } : p)))
  function submit(event: FormEvent) {
    event.preventDefault()
    if (filled && check.data) onDone(draft)
  }

  return (
    <form
      className="booking"
      aria-label={split ? 'Split the line' : 'Change this line'}
      onSubmit={submit}
      onKeyDown={(e) => e.key === 'Escape' && onCancel()}
    >
      <label className="field">
        Payee
        <input value={payee} onChange={(e) => setPayee(e.target.value)} />
      </label>
      {parts.map((p, i) => (
        <div className={several ? 'part several' : 'part'} key={p.key}>
          <div className="field">
            {several ? `Part ${i + 1}` : 'Books to'}
            <AccountPicker
              label={several ? `Books to, part ${i + 1}` : 'Books to'}
              value={p.accountId}
              bookId={line.bookId}
              otherBooks
              without={line.accountId}
              autoFocus={several ? i === parts.length - 1 : true}
              onChange={(a) => change(p.key, { accountId: a.id })}
            />
          </div>
          {abroad(p.accountId) && (
            <label className="field">
              {line.amount.startsWith('-') ? 'Arrived' : 'Left'} there, {abroad(p.accountId)}
              <input
                inputMode="decimal"
                className="n"
                value={p.other}
                placeholder="0.00"
                onChange={(e) => change(p.key, { other: e.target.value })}
              />
            </label>
          )}
          {several && (
            <label className="field">
              Amount
              <input
                inputMode="decimal"
                className="n"
                aria-label={`Amount, part ${i + 1}`}
                value={p.amount}
                placeholder="0.00"
                onChange={(e) => change(p.key, { amount: e.target.value })}
              />
            </label>
          )}
        </div>
      ))}
      <button
        type="button"
        className="link s justify-self-start"
        onClick={() =>
          setParts((old) => [
            ...old,
            { key: Math.max(...old.map((p) => p.key)) + 1, accountId: '', amount: '', other: '', note: '' },
          ])
        }
      >
        {several ? 'One more part' : 'Split it'}
      </button>
      <label className="field">
        Note
        <input value={note} onChange={(e) => setNote(e.target.value)} />
      </label>
      {filled && check.error && (
        <p className="note-error" role="alert">
          {messageOf(check.error)}
        </p>
      )}
      {filled && check.data && (
        <JournalEntry title="Would book" books={check.data.books} between={check.data.betweenBooks} />
      )}
      <div className="acts">
        <button type="submit" className="btn go" disabled={!filled || !check.data}>
          Take it <kbd>Enter</kbd>
        </button>
        <button type="button" className="btn" onClick={onCancel}>
          Leave it <kbd>Esc</kbd>
        </button>
      </div>
    </form>
  )
}

/** A part is typed without a sign; it goes the way of its line, unless a sign says otherwise. */
function withSign(typed: string, line: Waiting): string {
  const amount = typedAmount(typed)
  if (amount === undefined) return ''
  const out = line.amount.startsWith('-')
  return out && !/^[+-]/.test(typed.trim().replace('−', '-')) ? `-${amount}` : amount
}

/** The inverse: shown as a person would type it. */
function withoutSign(amount: string, line: Waiting): string {
  if (!line.amount.startsWith('-')) return amount
  return amount.startsWith('-') ? amount.slice(1) : `+${amount}`
}
