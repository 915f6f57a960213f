import { useQuery } from '@tanstack/react-query'
import { api, data, type Schemas } from '@/api/client'
import { accounts, books, queryClient } from '@/api/queries'
import { useSays } from '@/app/says'
import { Button } from './Button'
import { Form, useOwnForm } from './form/Form'
import { SelectField, TextField } from './form/fields'

type Account = Schemas['AccountJson']
type Kind = Schemas['AccountDraftJson']['kind']

const KINDS: { value: Kind; name: string; of: Account['accountClass'] }[] = [
  { value: 'EXPENSE', name: 'expense', of: 'EXPENSE' },
  { value: 'INCOME', name: 'income', of: 'INCOME' },
  { value: 'CURRENT', name: 'current account', of: 'ASSET' },
  { value: 'SAVINGS', name: 'savings', of: 'ASSET' },
  { value: 'CASH', name: 'cash', of: 'ASSET' },
  { value: 'CARD', name: 'card', of: 'LIABILITY' },
  { value: 'LOAN', name: 'loan', of: 'LIABILITY' },
]

/** A new category or account, made where it was missing: its name, its kind and its group. */
export function NewAccountInPlace({
  name,
  bookId,
  kind,
  onMade,
  onLeave,
}: {
  name: string
  bookId: string
  kind: Kind
  onMade: (account: Account) => void
  onLeave: () => void
}) {
  const { data: all = [] } = useQuery(accounts)
  const { data: allBooks = [] } = useQuery(books)
  const of = useOwnForm({ name: name.trim(), kind, parentId: '' })
  const says = useSays()
  const chosen = of.form.watch('kind')
  const groups = all.filter(
    (a) => a.group && a.bookId === bookId && a.accountClass === KINDS.find((k) => k.value === chosen)?.of,
  )
  const book = allBooks.find((b) => b.id === bookId)

  async function make(typed: { name: string; kind: Kind; parentId: string }) {
    const body: Schemas['AccountDraftJson'] = {
      bookId,
      name: typed.name,
      kind: typed.kind,
      parentId: groups.some((g) => g.id === typed.parentId) ? typed.parentId : undefined,
      currency: book?.currency ?? 'EUR',
      group: false,
      facts: {
        number: '',
        tail: '',
        institution: '',
        webPage: '',
        contact: '',
        notes: '',
        pinned: false,
        taxFormLine: '',
      },
    }
    const { id } = await data(api.POST('/api/accounts', { body }))
    // What is being read may be of before it was made.
    await queryClient.cancelQueries(accounts)
    const fresh = await queryClient.fetchQuery({ ...accounts, staleTime: 0 })
    const made = fresh.find((a) => a.id === id)
    if (made) {
      says.done(`${made.name} is in the chart of ${book?.name ?? 'the book'}.`)
      onMade(made)
    }
  }
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: Escape leaves the form within, wherever the focus is
    <div
      className="p-2"
      onKeyDown={(event) => {
        event.stopPropagation()
        if (event.key === 'Escape') onLeave()
      }}
    >
      <Form of={of} send={make} label="Make it" className="flex flex-col gap-2">
        <TextField name="name" label="Name" needed="Type a name." autoFocus />
        <SelectField name="kind" label="Kind" options={KINDS} />
        <SelectField
          name="parentId"
          label="In group"
          options={[{ value: '', name: 'none' }, ...groups.map((g) => ({ value: g.id, name: g.name }))]}
        />
        <div className="flex gap-2 pt-1">
          <Button type="submit" tone="go">
            Make it <kbd>Enter</kbd>
          </Button>
          <Button onClick={onLeave}>
            Leave it <kbd>Esc</kbd>
          </Button>
        </div>
      </Form>
    </div>
  )
}
