import type { Schemas } from '@/api/client'
import { figure } from '@/parts/figures'
import { tagsOf, tagsText } from '@/parts/form/TagsField'
import type { Method } from '@/parts/MethodPick'
import type { Tax } from '@/parts/TaxPick'
import type { Template } from './Templates'

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
  method: Method | undefined
  tax: Tax
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
  method: undefined,
  tax: {},
  arrives: '',
}

export type FieldName = 'day' | 'payee' | 'amount' | 'from' | 'to' | 'arrives'

/** Why an entry was not booked, and which field is meant. */
export interface Refused {
  field?: string
  message: string
}

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
    method: draft.method,
    tags: draft.tags === undefined ? undefined : tagsOf(draft.tags),
    arrives: draft.arrives,
    ...draft.tax,
  }
}

/** What a template fills in; a split begins with the account whose line it is. */
export function begunFrom(template: Template): Draft {
  const { accountId, whole } = template
  const paid = whole?.startsWith('-') ?? false
  return {
    ...EMPTY,
    payee: template.payee,
    amount: template.amount ? figure(template.amount) : '',
    fromId: (accountId ? (paid ? accountId : '') : template.fromId) ?? '',
    toId: (accountId ? (paid ? '' : accountId) : template.toId) ?? '',
    note: template.note,
    tags: tagsText(template.tags),
    method: template.method,
    tax: { taxRateId: template.taxRateId, untaxed: template.untaxed },
  }
}

/** What is said of an entry that was booked. */
export const entered = ({ no, payee, amount, from, to }: Schemas['EntryJson']) =>
  `No. ${no} entered: ${payee}, ${figure(amount)}, ${from} to ${to}.`

type Place = ['from' | 'to', string]

/** The places to be typed in their order, by the names that the person gives them. */
export function placesOf(fixedId: string | undefined, sides: 'FROM_TO' | 'DEBIT_CREDIT' | undefined): Place[] {
  if (fixedId) return [['to', 'Other side']]
  return sides === 'DEBIT_CREDIT'
    ? [
        ['to', 'Debit'],
        ['from', 'Credit'],
      ]
    : [
        ['from', 'From'],
        ['to', 'To'],
      ]
}

/** How the payee was booked before, in words. */
export function usually({ usual }: QuickRead): string {
  if (!usual) return ''
  const times = `${figure(String(usual.earlier))} earlier`
  return usual.alike > 1 ? `${times}, the last ${usual.alike} alike` : `${times}, last no. ${usual.last}`
}

/** What an empty place takes; on a fixed account there is only the other one. */
export function usualPlace(
  { from, to }: QuickRead,
  name: 'from' | 'to',
  fixedId: string | undefined,
): string | undefined {
  if (fixedId === undefined) return (name === 'from' ? from : to)?.name
  return (from?.id === fixedId ? to : from)?.name
}

/** What the account holds before and after it, or what is still missing. */
export const stands = ({ holds, missing }: QuickRead) =>
  holds ? `${holds.accountName} ${figure(holds.before)}, after this ${figure(holds.after)}` : missing?.message
