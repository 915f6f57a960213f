import { figure, plainNumber } from '@/parts/figures'
import type { ReportTableOf } from './reportAsked'

/** At which rates accounts in other currencies are told; nothing where all are in the book's own. */
export function RatesUsed({ table }: { table: ReportTableOf }) {
  if (table.rates.length === 0) return null
  return (
    <ul className="mt-2 max-w-[860px] text-small text-ink-2" aria-label={`Rates used for ${table.bookName}`}>
      {table.rates.map((rate) => {
        const span =
          rate.low === rate.high ? plainNumber(rate.low) : `${plainNumber(rate.low)} to ${plainNumber(rate.high)}`
        return (
          <li key={rate.accountId}>
            {rate.amount !== undefined && rate.value !== undefined
              ? `${rate.name}: ${figure(rate.amount)} ${rate.currency} are told at ${figure(rate.value)} ${table.currency}, 1 ${rate.currency} = ${span} ${table.currency} on the average of its entries.`
              : `${rate.name}: each entry at its own rate, 1 ${rate.currency} = ${span} ${table.currency}.`}
          </li>
        )
      })}
    </ul>
  )
}
