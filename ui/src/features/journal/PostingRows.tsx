import type { Schemas } from '@/api/client'
import { AccountPicker } from '@/parts/AccountPicker'
import { AmountInput, amountText } from '@/parts/form/AmountInput'
import { box, textLink } from '@/parts/look'

type Posting = Schemas['PostingJson']

/** A posting as it is typed: a debit or a credit, in the currency of its account. */
export interface Row {
  key: number
  accountId: string
  /** A text in the way of accounts that names none. */
  unknown: string
  debit: string
  credit: string
  note: string
  taxRateId?: string
  taxRole?: Posting['taxRole']
}

export const emptyRow = (key: number): Row => ({ key, accountId: '', unknown: '', debit: '', credit: '', note: '' })

/** The postings of an entry as rows, without what the books add themselves. */
export function rowsOf(entry: Schemas['EntryJson']): Row[] {
  return entry.books
    .flatMap((book) => book.postings)
    .filter((p) => !p.keptByCore)
    .map((p, key) => {
      const amount = amountText(p.own ?? p.debit ?? p.credit, p.ownCurrency)
      return {
        ...emptyRow(key),
        accountId: p.accountId,
        debit: p.debit === undefined ? '' : amount,
        credit: p.debit === undefined ? amount : '',
        note: p.note,
        taxRateId: p.taxRateId,
        taxRole: p.taxRole,
      }
    })
}

/** Postings to be typed; of debit and credit the one typed last holds. */
export function PostingRows({
  rows,
  bookId,
  currencyOf,
  onRows,
  onMore,
}: {
  rows: Row[]
  bookId: string | undefined
  currencyOf: (accountId: string) => string
  onRows: (change: (old: Row[]) => Row[]) => void
  onMore: () => void
}) {
  const change = (key: number, to: Partial<Row>) =>
    onRows((old) => old.map((row) => (row.key === key ? { ...row, ...to } : row)))
  return (
    <section aria-label="Postings" className="flex flex-col gap-1.5">
      <div className="grid grid-cols-[minmax(0,1fr)_112px_112px_minmax(0,0.8fr)] gap-2 text-small text-ink-2">
        <span>Posting</span>
        <span className="text-right">Debit</span>
        <span className="text-right">Credit</span>
        <span>Note</span>
      </div>
      {rows.map((row, i) => (
        <div key={row.key} className="grid grid-cols-[minmax(0,1fr)_112px_112px_minmax(0,0.8fr)] items-start gap-2">
          <AccountPicker
            aria-label={`Account, posting ${i + 1}`}
            aria-invalid={row.unknown !== '' || undefined}
            value={row.accountId}
            bookId={bookId}
            otherBooks
            mayCreate="EXPENSE"
            onChange={(account) => change(row.key, { accountId: account?.id ?? '', unknown: '' })}
            onUnknown={(unknown) => change(row.key, { accountId: '', unknown })}
          />
          <AmountInput
            aria-label={`Debit, posting ${i + 1}`}
            currency={currencyOf(row.accountId)}
            text={row.debit}
            onText={(debit) => change(row.key, debit === '' ? { debit } : { debit, credit: '' })}
          />
          <AmountInput
            aria-label={`Credit, posting ${i + 1}`}
            currency={currencyOf(row.accountId)}
            text={row.credit}
            onText={(credit) => change(row.key, credit === '' ? { credit } : { credit, debit: '' })}
          />
          <input
            className={box({ className: 'w-full' })}
            aria-label={`Note, posting ${i + 1}`}
            value={row.note}
            onChange={(e) => change(row.key, { note: e.target.value })}
          />
        </div>
      ))}
      <button type="button" className={textLink({ size: 'small', className: 'self-start' })} onClick={onMore}>
        One more posting
      </button>
    </section>
  )
}
