import type { Schemas } from '@/api/client'
import type { Waiting } from './types'

export type Booking = Schemas['BookingJson']
type Twin = Schemas['TwinJson']

/** What a line is in the books: an entry, several that add up to it, a part of one, or one but for a difference. */
export interface Standing {
  entries: { entryId: string; entryNo: number; payee: string; postingId: string }[]
  withLines: Twin[]
  /** What the line moves beyond the entry. */
  difference?: string
  /** Where that is booked, once somebody has said it. */
  differenceTo?: string
}

/** What would be taken for a line: a booking, maybe with the other half of a transfer, or what is there. */
export type Answer = { booking: Booking; twin?: Twin } | { standing: Standing }

/** What a person has said of lines: bookings instead of proposals, and where differences go. */
export interface SaidOfLines {
  bookings: Record<string, Booking>
  differences: Record<string, string>
  /** Entries that were found to be the line. */
  paired: Record<string, Schemas['KnownEntryJson'] & { difference?: string }>
}

const NOTHING: Booking = { payee: '', note: '', parts: [] }

/** What is proposed for a line, or what a person has said instead; the proposal for a half holds for both or none. */
export function answerOf(line: Waiting, { bookings, differences, paired }: SaidOfLines): Answer {
  const entry = paired[line.id]
  if (entry) {
    const { difference } = entry
    return { standing: { entries: [entry], withLines: [], difference, differenceTo: differences[line.id] } }
  }
  const said = bookings[line.id]
  if (said) return { booking: said }
  const { proposal } = line
  if (!proposal) return { booking: NOTHING }
  const standing = standingOf(proposal, differences[line.id])
  if (standing) {
    // What two lines are together, neither is alone.
    return standing.withLines.some((other) => bookings[other.lineId]) ? { booking: NOTHING } : { standing }
  }
  const { half } = proposal
  if (half && bookings[half.lineId]) return { booking: NOTHING }
  const parts = proposal.parts.map((part) => ({ ...part, note: '' }))
  return {
    booking: { payee: proposal.payee, note: proposal.note, parts, tags: proposal.tags },
    twin: half && { lineId: half.lineId, version: half.version },
  }
}

function standingOf(
  { standing, several, part, nearly }: Schemas['ProposalJson'],
  differenceTo: string | undefined,
): Standing | undefined {
  if (standing) return { entries: [standing], withLines: [] }
  if (several) return { entries: several.entries, withLines: [] }
  if (part) {
    return {
      entries: [part.entry],
      withLines: part.others.map(({ lineId, version }) => ({ lineId, version })),
    }
  }
  return nearly && { entries: [nearly.entry], withLines: [], difference: nearly.difference, differenceTo }
}

/** Where all of a line would be booked; undefined where nothing is said, or several are. */
export function accountOf(answer: Answer): string | undefined {
  const [part, second] = 'standing' in answer ? [] : answer.booking.parts
  return second ? undefined : part?.accountId
}

/** Whether everything is said that posting needs; whether the parts add up is for the books to say. */
export function isReady(answer: Answer): boolean {
  if (!('standing' in answer)) return isComplete(answer.booking)
  return answer.standing.difference === undefined || answer.standing.differenceTo !== undefined
}

export function isComplete(booking: Booking): boolean {
  return booking.payee.trim() !== '' && booking.parts.length > 0 && booking.parts.every((p) => p.accountId && p.amount)
}

/** Who a line is with, as far as that is said. */
export const payeeOf = (answer: Answer) =>
  'standing' in answer ? (answer.standing.entries[0]?.payee ?? '') : answer.booking.payee

/** The lines that look like one that was just answered and are open still, with what they would be booked as. */
export function alikeOf(line: Waiting, booking: Booking, lines: Waiting[], answer: (line: Waiting) => Answer) {
  const [part] = booking.parts
  // What a split of another amount would be, nobody can tell.
  if (!part || booking.parts.length > 1 || part.otherAmount) return {}
  const alike = lines.filter(
    (l) => l.id !== line.id && l.alike === line.alike && l.accountId !== part.accountId && !isReady(answer(l)),
  )
  return Object.fromEntries(
    alike.map((l): [string, Booking] => [l.id, { ...booking, note: '', parts: [{ ...part, amount: l.amount }] }]),
  )
}

/** Two lines as the halves of one transfer, as far as they may be; what it is then is worked out by the books. */
export function transferOf([one, other]: Waiting[]): Schemas['AcceptedJson'] | undefined {
  if (!one || !other || one.accountId === other.accountId) return undefined
  return { lineId: one.id, version: one.version, twin: { lineId: other.id, version: other.version } }
}

/** The lines as they are sent: what two of them are together, is sent once. */
export function acceptedOf(lines: Waiting[], answer: (line: Waiting) => Answer): Schemas['AcceptedJson'][] {
  const twins = new Set<string>()
  return lines.flatMap((line): Schemas['AcceptedJson'][] => {
    const of = answer(line)
    if (!isReady(of) || twins.has(line.id)) return []
    const { id: lineId, version } = line
    if ('standing' in of) {
      const { entries, withLines, differenceTo } = of.standing
      for (const other of withLines) twins.add(other.lineId)
      const postingIds = entries.map((entry) => entry.postingId)
      return [{ lineId, version, known: { postingIds, withLines, differenceTo } }]
    }
    if (of.twin) twins.add(of.twin.lineId)
    return [{ lineId, version, booking: of.booking, twin: of.twin }]
  })
}
