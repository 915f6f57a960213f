import { useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useSays } from '@/app/says'
import { figure, longMonth, monthName } from '@/parts/figures'
import { amountText } from '@/parts/form/AmountInput'
import { Field } from '@/parts/form/Field'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { AmountField } from '@/parts/form/fields'
import { box } from '@/parts/look'
import { Select } from '@/parts/Select'
import { InspectorHead } from '@/parts/View'
import type { Book } from './BudgetTable'

/** For which months an amount is meant. */
type Reach = 'MONTH' | 'REST' | 'YEAR' | 'TOGETHER' | 'NOTHING'

/** What is planned: a category, or a group that is planned together. */
export interface Planned {
  accountId: string
  name: string
  /** What is planned for the month; empty if nothing is. */
  planned: string | undefined
}

/** Plans a category: one month, the months from it on, the whole year, or several months together. */
export function PlanMonths({
  book,
  row,
  month,
  onClose,
}: {
  book: Book
  row: Planned
  month: string
  onClose: () => void
}) {
  const says = useSays()
  const [reach, setReach] = useState<Reach>('MONTH')
  const [last, setLast] = useState(month)
  const of = useOwnForm({ amount: amountText(row.planned, book.currency) }, `planning ${row.accountId} ${month}`)
  const reaches: { value: Reach; name: string }[] = [
    { value: 'MONTH', name: `${monthName(month)} only` },
    { value: 'REST', name: `each month from ${monthName(month)} on` },
    { value: 'YEAR', name: 'each month of the year' },
    { value: 'TOGETHER', name: 'several months together' },
    { value: 'NOTHING', name: `nothing from ${monthName(month)} on` },
  ]
  const ends = {
    MONTH: { first: month, last: month },
    REST: { first: month, last: book.yearLast },
    YEAR: { first: book.yearFirst, last: book.yearLast },
    TOGETHER: { first: month, last },
    NOTHING: { first: month, last: book.yearLast },
  }[reach]

  function leave() {
    of.forget()
    onClose()
  }
  return (
    <Form
      of={of}
      className="flex flex-1 flex-col gap-3"
      fieldOf={{ first: 'amount', last: 'amount' }}
      send={async ({ amount }: { amount?: string }) => {
        const body: Schemas['PlanMonthsJson'] = {
          ...ends,
          together: reach === 'TOGETHER',
          ...(reach === 'NOTHING' || amount === undefined ? {} : { amount }),
        }
        await data(api.PUT('/api/budgets/{id}', { params: { path: { id: row.accountId } }, body }))
        await booksChanged()
        says.done(`${row.name} is planned.`)
        leave()
      }}
    >
      <InspectorHead title={`Plan ${row.name}`}>{longMonth(month)}</InspectorHead>
      {reach !== 'NOTHING' && (
        <AmountField
          name="amount"
          label={`What may be spent, ${book.currency}`}
          currency={book.currency}
          autoFocus
          needed={`Type what may be spent, such as ${figure('120.00')}.`}
        />
      )}
      <Select aria-label="For which months" value={reach} options={reaches} onChange={setReach} />
      {reach === 'TOGETHER' && (
        <Field label="Through" hint="What is left of one of these months goes on to the next.">
          {(ids) => (
            <input
              {...ids}
              type="month"
              className={box()}
              min={month}
              value={last}
              onChange={(event) => setLast(event.target.value || month)}
            />
          )}
        </Field>
      )}
      <Foot go="Plan it" onLeave={leave} />
    </Form>
  )
}
