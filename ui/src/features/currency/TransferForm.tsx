import { useQuery } from '@tanstack/react-query'
import { type FormEvent, useState } from 'react'
import { api, data } from '@/api/client'
import { useSays } from '@/app/says'
import { type Account, AccountPicker } from '@/parts/AccountPicker'
import { AmountField, ProblemNote, TextField, useAct } from '@/parts/Form'
import { figure, isPositive, isZero, typedAmount } from '@/parts/figures'
import { JournalEntry } from '@/parts/JournalEntry'

const own = (a: Account) => a.hasOpeningBalance

/** Books a transfer between two own accounts, each with the amount in its own currency. */
export function TransferForm({ today }: { today: string }) {
  const [date, setDate] = useState(today)
  const [from, setFrom] = useState<Account>()
  const [to, setTo] = useState<Account>()
  const [given, setGiven] = useState('')
  const [taken, setTaken] = useState('')
  const { act, error, busy } = useAct()
  const says = useSays()
  const same = from !== undefined && from.currency === to?.currency
  const amounts = { given: typedAmount(given), taken: typedAmount(same ? given : taken) }
  const body =
    from && to && amounts.given && amounts.taken && date
      ? { date, fromId: from.id, given: amounts.given, toId: to.id, taken: amounts.taken }
      : undefined
  const preview = useQuery({
    queryKey: ['transfer', body],
    enabled: body !== undefined,
    retry: false,
    queryFn: () => data(api.POST('/api/transfers/preview', { body: body as NonNullable<typeof body> })),
  })

  function submit(event: FormEvent) {
    event.preventDefault()
    if (!body || !preview.data) return
    act(
      () => data(api.POST('/api/transfers', { body })),
      (made) => {
        says.done(`Booked as no. ${made.no}.`)
        setGiven('')
        setTaken('')
      },
    )
  }
  return (
    <form onSubmit={submit} aria-label="Transfer">
      <div className="row-form">
        <TextField label="Date" type="date" value={date} onChange={setDate} required />
        <div className="field w-[180px]">
          From
          <AccountPicker label="From" value={from?.id} only={own} without={to?.id} onChange={setFrom} />
        </div>
        <AmountField
          className="w-[110px]"
          label={from ? `Left, ${from.currency}` : 'Left'}
          value={given}
          onChange={setGiven}
        />
        <div className="field w-[180px]">
          To
          <AccountPicker label="To" value={to?.id} only={own} without={from?.id} onChange={setTo} />
        </div>
        {!same && (
          <AmountField
            className="w-[110px]"
            label={to ? `Arrived, ${to.currency}` : 'Arrived'}
            value={taken}
            onChange={setTaken}
          />
        )}
      </div>
      {preview.data && body && (
        <div className="mt-3 max-w-[440px]">
          {!same && from && to && (
            <p className="mb-2">
              1 {from.currency} was {preview.data.impliedRate} {to.currency}.{' '}
              {!isZero(preview.data.gain) && (
                <b className={isPositive(preview.data.gain) ? 'in' : undefined}>
                  {isPositive(preview.data.gain) ? 'Gained' : 'Lost'} by the exchange:{' '}
                  {figure(preview.data.gain.replace('-', ''))}
                </b>
              )}
            </p>
          )}
          <JournalEntry title="Would book" books={preview.data.books} between={preview.data.betweenBooks} />
        </div>
      )}
      <ProblemNote error={error ?? (body && preview.error)} />
      <button type="submit" className="btn mt-3" disabled={busy || !preview.data}>
        Book the transfer
      </button>
    </form>
  )
}
