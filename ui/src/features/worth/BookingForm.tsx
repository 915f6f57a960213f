import { api, data } from '@/api/client'
import { useSays } from '@/app/says'
import { AccountField } from '@/parts/AccountPicker'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { SelectField } from '@/parts/form/fields'
import { InspectorHead } from '@/parts/View'
import type { Investment } from './worth'

const METHODS = [
  { value: 'AVERAGE', name: 'the average of all that is held' },
  { value: 'FIRST_IN_FIRST_OUT', name: 'what was bought first' },
]

/** How trades of an investment account are booked. */
export function BookingForm({ investment, onClose }: { investment: Investment; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm(
    {
      method: investment.method ?? 'AVERAGE',
      cashId: investment.cashId ?? '',
      gainId: investment.gainId ?? '',
      dividendsId: investment.dividendsId ?? '',
      feesId: investment.feesId ?? '',
    },
    `booking of ${investment.accountId}`,
  )
  function leave() {
    of.forget()
    onClose()
  }
  const category = (name: 'gainId' | 'dividendsId' | 'feesId', label: string, of: 'INCOME' | 'EXPENSE') => (
    <AccountField
      name={name}
      label={label}
      bookId={investment.bookId}
      only={(account) => account.accountClass === of}
      mayCreate={of}
      needed="Choose a category."
    />
  )
  return (
    <Form
      of={of}
      label="How trades are booked"
      className="flex flex-1 flex-col gap-3"
      send={async ({ method, cashId, gainId, dividendsId, feesId }) => {
        await data(
          api.PUT('/api/investments/{id}', {
            params: { path: { id: investment.accountId } },
            body: {
              version: investment.version,
              method: method as 'AVERAGE',
              cashId,
              gainId,
              dividendsId,
              feesId,
            },
          }),
        )
        says.done(`Trades in ${investment.name} are booked so.`)
      }}
      done={onClose}
    >
      <InspectorHead title={investment.name}>
        How its trades are booked. It stands at what its holdings cost.
      </InspectorHead>
      <AccountField
        name="cashId"
        label="Paid from and to"
        bookId={investment.bookId}
        only={(account) => account.hasOpeningBalance && account.currency === investment.currency}
        without={investment.accountId}
        needed="Choose the account that pays and receives."
      />
      <SelectField name="method" label="A sale takes along the cost of" options={METHODS} />
      {category('gainId', 'Gains and losses of sales', 'INCOME')}
      {category('dividendsId', 'Dividends', 'INCOME')}
      {category('feesId', 'Fees for keeping', 'EXPENSE')}
      <Foot go="Keep it so" onLeave={leave} />
    </Form>
  )
}
