import type { Schemas } from '@/api/client'
import { counted, day } from '@/parts/figures'

export type Connection = Schemas['ConnectionDetailsJson']
export type Connected = Schemas['ConnectedAccountJson']
export type Institution = Schemas['InstitutionJson']

/** 14:05, in the person's own zone. */
export function timeOf(instant: string): string {
  const at = new Date(instant)
  return `${String(at.getHours()).padStart(2, '0')}:${String(at.getMinutes()).padStart(2, '0')}`
}

/** How far back an institution hands out lines. */
export function reach(days: number): string {
  if (days >= 365 && days % 365 === 0) return counted(days / 365, 'year')
  return counted(days, 'day')
}

/** What is going on with an account, in words. */
export function progress(a: Connected): string {
  switch (a.phase) {
    case 'UNUSED':
      return 'not used'
    case 'QUEUED':
      return 'about to fetch'
    case 'FETCHING':
      return a.linesSoFar ? `fetching, ${counted(a.linesSoFar, 'line')} so far` : 'fetching'
    case 'DONE':
      return a.lastNewLines ? `${counted(a.lastNewLines, 'new line')}` : 'nothing new'
    case 'WAITING':
      return `${plain(a.problem)}, next try ${a.nextTryAt ? timeOf(a.nextTryAt) : 'soon'}`
    case 'STOPPED':
      return plain(a.problem) || 'stopped'
  }
}

const plain = (problem: string | undefined) => (problem ?? '').replace(/\.$/, '').replace(/^The bank/, 'the bank')

export const isBusy = (c: Connection) => c.accounts.some((a) => a.phase === 'QUEUED' || a.phase === 'FETCHING')

/** How a connection is, and whether it wants something of the person. */
export function health(c: Connection): string {
  if (c.status === 'ASKED') return 'consent not given yet'
  if (c.status === 'NEEDS_CONSENT' || c.daysLeft < 0) return 'consent has ended'
  if (c.daysLeft <= 7) return c.daysLeft === 0 ? 'consent ends today' : `consent ends in ${counted(c.daysLeft, 'day')}`
  return `healthy, until ${day(c.consentUntil)}`
}
