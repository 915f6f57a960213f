import { useQuery } from '@tanstack/react-query'
import { accounts, books, taxRates } from '@/api/queries'
import { plainNumber } from './figures'
import { type Option, Select } from './Select'

/** Which sales tax an amount contains: that of its category, a rate, or none. */
export interface Tax {
  taxRateId?: string | undefined
  untaxed?: boolean | undefined
}

const USUAL = ''
const NONE = 'none'

/** The rates that may be chosen for what is booked to an account; none where its book is not registered. */
function useTaxOptions(accountId: string): Option<string>[] {
  const { data: all = [] } = useQuery(accounts)
  const { data: allBooks = [] } = useQuery(books)
  const { data: rates = [] } = useQuery(taxRates)
  const account = all.find((a) => a.id === accountId)
  const book = allBooks.find((b) => b.id === account?.bookId)
  const isCategory = account?.accountClass === 'INCOME' || account?.accountClass === 'EXPENSE'
  if (!book?.taxedFrom || !isCategory) return []
  const own = rates.filter((r) => r.bookId === book.id)
  const percent = (rate: (typeof own)[number] | undefined) =>
    rate?.percent ? `${rate.name}, ${plainNumber(rate.percent)} %` : (rate?.name ?? 'no rate')
  return [
    { value: USUAL, name: 'as usual' },
    ...own.map((rate) => ({ value: rate.id, name: percent(rate) })),
    { value: NONE, name: 'no sales tax' },
  ]
}

/** Picks it, with the words before it; nothing where there is nothing to pick. */
export function TaxPick({
  before,
  className,
  accountId,
  value,
  onChange,
  ...rest
}: {
  before: string
  className: string
  accountId: string
  value: Tax
  onChange: (tax: Tax) => void
  'aria-label': string
}) {
  const options = useTaxOptions(accountId)
  if (options.length === 0) return null
  return (
    <span className={className}>
      {before}{' '}
      <Select
        {...rest}
        word="plain"
        value={value.untaxed ? NONE : (value.taxRateId ?? USUAL)}
        options={options}
        onChange={(chosen) =>
          onChange({
            untaxed: chosen === NONE ? true : undefined,
            taxRateId: chosen === NONE || chosen === USUAL ? undefined : chosen,
          })
        }
      />
    </span>
  )
}
