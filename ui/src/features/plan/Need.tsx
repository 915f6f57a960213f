import { api, data } from '@/api/client'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { figure, longDay } from '@/parts/figures'
import { amountText } from '@/parts/form/AmountInput'
import { dayText } from '@/parts/form/DayInput'
import { Foot, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { AmountField, DateField } from '@/parts/form/fields'
import { useSaidAct } from '@/parts/useSaidAct'
import { InspectorHead } from '@/parts/View'
import type { Purpose } from './SetAsides'

/** What a purpose needs, and by when. */
export function Need({ purpose, currency, onClose }: { purpose: Purpose; currency: string; onClose: () => void }) {
  const says = useSays()
  const act = useSaidAct()
  const { goal, accountId } = purpose
  const of = useOwnForm({ amount: amountText(goal?.amount, currency), by: dayText(goal?.by) }, `need of ${accountId}`)
  function leave() {
    of.forget()
    onClose()
  }
  return (
    <Form
      of={of}
      label={`What ${purpose.name} needs`}
      className="flex flex-1 flex-col gap-3"
      send={async ({ amount, by }) => {
        await data(api.PUT('/api/goals/balance', { body: { accountId, amount, by } }))
        says.done(`${purpose.name} needs ${figure(amount)} by ${longDay(by)}.`)
      }}
      done={onClose}
    >
      <InspectorHead title={`What ${purpose.name} needs`} figure={figure(purpose.stands)}>
        is set aside for it; what each month has to bring follows.
      </InspectorHead>
      <Row>
        <AmountField
          name="amount"
          label={`Needed, ${currency}`}
          currency={currency}
          className="w-[150px]"
          needed={`Type the amount, such as ${figure('1200.00')}.`}
          autoFocus
        />
        <DateField name="by" label="By" className="w-[150px]" needed="Type the day it is needed." />
      </Row>
      {goal && (
        <Button
          className="self-start"
          onClick={async () => {
            leave()
            await act(
              () => data(api.PUT('/api/goals/balance', { body: { accountId } })),
              `${purpose.name} needs nothing by a day any more.`,
            )
          }}
        >
          Give it up
        </Button>
      )}
      <Foot go="Keep it" onLeave={leave} />
    </Form>
  )
}
