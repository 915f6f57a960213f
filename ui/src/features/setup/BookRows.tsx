import { Fragment, useState } from 'react'
import type { Schemas } from '@/api/client'
import { useSays } from '@/app/says'
import { counted } from '@/parts/figures'
import { useCurrencies } from '@/parts/form/fields'
import { box, lined, ruled, textLink } from '@/parts/look'
import { Select } from '@/parts/Select'
import { TypeAhead } from '@/parts/TypeAhead'
import { type Group, monthOptions, type SetupBook, STARTERS, type TypedDraft } from './draft'

const HOLDS: { value: Group['accountClass']; name: string }[] = [
  { value: 'INCOME', name: 'income' },
  { value: 'EXPENSE', name: 'expenses' },
]

type Set = (change: (draft: TypedDraft) => TypedDraft) => void

/** The books of the household, each with a starter chart to edit in place. */
export function BookRows({
  draft,
  setDraft,
  starters,
}: {
  draft: TypedDraft
  setDraft: Set
  starters: Schemas['StarterJson'][]
}) {
  const currencies = useCurrencies()
  const says = useSays()
  const [open, setOpen] = useState<number>()
  const change = (at: number, to: Partial<SetupBook>) =>
    setDraft((d) => ({ ...d, books: d.books.map((b, i) => (i === at ? { ...b, ...to } : b)) }))
  const groupsOf = (starter: SetupBook['starter']) => starters.find((s) => s.starter === starter)?.groups ?? []

  function add() {
    const business = draft.books.length > 0
    const starter = business ? 'SIDE_BUSINESS' : 'FAMILY'
    const book: SetupBook = {
      name: '',
      currency: draft.books[0]?.currency ?? 'EUR',
      fiscalYearStartsIn: draft.books[0]?.fiscalYearStartsIn ?? 1,
      starter,
      groups: groupsOf(starter),
    }
    setDraft((d) => ({ ...d, books: [...d.books, book] }))
  }
  function remove(at: number) {
    setDraft((d) => ({
      ...d,
      books: d.books.filter((_, i) => i !== at),
      accounts: d.accounts.filter((a) => a.book !== at).map((a) => (a.book > at ? { ...a, book: a.book - 1 } : a)),
    }))
  }
  return (
    <section aria-label="Its books">
      <h2 className="px-(--edge) pt-3 pb-0.5 text-[17px]/6 [&_span]:ml-2 [&_span]:font-sans">
        Its books{' '}
        <span className="text-ink-2 text-small">each balances by itself; money between them is booked in both</span>
      </h2>
      <table className={ruled({ className: 'cells:pr-2.5' })}>
        <colgroup>
          <col />
          <col className="w-[120px]" />
          <col className="w-[150px]" />
          <col className="w-[330px]" />
        </colgroup>
        <thead>
          <tr>
            <th>Book</th>
            <th>Base currency</th>
            <th>Fiscal year starts in</th>
            <th>Starter chart</th>
          </tr>
        </thead>
        <tbody>
          {draft.books.map((book, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a book is known by its place, which accounts refer to
            <Fragment key={i}>
              <tr>
                <td>
                  <input
                    className={`${lined} w-full`}
                    aria-label={`Name of book ${i + 1}`}
                    value={book.name}
                    placeholder={i === 0 ? 'Household' : 'The side business'}
                    onChange={(e) => change(i, { name: e.target.value })}
                  />
                </td>
                <td>
                  <TypeAhead
                    line
                    what="currency"
                    aria-label={`Base currency of book ${i + 1}`}
                    choices={currencies}
                    chosen={book.currency}
                    onChoose={(c) => change(i, { currency: c.id })}
                    onUnknown={(typed) =>
                      says.failed(new Error(`“${typed}” is no currency. Type its code or a part of its name.`))
                    }
                  />
                </td>
                <td>
                  <Select
                    line
                    aria-label={`Fiscal year of book ${i + 1} starts in`}
                    value={String(book.fiscalYearStartsIn)}
                    options={monthOptions}
                    onChange={(month) => change(i, { fiscalYearStartsIn: Number(month) })}
                  />
                </td>
                <td>
                  <Select
                    line
                    className="inline-flex"
                    aria-label={`Starter chart of book ${i + 1}`}
                    value={book.starter}
                    options={STARTERS}
                    onChange={(starter) => change(i, { starter, groups: groupsOf(starter) })}
                  />{' '}
                  <span className="text-ink-2 text-small">{summary(book.groups)}</span>{' '}
                  <button
                    type="button"
                    className={textLink({ size: 'small' })}
                    aria-expanded={open === i}
                    onClick={() => setOpen(open === i ? undefined : i)}
                  >
                    {open === i ? 'done' : 'edit'}
                  </button>
                  {draft.books.length > 1 && (
                    <>
                      {' '}
                      <button type="button" className={textLink({ size: 'small' })} onClick={() => remove(i)}>
                        remove<span className="sr-only"> book {i + 1}</span>
                      </button>
                    </>
                  )}
                </td>
              </tr>
              {open === i && (
                <tr className="[&>td]:h-auto [&>td]:bg-paper">
                  <td colSpan={4}>
                    <Groups groups={book.groups} set={(groups) => change(i, { groups })} />
                  </td>
                </tr>
              )}
            </Fragment>
          ))}
        </tbody>
      </table>
      <p className="px-(--edge) py-[7px]">
        <button type="button" className={textLink()} onClick={add}>
          Add a book
        </button>{' '}
        <span className="text-ink-2 text-small">for a side business</span>
      </p>
    </section>
  )
}

function summary(groups: Group[]): string {
  const categories = groups.reduce((sum, g) => sum + g.categories.filter((c) => c.trim()).length, 0)
  return `${counted(categories, 'category', 'categories')} in ${counted(groups.length, 'group')}`
}

/** The groups of a starter chart, each with its categories on a line, apart by commas. */
function Groups({ groups, set }: { groups: Group[]; set: (groups: Group[]) => void }) {
  const change = (at: number, to: Partial<Group>) => set(groups.map((g, i) => (i === at ? { ...g, ...to } : g)))
  return (
    <div className="grid gap-1.5 py-2">
      {groups.map((g, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: groups may have any name while they are typed
        <div className="grid grid-cols-[92px_170px_1fr_60px] gap-2 items-center" key={i}>
          <Select
            line
            aria-label={`Group ${i + 1} holds`}
            value={g.accountClass}
            options={HOLDS}
            onChange={(accountClass) => change(i, { accountClass })}
          />
          <input
            className={box()}
            aria-label={`Name of group ${i + 1}`}
            value={g.name}
            onChange={(e) => change(i, { name: e.target.value })}
          />
          <input
            className={box()}
            aria-label={`Categories of group ${i + 1}, apart by commas`}
            defaultValue={g.categories.join(', ')}
            onChange={(e) => change(i, { categories: e.target.value.split(',').map((c) => c.trim()) })}
          />
          <button
            type="button"
            className={textLink({ size: 'small' })}
            onClick={() => set(groups.filter((_, at) => at !== i))}
          >
            remove<span className="sr-only"> group {i + 1}</span>
          </button>
        </div>
      ))}
      <button
        type="button"
        className={textLink({ size: 'small', className: 'justify-self-start' })}
        onClick={() => set([...groups, { name: '', accountClass: 'EXPENSE', categories: [] }])}
      >
        Add a group
      </button>
    </div>
  )
}
