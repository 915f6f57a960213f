import type { Schemas } from '@/api/client'
import type { Waiting } from './types'

export type Booking = Schemas['BookingJson']
type Standing = Schemas['StandsInTheBooksJson']

/** What would be taken for a line: a booking, maybe with the other half of a transfer, or an entry that is there. */
export type Answer = { booking: Booking; twin?: Schemas['TwinJson'] } | { standing: Standing }

const NOTHING: Booking = { payee: '', note: '', parts: [] }

/** What is proposed for a line, or what a person has said instead; the proposal for a half holds for both or none. */
export function answerOf(line: Waiting, changed: Record<string, Booking>): Answer {
  const said = changed[line.id]
  if (said) return { booking: said }
  const { proposal } = line
  if (!proposal) return { booking: NOTHING }
  if (proposal.standing) return { standing: proposal.standing }
  const { half } = proposal
  if (half && changed[half.lineId]) return { booking: NOTHING }
  const parts = proposal.parts.map((part) => ({ ...part, note: '' }))
  return {
    booking: { payee: proposal.payee, note: proposal.note, parts, tags: proposal.tags },
    twin: half && { lineId: half.lineId, version: half.version },
  }
}

/** Where all of a line would be booked; undefined where nothing is said, or several are. */
export function accountOf(answer: Answer): string | undefined {
  const [part, second] = 'standing' in answer ? [] : answer.booking.parts
  return second ? undefined : part?.accountId
}

/** Whether everything is said that posting needs; whether the parts add up is for the books to say. */
export function isReady(answer: Answer): boolean {
  return 'standing' in answer || isComplete(answer.booking)
}

export function isComplete(booking: Booking): boolean {
  return booking.payee.trim() !== '' && booking.parts.length > 0 && booking.parts.every((p) => p.accountId && p.amount)
}

/** Who a line is with, as far as that is said. */
export const payeeOf = (answer: Answer) => ('standing' in answer ? answer.standing.payee : answer.booking.payee)

/** The lines that look like one that was just answered and are open still, with what they would be booked as. */
export function alikeOf(line: Waiting, booking: Booking, lines: Waiting[], answer: (line: Waiting) => Answer) {
  const [part] = booking.parts
  // What a split of another amount would be, nobody can tell.
  if (!part || booking.parts.length > 1 || part.otherAmount) return {}
  const alike = lines.filter(
    (l) =>
      l.id !== line.id &&
      l.alike === line.alike &&
      l.bookId === line.bookId &&
      l.accountId !== part.accountId &&
      l.amount.startsWith('-') === line.amount.startsWith('-') &&
      !isReady(answer(l)),
  )
  return Object.fromEntries(
    alike.map((l): [string, Booking] => [l.id, { ...booking, note: '', parts: [{ ...part, amount: l.amount }] }]),
  )
}

/** The lines as they are sent: what two of them are together, is sent once. */
export function acceptedOf(lines: Waiting[], answer: (line: Waiting) => Answer): Schemas['AcceptedJson'][] {
  const twins = new Set<string>()
  return lines.flatMap((line): Schemas['AcceptedJson'][] => {
    const of = answer(line)
    if (!isReady(of) || twins.has(line.id)) return []
    const { id: lineId, version } = line
    if ('standing' in of) return [{ lineId, version, postingId: of.standing.postingId }]
    if (of.twin) twins.add(of.twin.lineId)
    return [{ lineId, version, booking: of.booking, twin: of.twin }]
  })
}
