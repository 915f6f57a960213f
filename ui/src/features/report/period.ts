import { longMonth, monthName, yearOf } from '@/parts/figures'

/** July to September 2026; a month or a year by its name. */
export function periodOf({ first, last }: { first: string; last: string }): string {
  if (first === last) return longMonth(first)
  if (first.endsWith('-01') && last.endsWith('-12') && yearOf(first) === yearOf(last)) return yearOf(first)
  return `${yearOf(first) === yearOf(last) ? monthName(first) : longMonth(first)} to ${longMonth(last)}`
}
