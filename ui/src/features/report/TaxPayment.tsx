import { api, data, type Schemas } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useSays } from '@/app/says'
import { AccountField } from '@/parts/AccountPicker'
import { Button } from '@/parts/Button'
import { Dialog } from '@/parts/Dialog'
import { plainNumber } from '@/parts/figures'
import { Form, useOwnForm } from '@/parts/form/Form'
import { AmountField, DateField, TextField } from '@/parts/form/fields'
import { periodOf } from './period'

/** What was paid to the tax office, or what it paid back: an entry that the bank's line will find. */
export function TaxPayment({ table, onClose }: { table: Schemas['SalesTaxTableJson']; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm(
    { date: '', amount: plainNumber(table.returned?.due ?? table.due), accountId: '', payee: 'Tax office' },
    `payment of ${table.bookId} ${table.first}`,
  )
  return (
    <Dialog title="A payment of sales tax" open onClose={onClose}>
      <Form
        of={of}
        className="flex flex-col gap-3 p-5"
        send={async ({ date, amount, accountId, payee }) => {
          const body = { bookId: table.bookId, month: table.last, accountId, date, amount, payee }
          await data(api.POST('/api/sales-tax/payments', { body }))
          says.done('The payment is entered; its bank line will find it.')
          onClose()
          await booksChanged()
        }}
      >
        <h2 className="font-serif text-lead">A payment of sales tax</h2>
        <p className="text-ink-2">
          {table.bookName}, {periodOf(table)}. Where the tax office paid, type the amount with a minus.
        </p>
        <DateField name="date" label="Paid on" needed="Type the day, such as 28 or 28 10." autoFocus />
        <AmountField
          name="amount"
          label={`Amount, ${table.currency}`}
          currency={table.currency}
          needed="Type how much was paid."
        />
        <AccountField
          name="accountId"
          label="From"
          bookId={table.bookId}
          only={(account) => account.accountClass === 'ASSET' || account.accountClass === 'LIABILITY'}
          needed="Choose the account that it was paid from."
        />
        <TextField name="payee" label="Payee" needed="Type who was paid." />
        <Button type="submit" tone="go" size="wide">
          Enter it <kbd>Enter</kbd>
        </Button>
      </Form>
    </Dialog>
  )
}
