import type { Schemas } from '@/api/client'

export type QuickRead = Schemas['QuickReadJson']
type QuickTyped = Schemas['QuickTypedJson']

/** An entry as it is typed, kept until it is booked. Empty fields take what is usual with the payee. */
export interface Draft {
  day: string
  payee: string
  amount: string
  fromId: string
  toId: string
  note: string
  reference: string
  /** Undefined for those of last time. */
  tags: string | undefined
  method: string
  tax: { taxRateId?: string; untaxed?: boolean }
  arrives: string
}

export const EMPTY: Draft = {
  day: '',
  payee: '',
  amount: '',
  fromId: '',
  toId: '',
  note: '',
  reference: '',
  tags: undefined,
  method: '',
  tax: {},
  arrives: '',
}

/** The fields in the order in which Enter goes through them. */
export type FieldName = 'day' | 'payee' | 'amount' | 'from' | 'to'

export const tagsOf = (text: string) =>
  text
    .split(',')
    .map((tag) => tag.trim())
    .filter((tag) => tag !== '')

/** Whether nothing was typed yet that an entry could be made of. */
export const isEmpty = ({ payee, amount }: Draft) => payee === '' && amount === ''

/** The draft as it is sent. */
export function sent(draft: Draft, base: string, fixedId: string | undefined): QuickTyped {
  return {
    day: draft.day,
    base: base || undefined,
    payee: draft.payee,
    amount: draft.amount,
    fixedId,
    fromId: draft.fromId || undefined,
    toId: draft.toId || undefined,
    note: draft.note,
    reference: draft.reference,
    method: (draft.method || undefined) as QuickTyped['method'],
    tags: draft.tags === undefined ? undefined : tagsOf(draft.tags),
    arrives: draft.arrives || undefined,
    ...draft.tax,
  }
}
