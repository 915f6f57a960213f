import { Fragment, type ReactNode } from 'react'
import type { Account } from '@/parts/AccountPicker'
import { figure, plainNumber } from '@/parts/figures'
import { Icon } from '@/parts/Icon'
import { type Condition, MATCHES, PLACES, type RuleDraft, WAYS } from './types'

type NameOf = (accountId: string) => string

export const namesOf = (accounts: Account[]): NameOf => {
  const names = new Map(accounts.map((a) => [a.id, a.name]))
  return (id) => names.get(id) ?? 'an account'
}

/** A rule as a sentence of two lines: what it looks for, and what it books. */
export function Sentence({ rule, nameOf }: { rule: RuleDraft; nameOf: NameOf }) {
  return (
    <>
      When <Told when={rule.when} nameOf={nameOf} />
      <br />
      <Icon name="arrow" size={13} />{' '}
      {rule.payee && (
        <>
          payee <b>{rule.payee}</b>,{' '}
        </>
      )}
      <Booked rule={rule} nameOf={nameOf} />
      {rule.tags.map((tag) => (
        <Fragment key={tag}>
          , tag <b>{tag}</b>
        </Fragment>
      ))}
    </>
  )
}

function Booked({ rule, nameOf }: { rule: RuleDraft; nameOf: NameOf }) {
  const [only] = rule.shares
  if (only && rule.shares.length === 1) {
    return (
      <>
        book to <b>{nameOf(only.accountId)}</b>
      </>
    )
  }
  return rule.shares.map((share, i) => (
    <Fragment key={share.accountId}>
      {i > 0 && ', '}
      {share.fixed ? figure(share.fixed) : share.percent ? `${plainNumber(share.percent)} %` : 'the rest'} to{' '}
      <b>{nameOf(share.accountId)}</b>
    </Fragment>
  ))
}

function Told({ when, nameOf, within }: { when: Condition; nameOf: NameOf; within?: boolean }): ReactNode {
  switch (when.kind) {
    case 'ALL':
    case 'ANY': {
      const parts = when.parts ?? []
      const braced = within && parts.length > 1
      return (
        <>
          {braced && '('}
          {parts.map((part, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: conditions have no other name
            <Fragment key={i}>
              {i > 0 && (when.kind === 'ALL' ? (parts.length > 2 && i < parts.length - 1 ? ', ' : ' and ') : ' or ')}
              <Told when={part} nameOf={nameOf} within />
            </Fragment>
          ))}
          {braced && ')'}
        </>
      )
    }
    case 'TEXT':
      return (
        <>
          {PLACES[when.place ?? 'ANY']} {MATCHES[when.match ?? 'IS']} <b>{when.text}</b>
        </>
      )
    case 'WAY':
      return <b>{WAYS[when.direction ?? 'OUT']}</b>
    case 'AMOUNT':
      return <b>{amounts(when)}</b>
    case 'ON':
      return (
        <>
          on <b>{(when.accountIds ?? []).map(nameOf).join(' or ')}</b>
        </>
      )
    case 'DAYS':
      return (
        <b>
          on day {when.firstDay}
          {when.lastDay !== when.firstDay && ` to ${when.lastDay}`}
        </b>
      )
  }
}

function amounts({ from, to }: Condition): string {
  if (from === undefined) return `up to ${figure(to ?? '')}`
  if (to === undefined) return `from ${figure(from)}`
  return from === to ? `of ${figure(from)}` : `of ${figure(from)} to ${figure(to)}`
}
