import type { Schemas } from '@/api/client'

/** How amounts and days are written. Amounts come as decimal strings and are never computed with. */

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
const WEEKDAYS = 'Sunday Monday Tuesday Wednesday Thursday Friday Saturday'.split(' ')
const LONG = 'January February March April May June July August September October November December'.split(' ')

type Formats = Schemas['FormatsJson']

const MARKS: Record<Formats['grouping'] | Formats['decimalMark'], string> = {
  POINT: '.',
  COMMA: ',',
  SPACE: '\u202f',
  APOSTROPHE: '\u2019',
  NONE: '',
}

/** How the person who is signed in writes figures and days; set before anything is written. */
let own: Formats = {
  decimalMark: 'POINT',
  grouping: 'COMMA',
  dayOrder: 'DAY_MONTH',
  weekBegins: 'MONDAY',
  sides: 'FROM_TO',
}
/** The year in hand: days of another one say theirs. */
let inHand = ''

export function writeWith(formats: Formats) {
  own = formats
}
export function yearInHand(year: string) {
  inHand = year
}

/** −1,086.40: grouped, with a true minus. */
export function figure(amount: string): string {
  const [whole = '', decimals] = amount.replace('-', '').split('.')
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, MARKS[own.grouping])
  return (amount.startsWith('-') ? '−' : '') + grouped + (decimals ? MARKS[own.decimalMark] + decimals : '')
}

/** A rate or a percentage: 1.0834, not grouped. */
export const plainNumber = (number: string) => number.replace('-', '−').replace('.', MARKS[own.decimalMark])

/** What one of something costs, with two decimals at least: 83.60. */
export function unitPrice(price: string): string {
  const [whole, decimals = ''] = price.split('.')
  return plainNumber(`${whole}.${decimals.padEnd(2, '0')}`)
}

/** The same with a plus sign for money in. */
export function signed(amount: string): string {
  return isPositive(amount) ? `+${figure(amount)}` : figure(amount)
}

export const isZero = (amount: string) => /^-?[0.]+$/.test(amount)
export const isPositive = (amount: string) => !amount.startsWith('-') && !isZero(amount)

const part = (iso: string, index: number) => Number(iso.split('-')[index])

const dayFirst = () => own.dayOrder === 'DAY_MONTH'
const dayAndMonth = (iso: string, names: string[]) =>
  dayFirst() ? `${part(iso, 2)} ${names[part(iso, 1) - 1]}` : `${names[part(iso, 1) - 1]} ${part(iso, 2)}`

/** 23 Sep; with its year where that is another one than the year in hand. */
export const day = (iso: string) => (inHand && yearOf(iso) !== inHand ? writtenDay(iso) : dayAndMonth(iso, MONTHS))
/** 23 Sep 2026, as a field of a day holds it. */
export const writtenDay = (iso: string) => dayAndMonth(iso, MONTHS) + (dayFirst() ? ' ' : ', ') + yearOf(iso)
/** 23 September 2026 */
export const longDay = (iso: string) => dayAndMonth(iso, LONG) + (dayFirst() ? ' ' : ', ') + yearOf(iso)
/** Wednesday, 23 September 2026 */
export const dayInWords = (iso: string) => `${WEEKDAYS[dateOf(iso).getUTCDay()]}, ${longDay(iso)}`
/** Wed 23 Sep, with the year where it is another one than that in hand. */
export const shortDay = (iso: string) => `${WEEKDAYS[dateOf(iso).getUTCDay()]?.slice(0, 3)} ${day(iso)}`
/** The first day of the person's week, 0 for Sunday. */
export const weekBegins = () => WEEKDAYS.findIndex((name) => name.toUpperCase() === own.weekBegins) as WeekDay

type WeekDay = 0 | 1 | 2 | 3 | 4 | 5 | 6
export const dateOf = (iso: string) => new Date(`${iso}T00:00:00Z`)
export const isoOf = (date: Date) => date.toISOString().slice(0, 10)
/** Sep */
export const shortMonth = (month: string) => MONTHS[part(month, 1) - 1] ?? ''
/** September 2026 */
export const longMonth = (month: string) => `${LONG[part(month, 1) - 1]} ${part(month, 0)}`
/** September */
export const monthName = (month: string) => LONG[part(month, 1) - 1] ?? ''
export const yearOf = (iso: string) => iso.slice(0, 4)

/** A sentence of history with its days and months as people write them. */
export const inSentence = (words: string) =>
  words
    .replace(/(?<![\w.-])\d{4}-\d{2}-\d{2}(?![\w-]|\.\w)/g, longDay)
    .replace(/(?<![\w.-])\d{4}-(0[1-9]|1[0-2])(?![\w-]|\.\w)/g, longMonth)

export function lastDay(month: string): string {
  const days = new Date(Date.UTC(part(month, 0), part(month, 1), 0)).getUTCDate()
  return `${month}-${String(days).padStart(2, '0')}`
}

/** 5 Oct 08:12, in the person's own zone. */
export function moment(instant: string): string {
  const at = new Date(instant)
  const time = `${String(at.getHours()).padStart(2, '0')}:${String(at.getMinutes()).padStart(2, '0')}`
  const here = new Date(at.getTime() - at.getTimezoneOffset() * 60_000)
  return `${day(isoOf(here))} ${time}`
}

export function counted(count: number, one: string, many = `${one}s`): string {
  return `${figure(String(count))} ${count === 1 ? one : many}`
}
