import { api, data } from '@/api/client'
import { useSays } from '@/app/says'
import { type Account, AccountField } from '@/parts/AccountPicker'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { TextArea, TextField } from '@/parts/form/fields'
import type { Payee } from './Payees'

type Values = Record<'name' | 'knownAs' | 'categoryId' | 'accountNumber' | 'contact' | 'note', string>

const isCategory = (account: Account) => account.accountClass === 'INCOME' || account.accountClass === 'EXPENSE'

/** Renames a payee and says how banks call it; entries follow by themselves. */
export function ChangePayee({ payee, onClose }: { payee: Payee; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm(
    {
      name: payee.name,
      knownAs: payee.knownAs.join('\n'),
      categoryId: payee.categoryId ?? '',
      accountNumber: payee.accountNumber,
      contact: payee.contact,
      note: payee.note,
    },
    `payee ${payee.id}`,
  )
  async function change({ name, knownAs, categoryId, ...details }: Values) {
    const texts = knownAs
      .split('\n')
      .map((text) => text.trim())
      .filter((text) => text !== '')
    await data(
      api.PUT('/api/payees/{id}', {
        params: { path: { id: payee.id } },
        body: { version: payee.version, name, knownAs: texts, categoryId: categoryId || undefined, ...details },
      }),
    )
    says.done(`${name.trim()} changed.`)
  }
  return (
    <Form of={of} className="flex flex-col gap-3 p-5" send={change} done={onClose}>
      <h2 className="text-title/[1.2]">Change {payee.name}</h2>
      <TextField name="name" label="Name" needed="Say who this is." autoFocus />
      <AccountField
        name="categoryId"
        label="Category of its entries; empty for that of last time"
        mayCreate="EXPENSE"
        only={isCategory}
      />
      <TextArea name="knownAs" label="What banks write, one text a line" rows={3} />
      <TextField name="accountNumber" label="Its account number" />
      <TextArea name="contact" label="How to reach it" rows={2} />
      <TextArea name="note" label="Note" rows={2} />
      <Foot go="Change it" onLeave={onClose} />
    </Form>
  )
}
