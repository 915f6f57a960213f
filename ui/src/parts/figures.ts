/** How amounts and days are written. Amounts come as decimal strings and are never computed with. */

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
const LONG = 'January February March April May June July August September October November December'.split(' ')

/** −1,086.40: grouped, with a true minus. */
export function figure(amount: string): string {
  const [whole = '', decimals] = amount.replace('-', '').split('.')
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, ',')
  return (amount.startsWith('-') ? '−' : '') + grouped + (decimals ? `.${decimals}` : '')
}

/** The same with a plus sign for money in. */
export function signed(amount: string): string {
  return isPositive(amount) ? `+${figure(amount)}` : figure(amount)
}

export const isZero = (amount: string) => /^-?[0.]+$/.test(amount)
export const isPositive = (amount: string) => !amount.startsWith('-') && !isZero(amount)

/** An amount as a person types it, in the form the API takes; undefined if it is none. */
export function typedAmount(text: string): string | undefined {
  const plain = text
    .trim()
    .replace('−', '-')
    .replace(/[\s']/g, '')
    .replace(/,(?=\d{3}(\D|$))/g, '')
    .replace(',', '.')
  return /^[+-]?\d+(\.\d+)?$/.test(plain) ? plain.replace('+', '') : undefined
}

const part = (iso: string, index: number) => Number(iso.split('-')[index])

/** 23 Sep */
export const day = (iso: string) => `${part(iso, 2)} ${MONTHS[part(iso, 1) - 1]}`
/** 23 September 2026 */
export const longDay = (iso: string) => `${part(iso, 2)} ${LONG[part(iso, 1) - 1]} ${part(iso, 0)}`
/** Sep */
export const shortMonth = (month: string) => MONTHS[part(month, 1) - 1] ?? ''
/** September 2026 */
export const longMonth = (month: string) => `${LONG[part(month, 1) - 1]} ${part(month, 0)}`
/** September */
export const monthName = (month: string) => LONG[part(month, 1) - 1] ?? ''
export const yearOf = (month: string) => month.slice(0, 4)

/** A sentence of history with its days and months as people write them. */
export const inSentence = (words: string) =>
  words.replace(/\b\d{4}-\d{2}-\d{2}\b/g, longDay).replace(/\b\d{4}-(0[1-9]|1[0-2])\b(?!-)/g, longMonth)

export function lastDay(month: string): string {
  const days = new Date(Date.UTC(part(month, 0), part(month, 1), 0)).getUTCDate()
  return `${month}-${String(days).padStart(2, '0')}`
}

/** 5 Oct 08:12, in the person's own zone. */
export function moment(instant: string): string {
  const at = new Date(instant)
  const time = `${String(at.getHours()).padStart(2, '0')}:${String(at.getMinutes()).padStart(2, '0')}`
  return `${at.getDate()} ${MONTHS[at.getMonth()]} ${time}`
}

export function counted(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`
}
