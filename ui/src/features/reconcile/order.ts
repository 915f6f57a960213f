import type { SheetRow } from './rows'

/** In what order the rows of a sheet stand: as the paper beside it has them. */
export type Order = 'date' | 'amount' | 'reference'

const ORDERS: Order[] = ['date', 'amount', 'reference']

export const nextOrder = (order: Order): Order => ORDERS[(ORDERS.indexOf(order) + 1) % ORDERS.length] ?? 'date'

/** They come by their days; of alike ones that order stays. */
export function inOrder(rows: SheetRow[], order: Order): SheetRow[] {
  if (order === 'date') return rows
  return rows.toSorted((one, other) =>
    order === 'amount'
      ? Number(amountOf(one)) - Number(amountOf(other))
      : referenceOf(one).localeCompare(referenceOf(other), undefined, { numeric: true }),
  )
}

/** What a row moves at the bank, or in the books where the bank has it not. */
export function amountOf(row: SheetRow): string {
  if ('posting' in row) return row.posting.amount
  return 'match' in row ? row.match.sides.bank : row.only.line.amount
}

/** Rows without one come last. */
function referenceOf(row: SheetRow): string {
  const postings = 'posting' in row ? [row.posting] : 'match' in row ? row.postings : []
  return postings.find((p) => p.reference !== '')?.reference ?? '\uffff'
}
