import type { Schemas } from '@/api/client'
import { type Kind, read } from '@/api/reading'
import { amountIn, amountText, NUMBER, numberText } from '@/parts/form/AmountInput'
import { DAY, dayText } from '@/parts/form/DayInput'

export type SetupPage = Schemas['SetupPageJson']
export type SetupDraft = Schemas['SetupDraftJson']
export type SetupBook = Schemas['SetupBookJson']
export type SetupAccount = Schemas['SetupAccountJson']
export type Group = Schemas['SetupGroupJson']

/** An account while it is being typed: amounts as they stand in their fields. */
export interface TypedAccount extends Omit<SetupAccount, 'balance' | 'rate'> {
  key: number
  balance: string
  rate: string
}

/** The household as it is typed; its first day too. */
export interface TypedDraft extends Omit<SetupDraft, 'accounts' | 'beginsOn'> {
  beginsOn: string
  accounts: TypedAccount[]
}

export function typed(draft: SetupDraft): TypedDraft {
  return {
    ...draft,
    beginsOn: dayText(draft.beginsOn),
    accounts: draft.accounts.map((a, key) => ({
      ...a,
      key,
      balance: amountText(a.balance, a.currency),
      rate: numberText(a.rate),
    })),
  }
}

/**
 * What the API takes, and what could not be read: such a text stays in its field and the books do not open before it
 * is put right.
 */
export async function untyped(draft: TypedDraft, beginsOn: string): Promise<{ draft: SetupDraft; unread: string[] }> {
  const unread: string[] = []
  async function value(kind: Kind, text: string, what: string): Promise<string | undefined> {
    const reading = await read(kind, text)
    if (reading.problem !== undefined) unread.push(`${what}: ${reading.problem}`)
    return reading.value
  }
  const first = await value(DAY, draft.beginsOn, 'The first day')
  const accounts = await Promise.all(
    draft.accounts.map(async ({ key, balance, rate, ...a }) => ({
      ...a,
      balance: await value(amountIn(a.currency), balance, a.name || 'An account'),
      rate: await value(NUMBER, rate, `The rate of ${a.name || 'an account'}`),
    })),
  )
  return { draft: { ...draft, beginsOn: first ?? beginsOn, accounts }, unread }
}

/** The months of a year as picks, by their number. */
export const monthOptions = 'January February March April May June July August September October November December'
  .split(' ')
  .map((name, i) => ({ value: String(i + 1), name }))

export const STARTERS: { value: SetupBook['starter']; name: string }[] = [
  { value: 'FAMILY', name: 'family' },
  { value: 'SIDE_BUSINESS', name: 'side business' },
  { value: 'EMPTY', name: 'empty' },
]

export const KINDS_TO_BEGIN = [
  'CURRENT',
  'SAVINGS',
  'CASH',
  'CARD',
  'LOAN',
  'PAYOUT',
  'INVESTMENT',
  'PROPERTY',
] as const

/** The day before, on which opening balances stand. */
export function dayBefore(iso: string): string {
  const at = new Date(`${iso}T00:00:00Z`)
  at.setUTCDate(at.getUTCDate() - 1)
  return at.toISOString().slice(0, 10)
}
