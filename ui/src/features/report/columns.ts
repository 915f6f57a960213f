import type { Schemas } from '@/api/client'
import { longMonth, shortMonth, yearOf } from '@/parts/figures'

export type Column = Schemas['ReportColumnJson']

/** What tells columns of the same months apart too. */
export const keyOf = ({ first, besides }: Column) => `${first} ${besides ?? ''}`

/** September; Jul to Sep; of balances, the month at whose end they stand. Short where there are many. */
export function nameOf({ first, last, besides }: Column, flows: boolean, many: boolean): string {
  if (besides) return besides === 'PLANNED' ? 'Planned' : 'Booked'
  const name = (month: string) => (many ? `${shortMonth(month)} ${yearOf(month).slice(2)}` : longMonth(month))
  if (!flows || first === last) return name(last)
  return `${shortMonth(first)} ${yearOf(first)} to ${shortMonth(last)} ${yearOf(last)}`
}
