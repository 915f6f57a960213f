import type { Schemas } from '@/api/client'
import { figure, typedAmount } from '@/parts/figures'

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

export interface TypedDraft extends Omit<SetupDraft, 'accounts'> {
  accounts: TypedAccount[]
}

export function typed(draft: SetupDraft): TypedDraft {
  return {
    ...draft,
    accounts: draft.accounts.map((a, key) => ({
      ...a,
      key,
      balance: a.balance === undefined ? '' : figure(a.balance),
      rate: a.rate ?? '',
    })),
  }
}

/** What the API takes; an amount that cannot be read is left out until it can. */
export function untyped(draft: TypedDraft): SetupDraft {
  return {
    ...draft,
    accounts: draft.accounts.map(({ key, balance, rate, ...a }) => ({
      ...a,
      balance: typedAmount(balance),
      rate: typedAmount(rate),
    })),
  }
}

/** The months of a year as picks, by their number. */
export const monthOptions = 'January February March April May June July August September October November December'
  .split(' ')
  .map((name, i) => ({ value: String(i + 1), name }))

export const STARTER_NAMES = { FAMILY: 'family', SIDE_BUSINESS: 'side business', EMPTY: 'empty' } as const

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
