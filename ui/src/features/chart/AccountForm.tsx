import { useQuery } from '@tanstack/react-query'
import { type FormEvent, useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { accounts, books, taxRates } from '@/api/queries'
import { useSays } from '@/app/says'
import { useScope } from '@/app/scope'
import { AmountField, Choice, CurrencyChoice, Field, ProblemNote, TextField, useAct } from '@/parts/Form'
import { lastDay, typedAmount } from '@/parts/figures'
import { Loading } from '@/parts/States'
import { accountPage } from './AccountInspector'
import { type AccountPage, type ChartRow, CLASS_OF, KIND_NAMES, KINDS_BY_HAND, type Kind } from './types'

type Draft = Schemas['AccountDraftJson']

const NO_FACTS: Draft['facts'] = {
  number: '',
  tail: '',
  institution: '',
  webPage: '',
  contact: '',
  notes: '',
  pinned: false,
  taxFormLine: '',
}

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

function begin(bookId: string, near: ChartRow | undefined, page: AccountPage | undefined, currency: string): Draft {
  if (page) {
    const { bookId, parentId, name, kind, currency, group, opensOn, facts } = page
    return { bookId, parentId, name, kind, currency, group, opensOn, facts }
  }
  const kind = near && !near.keptByCore ? near.kind : 'CURRENT'
  const parentId = near?.group ? near.id : near?.parentId
  return { bookId, parentId, name: '', kind, currency, group: false, opensOn: undefined, facts: NO_FACTS }
}

function FilledForm({ bookId, near, page, onClose, onSaved }: Omit<Props, 'accountId'> & { page?: AccountPage }) {
  const says = useSays()
  const { data: allBooks = [] } = useQuery(books)
  const { data: allAccounts = [] } = useQuery(accounts)
  const { data: rates = [] } = useQuery(taxRates)
  const base = allBooks.find((b) => b.id === bookId)?.currency ?? 'EUR'
  const [draft, setDraft] = useState(() => begin(bookId, near, page, base))
  const [limit, setLimit] = useState(page?.facts.creditLimit ?? '')
  const [interest, setInterest] = useState(page?.facts.interestRate ?? '')
  const [opening, setOpening] = useState('')
  const { act, error, busy } = useAct()
  const set = (to: Partial<Draft>) => setDraft((old) => ({ ...old, ...to }))
  const setFacts = (to: Partial<Draft['facts']>) => set({ facts: { ...draft.facts, ...to } })
  const category = CLASS_OF[draft.kind] === 'INCOME' || CLASS_OF[draft.kind] === 'EXPENSE'
  const own = (CLASS_OF[draft.kind] === 'ASSET' || CLASS_OF[draft.kind] === 'LIABILITY') && !draft.group
  const owed = draft.kind === 'CARD' || draft.kind === 'LOAN'
  const groups = allAccounts.filter(
    (a) => a.group && a.bookId === draft.bookId && a.accountClass === CLASS_OF[draft.kind] && a.id !== page?.id,
  )
  const kinds = page ? KINDS_BY_HAND.filter((k) => CLASS_OF[k] === CLASS_OF[page.kind]) : KINDS_BY_HAND

  async function save(): Promise<string> {
    const body: Draft = {
      ...draft,
      currency: category ? base : draft.currency,
      parentId: groups.some((g) => g.id === draft.parentId) ? draft.parentId : undefined,
      // A new account takes its opening day together with its balance.
      opensOn: page ? draft.opensOn : undefined,
      facts: {
        ...draft.facts,
        creditLimit: typedAmount(limit),
        interestRate: typedAmount(interest),
      },
    }
    if (page) {
      await api.PUT('/api/accounts/{id}', { params: { path: { id: page.id }, query: { version: page.version } }, body })
      return page.id
    }
    const { id } = await data(api.POST('/api/accounts', { body }))
    if (own && draft.opensOn) {
      await api.PUT('/api/opening-balances', {
        body: { accounts: [{ accountId: id, opensOn: draft.opensOn, balance: typedAmount(opening) }] },
      })
    }
    return id
  }
  function submit(event: FormEvent) {
    event.preventDefault()
    act(save, (id) => {
      says.done(page ? `${draft.name} is changed.` : `${draft.name} is in the chart.`)
      onSaved(id)
    })
  }

  return (
    <form className="ask" onSubmit={submit}>
      <h2 className="title">{page ? `Edit ${page.name}` : draft.group ? 'New group' : 'New account'}</h2>
      <div className="grid grid-cols-6 gap-x-3 gap-y-2">
        <TextField
          className="col-span-3"
          label="Name"
          value={draft.name}
          required
          autoFocus
          onChange={(name) => set({ name })}
        />
        {!page?.keptByCore && (
          <Choice
            className="col-span-2"
            label="Kind"
            value={draft.kind}
            onChange={(kind: Kind) => set({ kind })}
            options={kinds.map((k) => ({ value: k, name: KIND_NAMES[k] }))}
          />
        )}
        {!page && (
          <Field label="Group" className="check">
            <input type="checkbox" checked={draft.group} onChange={(e) => set({ group: e.target.checked })} />
          </Field>
        )}
        {!page && allBooks.length > 1 && (
          <Choice
            className="col-span-2"
            label="Book"
            value={draft.bookId}
            onChange={(id) => set({ bookId: id, parentId: undefined })}
            options={allBooks.map((b) => ({ value: b.id, name: b.name }))}
          />
        )}
        {!page && groups.length > 0 && (
          <Choice
            className="col-span-2"
            label="In group"
            value={draft.parentId ?? ''}
            onChange={(id) => set({ parentId: id || undefined })}
            options={[{ value: '', name: 'none' }, ...groups.map((g) => ({ value: g.id, name: g.name }))]}
          />
        )}
        {!category && !draft.group && (
          <CurrencyChoice
            className="col-span-2"
            label="Currency"
            value={draft.currency}
            onChange={(currency) => set({ currency })}
          />
        )}
        {own && !page && (
          <>
            <TextField
              className="col-span-2"
              label="Opens on"
              type="date"
              value={draft.opensOn ?? ''}
              onChange={(opensOn) => set({ opensOn: opensOn || undefined })}
            />
            <AmountField
              className="col-span-2"
              label={`Balance, end of the day before${owed ? ', a debt below zero' : ''}`}
              value={opening}
              onChange={setOpening}
            />
          </>
        )}
        {own && (
          <>
            <TextField
              className="col-span-2"
              label="Institution"
              value={draft.facts.institution}
              onChange={(institution) => setFacts({ institution })}
            />
            <TextField
              className="col-span-3"
              label="Number"
              value={draft.facts.number}
              onChange={(number) => setFacts({ number })}
            />
            <TextField label="Ending" value={draft.facts.tail} maxLength={12} onChange={(tail) => setFacts({ tail })} />
            <TextField
              className="col-span-3"
              label="Web page"
              value={draft.facts.webPage}
              onChange={(webPage) => setFacts({ webPage })}
            />
            <TextField
              className="col-span-3"
              label="Contact"
              value={draft.facts.contact}
              onChange={(contact) => setFacts({ contact })}
            />
            <AmountField className="col-span-2" label="Credit limit" value={limit} onChange={setLimit} />
            <AmountField className="col-span-2" label="Interest, % a year" value={interest} onChange={setInterest} />
          </>
        )}
        {!draft.group && (
          <>
            <Choice
              className="col-span-2"
              label="Tax rate"
              value={draft.facts.taxRateId ?? ''}
              onChange={(id) => setFacts({ taxRateId: id || undefined })}
              options={[
                { value: '', name: 'none' },
                ...rates.filter((r) => r.bookId === draft.bookId).map((r) => ({ value: r.id, name: r.name })),
              ]}
            />
            <TextField
              className="col-span-2"
              label="Line of the tax form"
              value={draft.facts.taxFormLine}
              onChange={(taxFormLine) => setFacts({ taxFormLine })}
            />
            <Field label="Pinned" className="check">
              <input
                type="checkbox"
                checked={draft.facts.pinned}
                onChange={(e) => setFacts({ pinned: e.target.checked })}
              />
            </Field>
          </>
        )}
        <Field label="Notes" className="col-span-6">
          <textarea rows={2} value={draft.facts.notes} onChange={(e) => setFacts({ notes: e.target.value })} />
        </Field>
      </div>
      <ProblemNote error={error} />
      <div className="acts">
        <button type="submit" className="btn go" disabled={busy || draft.name.trim() === ''}>
          {page ? 'Save' : 'Add to the chart'} <kbd>Enter</kbd>
        </button>
        <button type="button" className="btn" onClick={onClose}>
          Leave it <kbd>Esc</kbd>
        </button>
      </div>
    </form>
  )
}
