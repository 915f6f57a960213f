import { useEffect, useState } from 'react'
import type { Schemas } from '@/api/client'
import { useReading } from '@/api/reading'
import { figure, longDay } from '@/parts/figures'
import { AmountInput, amountIn } from '@/parts/form/AmountInput'
import { DAY, DayInput } from '@/parts/form/DayInput'
import { Field } from '@/parts/form/Field'
import { ProblemNote } from '@/parts/form/ProblemNote'

type Of = Schemas['ForecastAccountJson']

/** An entry that is not booked: what it would move on an account. */
export interface Tried {
  accountId: string
  on: string
  amount: string
}

/** Tries an entry out on an account; nothing is booked by it. */
export function TryEntry({
  of,
  withIt,
  problem,
  onTry,
}: {
  of: Of
  withIt?: Of
  problem: unknown
  onTry: (tried: Tried | undefined) => void
}) {
  const [amount, setAmount] = useState('')
  const [on, setOn] = useState('')
  const { accountId } = of
  const moved = useReading(amountIn(of.currency), amount).value
  const day = useReading(DAY, on).value
  useEffect(
    () => onTry(moved && day ? { accountId, on: day, amount: moved } : undefined),
    [accountId, moved, day, onTry],
  )
  return (
    <section className="mt-4 border-t border-hairline-2 pt-3" aria-label="What if">
      <h3 className="mb-2">What if</h3>
      <div className="mb-3 grid grid-cols-2 gap-3">
        <Field label={`Moved, ${of.currency}`} hint="With a minus it is paid.">
          {(ids) => <AmountInput {...ids} text={amount} onText={setAmount} currency={of.currency} />}
        </Field>
        <Field label="On">{(ids) => <DayInput {...ids} text={on} onText={setOn} />}</Field>
      </div>
      {problem !== undefined && <ProblemNote error={problem} />}
      {withIt && (
        <p role="status">
          {of.accountName} would stand lowest at{' '}
          <span className={withIt.lowest.usual.startsWith('-') ? 'font-semibold text-heartwood' : 'font-semibold'}>
            {figure(withIt.lowest.usual)}
          </span>{' '}
          on {longDay(withIt.lowest.date)}, not at {figure(of.lowest.usual)}. Nothing is booked.
        </p>
      )}
    </section>
  )
}
