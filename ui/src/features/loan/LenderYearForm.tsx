import { api, data } from '@/api/client'
import { useSays } from '@/app/says'
import { longDay } from '@/parts/figures'
import { amountText } from '@/parts/form/AmountInput'
import { dayText } from '@/parts/form/DayInput'
import { Foot, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { AmountField, DateField, TextField } from '@/parts/form/fields'
import { InspectorHead } from '@/parts/View'
import type { Loan } from './loan'

/** What the lender's yearly statement says, to be held against the books. */
export function LenderYearForm({ loan, onClose }: { loan: Loan; onClose: () => void }) {
  const says = useSays()
  const before = loan.lenderYears.at(-1)
  const of = useOwnForm(
    {
      after: dayText(before?.through),
      through: '',
      owedBefore: amountText(before?.lender.owedAfter, loan.currency),
      paid: '',
      interest: '',
      owedAfter: '',
      note: '',
    },
    `lender's year of ${loan.id}`,
  )
  function leave() {
    of.forget()
    onClose()
  }
  const amount = (name: 'owedBefore' | 'paid' | 'interest' | 'owedAfter', label: string) => (
    <AmountField
      name={name}
      label={`${label}, ${loan.currency}`}
      currency={loan.currency}
      className="w-[148px]"
      needed="Type the amount, as the letter says it."
    />
  )
  return (
    <Form
      of={of}
      label="What the lender says of a year"
      className="flex flex-1 flex-col gap-3"
      send={async ({ after, through, owedBefore, paid, interest, owedAfter, note }) => {
        await data(
          api.PUT('/api/loans/{id}/years', {
            params: { path: { id: loan.id } },
            body: { after, through, owedBefore, paid, interest, owedAfter, note },
          }),
        )
        says.done(`The lender’s year to ${longDay(through)} is kept.`)
      }}
      done={onClose}
    >
      <InspectorHead title="The lender’s year">What is owed, as the letter says it, without a sign.</InspectorHead>
      <Row>
        <DateField name="after" label="From the end of" className="w-[148px]" needed="Type the day." autoFocus />
        {amount('owedBefore', 'Owed then')}
      </Row>
      <Row>
        {amount('paid', 'Paid in the year')}
        {amount('interest', 'Of it interest')}
      </Row>
      <Row>
        <DateField name="through" label="To the end of" className="w-[148px]" needed="Type the day." />
        {amount('owedAfter', 'Owed then')}
      </Row>
      <TextField name="note" label="Where it stands" hint="Such as “letter of 9 October”." />
      <Foot go="Hold it against the books" onLeave={leave} />
    </Form>
  )
}
