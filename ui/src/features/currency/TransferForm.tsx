import { useQuery } from '@tanstack/react-query'
import { api, data } from '@/api/client'
import { accounts } from '@/api/queries'
import { useReading } from '@/api/reading'
import { useSays } from '@/app/says'
import { type Account, AccountField } from '@/parts/AccountPicker'
import { Button } from '@/parts/Button'
import { figure, isPositive, isZero, plainNumber } from '@/parts/figures'
import { amountIn } from '@/parts/form/AmountInput'
import { DAY, dayText } from '@/parts/form/DayInput'
import { Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { AmountField, DateField } from '@/parts/form/fields'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { JournalEntry } from '@/parts/JournalEntry'

const own = (a: Account) => a.hasOpeningBalance

/** Books a transfer between two own accounts, each with the amount in its own currency. */
export function TransferForm({ today }: { today: string }) {
  const of = useOwnForm({ date: dayText(today), from: '', to: '', given: '', taken: '' }, 'a transfer')
  const { data: all = [] } = useQuery(accounts)
  const says = useSays()
  const typed = of.form.watch()
  const from = all.find((a) => a.id === typed.from)
  const to = all.find((a) => a.id === typed.to)
  const same = from !== undefined && from.currency === to?.currency
  const date = useReading(DAY, typed.date).value
  const given = useReading(amountIn(from?.currency ?? 'EUR'), typed.given).value
  const arrived = useReading(amountIn(to?.currency ?? 'EUR'), typed.taken).value
  const taken = same ? given : arrived
  const body = from && to && given && taken && date ? { date, fromId: from.id, given, toId: to.id, taken } : undefined
  const preview = useQuery({
    queryKey: ['transfer', body],
    enabled: body !== undefined,
    retry: false,
    queryFn: () => data(api.POST('/api/transfers/preview', { body: body as NonNullable<typeof body> })),
  })

  return (
    <Form
      of={of}
      label="Transfer"
      fieldOf={{ fromId: 'from', toId: 'to' }}
      send={async (sent) => {
        const { date, from: fromId, to: toId, given } = sent
        const body = { date, fromId, toId, given, taken: same ? given : sent.taken }
        const made = await data(api.POST('/api/transfers', { body }))
        says.done(`Booked as no. ${made.no}.`)
      }}
      done={() => {
        of.form.setValue('given', '')
        of.form.setValue('taken', '')
      }}
    >
      <Row>
        <DateField name="date" label="Date" className="w-[140px]" needed="Type the day." />
        <AccountField
          name="from"
          label="From"
          className="w-[180px]"
          only={own}
          without={to?.id}
          needed="Choose the account that it left."
        />
        <AmountField
          name="given"
          className="w-[120px]"
          label={from ? `Left, ${from.currency}` : 'Left'}
          currency={from?.currency ?? 'EUR'}
          needed="Type what left."
        />
        <AccountField
          name="to"
          label="To"
          className="w-[180px]"
          only={own}
          without={from?.id}
          needed="Choose the account that it came to."
        />
        {!same && (
          <AmountField
            name="taken"
            className="w-[120px]"
            label={to ? `Arrived, ${to.currency}` : 'Arrived'}
            currency={to?.currency ?? 'EUR'}
            needed="Type what arrived."
          />
        )}
      </Row>
      {preview.data && body && (
        <div className="mt-3 max-w-[440px]">
          {!same && from && to && (
            <p className="mb-2">
              1 {from.currency} was {plainNumber(preview.data.impliedRate)} {to.currency}.{' '}
              {!isZero(preview.data.gain) && (
                <b className={isPositive(preview.data.gain) ? 'text-needle' : undefined}>
                  {isPositive(preview.data.gain) ? 'Gained' : 'Lost'} by the exchange:{' '}
                  {figure(preview.data.gain.replace('-', ''))}
                </b>
              )}
            </p>
          )}
          <JournalEntry title="Would book" books={preview.data.books} between={preview.data.betweenBooks} />
        </div>
      )}
      {body && <ProblemNote error={preview.error} />}
      <Button type="submit" className="mt-3">
        Book the transfer
      </Button>
    </Form>
  )
}
