import type { Schemas } from '@/api/client'
import type { Waiting } from './types'

export type Booking = Schemas['BookingJson']
export type Part = Schemas['PartJson']

/** What is proposed for a line; without a proposal, all of it to nobody knows where yet. */
export function bookingOf(line: Waiting): Booking {
  return {
    payee: line.proposal?.payee ?? '',
    note: '',
    parts: line.proposal ? [{ accountId: line.proposal.toAccountId, amount: line.amount, note: '' }] : [],
  }
}

/** Whether everything is said that posting needs; whether the parts add up is for the books to say. */
export function isComplete(booking: Booking): boolean {
  return booking.payee.trim() !== '' && booking.parts.length > 0 && booking.parts.every((p) => p.accountId && p.amount)
}
