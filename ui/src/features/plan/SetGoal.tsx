import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '@/api/client'
import { booksChanged, books as booksQuery } from '@/api/queries'
import { useSays } from '@/app/says'
import { useScope } from '@/app/scope'
import { AccountField } from '@/parts/AccountPicker'
import { figure, longMonth } from '@/parts/figures'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { AmountField, DateField } from '@/parts/form/fields'
import { Select } from '@/parts/Select'

const ACCOUNT = 'account'

/** Sets what a book is to earn in the fiscal year of the month, or what is to stand on an account by a day. */
export function SetGoal({ month, onClose }: { month: string; onClose: () => void }) {
  const says = useSays()
  const { book } = useScope()
  const books = useQuery(booksQuery).data?.filter((one) => !book || one.id === book) ?? []
  const [what, setWhat] = useState<string>()
  const chosen = what ?? books.at(-1)?.id ?? ACCOUNT
  const of = useOwnForm({ amount: '', accountId: '', by: '' })
  const currency = books.find((one) => one.id === chosen)?.currency ?? books[0]?.currency ?? 'EUR'
  const options = [
    ...books.map((one) => ({ value: one.id, name: `what ${one.name} earns in its year` })),
    { value: ACCOUNT, name: 'what stands on an account' },
  ]
  return (
    <Form
      of={of}
      className="flex flex-col gap-3 px-6 py-5"
      send={async ({ amount, accountId, by }: { amount?: string; accountId?: string; by?: string }) => {
        if (chosen === ACCOUNT) {
          await data(api.PUT('/api/goals/balance', { body: { accountId: accountId ?? '', amount, by } }))
        } else {
          await data(api.PUT('/api/goals/profit', { body: { bookId: chosen, month, amount } }))
        }
      }}
      done={async () => {
        await booksChanged()
        says.done('The goal is set.')
        onClose()
      }}
    >
      <h2 className="text-title/[1.2]">Set a goal</h2>
      <Select aria-label="A goal of" value={chosen} options={options} onChange={setWhat} />
      {chosen === ACCOUNT && (
        <AccountField
          name="accountId"
          label="Account"
          bookId={book}
          only={(account) => account.accountClass === 'ASSET'}
          needed="Choose the account."
        />
      )}
      <AmountField
        name="amount"
        label={`Amount, ${currency}`}
        currency={currency}
        needed={`Type the amount, such as ${figure('9600.00')}.`}
        hint={chosen === ACCOUNT ? undefined : `In the fiscal year that ${longMonth(month)} is in.`}
      />
      {chosen === ACCOUNT && <DateField name="by" label="By" needed="Type the day by which it is to stand there." />}
      <Foot go="Set it" onLeave={onClose} />
    </Form>
  )
}
