import { Fragment, type KeyboardEvent } from 'react'
import { useSays } from '@/app/says'
import { KIND_NAMES } from '@/features/chart/types'
import { day } from '@/parts/figures'
import { AmountInput } from '@/parts/form/AmountInput'
import { useCurrencies } from '@/parts/form/fields'
import { Select } from '@/parts/Select'
import { TypeAhead } from '@/parts/TypeAhead'
import { KINDS_TO_BEGIN, type TypedAccount, type TypedDraft } from './draft'

type Set = (change: (draft: TypedDraft) => TypedDraft) => void

/** The accounts at banks, cards, cash and loans, book by book, with what stood on each. */
export function AccountRows({ draft, setDraft, before }: { draft: TypedDraft; setDraft: Set; before: string }) {
  const change = (key: number, to: Partial<TypedAccount>) =>
    setDraft((d) => ({ ...d, accounts: d.accounts.map((a) => (a.key === key ? { ...a, ...to } : a)) }))
  const remove = (key: number) => setDraft((d) => ({ ...d, accounts: d.accounts.filter((a) => a.key !== key) }))

  function add(book: number) {
    const key = Math.max(-1, ...draft.accounts.map((a) => a.key)) + 1
    const account: TypedAccount = {
      key,
      book,
      name: '',
      kind: 'CURRENT',
      ending: '',
      currency: draft.books[book]?.currency ?? 'EUR',
      balance: '',
      rate: '',
      takenFrom: '',
    }
    setDraft((d) => ({ ...d, accounts: [...d.accounts, account] }))
    setTimeout(() => document.querySelector<HTMLInputElement>(`[data-account="${key}"]`)?.focus(), 0)
  }
  /** Enter on the last line begins another. */
  function onEnter(event: KeyboardEvent, account: TypedAccount) {
    if (event.key !== 'Enter' || event.defaultPrevented || event.ctrlKey || event.metaKey) return
    event.preventDefault()
    const own = draft.accounts.filter((a) => a.book === account.book)
    const next = own[own.indexOf(account) + 1]
    if (next) document.querySelector<HTMLInputElement>(`[data-account="${next.key}"]`)?.focus()
    else add(account.book)
  }

  return (
    <section aria-label="Its accounts">
      <h2 className="part">
        Its accounts{' '}
        <span className="q s">
          the balance at the end of the day before the first; a debt takes a minus; leave it empty if you do not know
        </span>
      </h2>
      <table className="tb fill">
        <colgroup>
          <col />
          <col className="w-[112px]" />
          <col className="w-[76px]" />
          <col className="w-[84px]" />
          <col className="w-[136px]" />
          <col className="w-[150px]" />
          <col className="w-[72px]" />
        </colgroup>
        <thead>
          <tr>
            <th>Name</th>
            <th>Kind</th>
            <th>Ending</th>
            <th>In</th>
            <th className="n">At the end of {day(before)}</th>
            <th>Taken from</th>
            <th>
              <span className="vh">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {draft.books.map((book, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a book is known by its place
            <Fragment key={i}>
              <tr className="band">
                <td colSpan={7} className="serif">
                  {book.name || `Book ${i + 1}`}
                </td>
              </tr>
              {draft.accounts
                .filter((a) => a.book === i)
                .map((a) => (
                  <AccountRow
                    key={a.key}
                    account={a}
                    base={book.currency}
                    change={(to) => change(a.key, to)}
                    remove={() => remove(a.key)}
                    onEnter={(e) => onEnter(e, a)}
                  />
                ))}
              <tr>
                <td colSpan={7}>
                  <button type="button" className="link" onClick={() => add(i)}>
                    Add an account<span className="vh"> to {book.name || `book ${i + 1}`}</span>
                  </button>{' '}
                  {i === 0 && <span className="q s">Enter on the last line does the same</span>}
                </td>
              </tr>
            </Fragment>
          ))}
        </tbody>
      </table>
    </section>
  )
}

function AccountRow({
  account,
  base,
  change,
  remove,
  onEnter,
}: {
  account: TypedAccount
  base: string
  change: (to: Partial<TypedAccount>) => void
  remove: () => void
  onEnter: (event: KeyboardEvent) => void
}) {
  const currencies = useCurrencies()
  const says = useSays()
  const name = account.name || 'the new account'
  return (
    <tr onKeyDown={onEnter}>
      <td>
        <input
          className="line w-full"
          data-account={account.key}
          aria-label={`Name of ${name}`}
          value={account.name}
          onChange={(e) => change({ name: e.target.value })}
        />
      </td>
      <td>
        <Select
          line
          aria-label={`Kind of ${name}`}
          value={account.kind}
          options={KINDS_TO_BEGIN.map((k) => ({ value: k, name: KIND_NAMES[k] }))}
          onChange={(kind) => change({ kind })}
        />
      </td>
      <td>
        <input
          className="line w-full"
          aria-label={`Last digits of ${name}`}
          value={account.ending}
          maxLength={12}
          onChange={(e) => change({ ending: e.target.value })}
        />
      </td>
      <td>
        <TypeAhead
          line
          what="currency"
          aria-label={`Currency of ${name}`}
          choices={currencies}
          chosen={account.currency}
          onChoose={(c) => change({ currency: c.id })}
          onUnknown={(typed) =>
            says.failed(new Error(`“${typed}” is no currency. Type its code or a part of its name.`))
          }
        />
      </td>
      <td className="n">
        <AmountInput
          line
          aria-label={`Balance of ${name}`}
          currency={account.currency}
          text={account.balance}
          onText={(balance) => change({ balance })}
        />
      </td>
      <td>
        {account.currency === base ? (
          <input
            className="line w-full"
            aria-label={`Source of the balance of ${name}`}
            value={account.takenFrom}
            placeholder="statement, counted"
            onChange={(e) => change({ takenFrom: e.target.value })}
          />
        ) : (
          <span className="flex items-center gap-1 s q">
            1 {account.currency} ={' '}
            <AmountInput
              line
              className="w-[72px]"
              aria-label={`Rate of ${name} in ${base}`}
              text={account.rate}
              onText={(rate) => change({ rate })}
            />{' '}
            {base}
          </span>
        )}
      </td>
      <td>
        <button type="button" className="link s" onClick={remove}>
          remove<span className="vh"> {name}</span>
        </button>
      </td>
    </tr>
  )
}
