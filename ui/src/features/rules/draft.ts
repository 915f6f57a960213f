import type { Reading } from '@/api/reading'
import { NUMBER, numberText } from '@/parts/form/AmountInput'
import type { Tax } from '@/parts/TaxPick'
import type { Condition, RuleDraft, Share } from './types'

/** A condition as it is edited: numbers are texts until the core has read them. */
export interface Clause {
  key: number
  kind: Condition['kind']
  parts: Clause[]
  place: NonNullable<Condition['place']>
  match: NonNullable<Condition['match']>
  text: string
  direction: NonNullable<Condition['direction']>
  from: string
  to: string
  accountIds: string[]
  firstDay: string
  lastDay: string
}

/** A part of what is booked, as it is edited. */
export interface ShareClause {
  key: number
  accountId: string
  /** A text in the way of accounts that names none. */
  unknown: string
  size: 'rest' | 'fixed' | 'percent'
  amount: string
  tax: Tax
}

export interface Draft {
  bookId: string
  when: Clause
  payee: string
  shares: ShareClause[]
  tags: string
  note: string
  on: boolean
  trusted: boolean
  trustedUpTo: string
  /** Makes keys that none has yet. */
  next: number
}

const EMPTY: Omit<Clause, 'key' | 'kind'> = {
  parts: [],
  place: 'ANY',
  match: 'HAS_WORDS',
  text: '',
  direction: 'OUT',
  from: '',
  to: '',
  accountIds: [],
  firstDay: '',
  lastDay: '',
}

export const clause = (key: number, kind: Clause['kind'], more: Partial<Clause> = {}): Clause => ({
  ...EMPTY,
  key,
  kind,
  ...more,
})

export function begin(bookId: string, more: Partial<Draft> = {}, words = '', direction?: Clause['direction']): Draft {
  const parts = [clause(1, 'TEXT', { text: words })]
  if (direction) parts.push(clause(2, 'WAY', { direction }))
  return {
    bookId,
    when: clause(0, 'ALL', { parts }),
    payee: '',
    shares: [{ key: 3, accountId: '', unknown: '', size: 'rest', amount: '', tax: {} }],
    tags: '',
    note: '',
    on: true,
    trusted: false,
    trustedUpTo: '',
    next: 4,
    ...more,
  }
}

/** A kept rule, to be changed. */
export function draftOf(rule: RuleDraft): Draft {
  let next = 0
  const read = (c: Condition): Clause =>
    clause(next++, c.kind, {
      ...(c.place && { place: c.place }),
      ...(c.match && { match: c.match }),
      ...(c.direction && { direction: c.direction }),
      text: c.text ?? '',
      from: numberText(c.from),
      to: numberText(c.to),
      accountIds: c.accountIds ?? [],
      firstDay: c.firstDay?.toString() ?? '',
      lastDay: c.lastDay?.toString() ?? '',
      parts: (c.parts ?? []).map(read),
    })
  const when = read(rule.when)
  const shares = rule.shares.map(
    (s): ShareClause => ({
      key: next++,
      accountId: s.accountId,
      unknown: '',
      size: s.fixed ? 'fixed' : s.percent ? 'percent' : 'rest',
      amount: numberText(s.fixed ?? s.percent),
      tax: { taxRateId: s.taxRateId, untaxed: s.untaxed },
    }),
  )
  return {
    bookId: rule.bookId,
    when,
    payee: rule.payee,
    shares,
    tags: rule.tags.join(', '),
    note: rule.note,
    on: rule.on,
    trusted: rule.trustedUpTo !== undefined,
    trustedUpTo: numberText(rule.trustedUpTo),
    next,
  }
}

/** All texts that are numbers, in one order; `wholeOf` takes their readings in the same. */
export function numbersOf(draft: Draft): { kind: typeof NUMBER; text: string }[] {
  const texts: string[] = []
  const walk = (c: Clause) => {
    if (c.kind === 'AMOUNT') texts.push(c.from, c.to)
    c.parts.forEach(walk)
  }
  walk(draft.when)
  for (const s of draft.shares) if (s.size !== 'rest') texts.push(s.amount)
  if (draft.trusted) texts.push(draft.trustedUpTo)
  return texts.map((text) => ({ kind: NUMBER, text }))
}

/** The rule as it is sent, or what is still missing in it. */
export function wholeOf(draft: Draft, readings: Reading[]): { rule?: RuleDraft; tried?: RuleDraft; missing?: string } {
  const read = [...readings]
  let missing: string | undefined
  const lacks = (why: string) => {
    missing ??= why
  }
  const number = (needed?: string): string | undefined => {
    const reading = read.shift()
    if (reading?.pending) lacks('What was typed is still being read.')
    // What cannot be read goes before what is missing.
    if (reading?.problem) missing = reading.problem
    if (needed && !reading?.value) lacks(needed)
    return reading?.value
  }
  const condition = (c: Clause): Condition => {
    switch (c.kind) {
      case 'ALL':
      case 'ANY':
        if (c.parts.length === 0) lacks('Say at least one thing by which its lines are told.')
        return { kind: c.kind, parts: c.parts.map(condition) }
      case 'TEXT':
        if (c.text.trim() === '') lacks('Say which text its lines have.')
        return { kind: c.kind, place: c.place, match: c.match, text: c.text }
      case 'WAY':
        return { kind: c.kind, direction: c.direction }
      case 'AMOUNT': {
        const from = number()
        const to = number()
        if (!from && !to) lacks('Say from or up to which amount.')
        return { kind: c.kind, from, to }
      }
      case 'ON':
        if (c.accountIds.every((id) => id === '')) lacks('Say for which account.')
        return { kind: c.kind, accountIds: c.accountIds.filter((id) => id !== '') }
      case 'DAYS': {
        const first = Number(c.firstDay)
        const last = c.lastDay.trim() === '' ? first : Number(c.lastDay)
        if (!Number.isInteger(first) || !Number.isInteger(last) || c.firstDay.trim() === '')
          lacks('Say which day of the month, from 1 to 31.')
        return { kind: c.kind, firstDay: first || 0, lastDay: last || 0 }
      }
    }
  }
  const when = condition(draft.when)
  // What it looks for can be tried before it is said what it books.
  const findable = missing === undefined
  const shares = draft.shares.map((s): Share => {
    if (s.unknown !== '') lacks(`“${s.unknown}” is no account. Choose one of the list, or make it there.`)
    if (s.accountId === '') lacks('Say where to book.')
    const to = { accountId: s.accountId, ...s.tax }
    if (s.size === 'rest') return to
    const size = number('Say how much of a line each part gets.')
    return s.size === 'fixed' ? { ...to, fixed: size } : { ...to, percent: size }
  })
  const trustedUpTo = draft.trusted ? number('Say up to which amount it may post by itself.') : undefined
  const tags = draft.tags
    .split(',')
    .map((tag) => tag.trim())
    .filter((tag) => tag !== '')
  const { bookId, payee, note, on } = draft
  const rule = { bookId, when, payee, shares, tags, note, on, trustedUpTo }
  if (missing === undefined) return { rule, tried: rule }
  return { missing, tried: findable ? { ...rule, shares: [], trustedUpTo: undefined } : undefined }
}

/** The tree with one clause changed, or taken out where the change is nothing; a group left empty goes with it. */
export function changed(tree: Clause, key: number, to: Partial<Clause> | undefined): Clause {
  return {
    ...tree,
    parts: tree.parts.flatMap((part) => {
      if (part.key === key) return to === undefined ? [] : [{ ...part, ...to }]
      const inner = changed(part, key, to)
      return (part.kind === 'ALL' || part.kind === 'ANY') && inner.parts.length === 0 ? [] : [inner]
    }),
  }
}
