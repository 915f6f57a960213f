import { api, data, type Schemas } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { Button } from '@/parts/Button'
import { figure } from '@/parts/figures'
import { dayText } from '@/parts/form/DayInput'
import { Form, useOwnForm } from '@/parts/form/Form'
import { AmountField, DateField } from '@/parts/form/fields'
import { Acts } from '@/parts/View'

type Typed = Record<'closesOn' | 'closing' | 'opening' | 'in' | 'out', string>

/** Begins a statement from paper: the day it closes and the balance that it states. */
export function NewStatement({
  row,
  autoFocus,
  onBegun,
}: {
  row: Schemas['AccountToReconcileJson']
  autoFocus: boolean
  onBegun: (id: string) => void
}) {
  const of = useOwnForm(
    { closesOn: dayText(row.nextClosesOn), closing: '', opening: '', in: '', out: '' },
    `statement of ${row.accountId}`,
  )

  async function begin({ closesOn, closing, ...said }: Typed) {
    const body = {
      accountId: row.accountId,
      closesOn,
      closing,
      opening: said.opening || undefined,
      in: said.in || undefined,
      out: said.out || undefined,
    }
    onBegun((await data(api.POST('/api/statements', { body }))).id)
  }
  return (
    <Form of={of} send={begin} className="flex flex-1 flex-col gap-3" fieldOf={{ amount: 'closing' }}>
      <p className="text-ink-2">
        With the statement beside the screen: its last day and the balance at its end. What is owed on a card or a loan
        is below zero.
      </p>
      <DateField
        name="closesOn"
        label="Closes on"
        needed="Type the last day of the statement, such as 30 or 30 9."
        autoFocus={autoFocus}
      />
      <AmountField
        name="closing"
        label={`Closing balance, ${row.currency}`}
        currency={row.currency}
        needed={`Type the closing balance as it stands on the statement, such as ${figure('2409.65')}.`}
      />
      <AmountField
        name="opening"
        label="Opening balance, if the statement says it"
        currency={row.currency}
        placeholder={figure(row.agreedBalance)}
      />
      <div className="grid grid-cols-2 gap-3">
        <AmountField name="in" label="In, if it says so" currency={row.currency} />
        <AmountField name="out" label="Out, if it says so" currency={row.currency} />
      </div>
      <MayChange>
        <Acts>
          <Button type="submit" tone="go" size="wide">
            Begin to tick <kbd>Enter</kbd>
          </Button>
        </Acts>
      </MayChange>
    </Form>
  )
}
