import { Fragment, type KeyboardEvent } from 'react'
import { useSays } from '@/app/says'
import { KIND_NAMES } from '@/features/chart/types'
import { day } from '@/parts/figures'
import { AmountInput } from '@/parts/form/AmountInput'
import { useCurrencies } from '@/parts/form/fields'
import { bandRow, lined, ruled, textLink } from '@/parts/look'
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
      <h2 className="px-(--edge) pt-3 pb-0.5 text-[17px]/6 [&_span]:ml-2 [&_span]:font-sans">
        Its accounts{' '}
        <span className="text-ink-2 text-small">
          the balance at the end of the day before the first; a debt takes a minus; leave it empty if you do not know
        </span>
      </h2>
      <table className={ruled({ className: 'cells:pr-2.5' })}>
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
            <th className="text-right">At the end of {day(before)}</th>
            <th>Taken from</th>
            <th>
              <span className="sr-only">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {draft.books.map((book, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a book is known by its place
            <Fragment key={i}>
              <tr className={bandRow}>
                <td colSpan={7} className="font-serif">
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
                  <button type="button" className={textLink()} onClick={() => add(i)}>
                    Add an account<span className="sr-only"> to {book.name || `book ${i + 1}`}</span>
                  </button>{' '}
                  {i === 0 && <span className="text-ink-2 text-small">Enter on the last line does the same</span>}
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
          className={`${lined} w-full`}
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
          className={`${lined} w-full`}
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
      <td className="text-right">
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
            className={`${lined} w-full`}
            aria-label={`Source of the balance of ${name}`}
            value={account.takenFrom}
            placeholder="statement, counted"
            onChange={(e) => change({ takenFrom: e.target.value })}
          />
        ) : (
          <span className="flex items-center gap-1 text-small text-ink-2">
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
        <button type="button" className={textLink({ size: 'small' })} onClick={remove}>
          remove<span className="sr-only"> {name}</span>
        </button>
      </td>
    </tr>
  )
}
