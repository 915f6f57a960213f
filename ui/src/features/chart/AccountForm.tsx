import { useQuery } from '@tanstack/react-query'
import { api, data, type Schemas } from '@/api/client'
import { accounts, books, taxRates } from '@/api/queries'
import { useSays } from '@/app/says'
import { useScope } from '@/app/scope'
import { AccountField } from '@/parts/AccountPicker'
import { lastDay } from '@/parts/figures'
import { amountText, numberText } from '@/parts/form/AmountInput'
import { dayText } from '@/parts/form/DayInput'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import {
  AmountField,
  CheckField,
  CurrencyField,
  DateField,
  NumberField,
  SelectField,
  TextArea,
  TextField,
} from '@/parts/form/fields'
import { InstitutionField } from '@/parts/form/InstitutionField'
import { Loading } from '@/parts/States'
import { accountPage } from './AccountInspector'
import { type AccountPage, type ChartRow, CLASS_OF, KIND_NAMES, KINDS_BY_HAND, type Kind } from './types'

type Draft = Schemas['AccountDraftJson']

interface Props {
  bookId: string
  accountId?: string
  /** The account selected meanwhile: a new one is likely of its kind, in its group. */
  near?: ChartRow
  onClose: () => void
  onSaved: (id: string) => void
}

/** Makes an account or changes one, with all that is to be known of it. */
export function AccountForm({ accountId, ...props }: Props) {
  const { month } = useScope()
  const on = month ? lastDay(month) : ''
  const page = useQuery({ ...accountPage(accountId ?? '', on), enabled: accountId !== undefined })
  if (accountId === undefined) return <FilledForm {...props} />
  return page.data ? <FilledForm {...props} page={page.data} /> : <Loading what="the account" />
}

/** What the form holds: texts, as they are typed. */
type Typed = ReturnType<typeof typedOf>

function typedOf(bookId: string, near: ChartRow | undefined, page: AccountPage | undefined, base: string) {
  const currency = page?.currency ?? base
  return {
    bookId: page?.bookId ?? bookId,
    parentId: (page ? page.parentId : near?.group ? near.id : near?.parentId) ?? '',
    name: page?.name ?? '',
    kind: page?.kind ?? (near && !near.keptByCore ? near.kind : 'CURRENT'),
    currency,
    group: page?.group ?? false,
    opensOn: dayText(page?.opensOn),
    opening: '',
    institution: page?.facts.institution ?? '',
    number: page?.facts.number ?? '',
    tail: page?.facts.tail ?? '',
    webPage: page?.facts.webPage ?? '',
    contact: page?.facts.contact ?? '',
    creditLimit: amountText(page?.facts.creditLimit, currency),
    interestRate: numberText(page?.facts.interestRate),
    taxRateId: page?.facts.taxRateId ?? '',
    taxFormLine: page?.facts.taxFormLine ?? '',
    pinned: page?.facts.pinned ?? false,
    notes: page?.facts.notes ?? '',
  }
}

function draftOf(typed: Typed, page: AccountPage | undefined, base: string): Draft {
  const { name, kind, bookId, parentId, group, number, tail, institution, webPage, contact, notes, pinned } = typed
  const category = CLASS_OF[kind] === 'INCOME' || CLASS_OF[kind] === 'EXPENSE'
  return {
    bookId,
    parentId: parentId || undefined,
    name,
    kind,
    currency: category ? base : typed.currency,
    group,
    opensOn: page ? page.opensOn : typed.opensOn || undefined,
    opening: typed.opensOn && typed.opening ? typed.opening : undefined,
    facts: {
      number,
      tail,
      institution,
      webPage,
      contact,
      notes,
      pinned,
      creditLimit: typed.creditLimit || undefined,
      interestRate: typed.interestRate || undefined,
      taxRateId: typed.taxRateId || undefined,
      taxFormLine: typed.taxFormLine,
    },
  }
}

function FilledForm({ bookId, near, page, onClose, onSaved }: Omit<Props, 'accountId'> & { page?: AccountPage }) {
  const says = useSays()
  const { data: allBooks = [] } = useQuery(books)
  const { data: allAccounts = [] } = useQuery(accounts)
  const { data: rates = [] } = useQuery(taxRates)
  const ofBook = (id: string) => allBooks.find((b) => b.id === id)?.currency ?? 'EUR'
  const of = useOwnForm(
    typedOf(bookId, near, page, ofBook(bookId)),
    page ? `account ${page.id}` : `new account in ${bookId}`,
  )
  const now = of.form.watch()
  const category = CLASS_OF[now.kind] === 'INCOME' || CLASS_OF[now.kind] === 'EXPENSE'
  const own = (CLASS_OF[now.kind] === 'ASSET' || CLASS_OF[now.kind] === 'LIABILITY') && !now.group
  const owed = now.kind === 'CARD' || now.kind === 'LOAN'
  const isGroup = (a: { bookId: string; accountClass: string }) =>
    a.bookId === now.bookId && a.accountClass === CLASS_OF[now.kind]
  const hasGroups = allAccounts.some((a) => a.group && isGroup(a))
  const kinds = page ? KINDS_BY_HAND.filter((k) => CLASS_OF[k] === CLASS_OF[page.kind]) : KINDS_BY_HAND

  async function save(typed: Typed) {
    const draft = draftOf(typed, page, ofBook(typed.bookId))
    if (page) {
      const params = { path: { id: page.id }, query: { version: page.version } }
      await api.PUT('/api/accounts/{id}', { params, body: draft })
      saved.id = page.id
    } else {
      saved.id = (await data(api.POST('/api/accounts', { body: draft }))).id
    }
  }
  const saved = { id: '' }
  function leave() {
    of.forget()
    onClose()
  }
  return (
    <Form
      of={of}
      className="flex flex-col gap-3 p-5"
      send={save}
      fieldOf={{ amount: 'opening', 'facts.creditLimit': 'creditLimit', 'facts.interestRate': 'interestRate' }}
      done={({ name }) => {
        says.done(page ? `${name} is changed.` : `${name} is in the chart.`)
        onSaved(saved.id)
      }}
    >
      <h2 className="text-title/[1.2]">{page ? `Edit ${page.name}` : now.group ? 'New group' : 'New account'}</h2>
      <div className="grid grid-cols-6 gap-x-3 gap-y-2">
        <TextField className="col-span-3" name="name" label="Name" needed="Type a name." autoFocus />
        {!page?.keptByCore && (
          <SelectField
            className="col-span-2"
            name="kind"
            label="Kind"
            options={kinds.map((k: Kind) => ({ value: k, name: KIND_NAMES[k] }))}
          />
        )}
        {!page && <CheckField name="group" label="Group" />}
        {!page && allBooks.length > 1 && (
          <SelectField
            className="col-span-2"
            name="bookId"
            label="Book"
            options={allBooks.map((b) => ({ value: b.id, name: b.name }))}
            onChosen={() => of.form.setValue('parentId', '')}
          />
        )}
        {!page && hasGroups && (
          <AccountField
            className="col-span-2"
            name="parentId"
            label="In group"
            groups
            bookId={now.bookId}
            only={isGroup}
            none="none"
          />
        )}
        {!category && !now.group && <CurrencyField className="col-span-2" name="currency" label="Currency" />}
        {own && !page && (
          <>
            <DateField className="col-span-2" name="opensOn" label="Opens on" />
            <AmountField
              className="col-span-2"
              name="opening"
              label={`Balance, end of the day before${owed ? ', a debt below zero' : ''}`}
              currency={now.currency || 'EUR'}
            />
          </>
        )}
        {own && (
          <>
            <InstitutionField className="col-span-2" name="institution" label="Institution" />
            <TextField className="col-span-3" name="number" label="Number" />
            <TextField name="tail" label="Ending" maxLength={12} />
            <TextField className="col-span-3" name="webPage" label="Web page" />
            <TextField className="col-span-3" name="contact" label="Contact" />
            <AmountField
              className="col-span-2"
              name="creditLimit"
              label="Credit limit"
              currency={now.currency || 'EUR'}
            />
            <NumberField className="col-span-2" name="interestRate" label="Interest, % a year" />
          </>
        )}
        {!now.group && (
          <>
            <SelectField
              className="col-span-2"
              name="taxRateId"
              label="Tax rate"
              options={[
                { value: '', name: 'none' },
                ...rates.filter((r) => r.bookId === now.bookId).map((r) => ({ value: r.id, name: r.name })),
              ]}
            />
            <TextField className="col-span-2" name="taxFormLine" label="Line of the tax form" />
            <CheckField name="pinned" label="Pinned" />
          </>
        )}
        <TextArea className="col-span-6" name="notes" label="Notes" />
      </div>
      <Foot go={page ? 'Save' : 'Add to the chart'} onLeave={leave} />
    </Form>
  )
}
