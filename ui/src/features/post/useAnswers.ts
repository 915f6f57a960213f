import { useState } from 'react'
import type { Schemas } from '@/api/client'
import { useKept } from '@/parts/kept'
import { answerOf, type Booking, isReady, type SaidOfLines } from './booking'
import type { Waiting } from './types'

/** What was said of lines, but for these. */
const without =
  (...ids: string[]) =>
  <T>(said: Record<string, T>): Record<string, T> =>
    Object.fromEntries(Object.entries(said).filter(([id]) => !ids.includes(id)))

/** What a person has said of waiting lines, kept for the tab until they are posted. */
export function useAnswers() {
  const [bookings, setBookings] = useKept<SaidOfLines['bookings']>('bookings that were changed', {})
  const [differences, setDifferences] = useKept<SaidOfLines['differences']>('differences that were placed', {})
  const [paired, setPaired] = useKept<SaidOfLines['paired']>('entries that were found', {})
  const [ticks, setTicks] = useState<Record<string, boolean>>({})
  /** Why lines stayed that were to be posted. */
  const [stayed, setStayed] = useState<Record<string, string>>({})
  const answerFor = (line: Waiting) => answerOf(line, { bookings, differences, paired })
  const ready = (line: Waiting) => isReady(answerFor(line))
  return {
    answerFor,
    stayed,
    /** What could not be posted is not ticked any more, and says why until something else is said of it. */
    stay: (lines: Schemas['StayedJson'][]) => {
      setStayed((old) => ({ ...old, ...Object.fromEntries(lines.map(({ lineId, why }) => [lineId, why])) }))
      setTicks((old) => ({ ...old, ...Object.fromEntries(lines.map(({ lineId }) => [lineId, false])) }))
    },
    /** By itself only what is sure is ticked, and what a person has said. */
    isTicked: (line: Waiting) =>
      ready(line) &&
      (ticks[line.id] ?? (bookings[line.id] !== undefined || (line.proposal?.sure === true && !line.proposal.refusal))),
    tick: (lines: Waiting[], on: boolean) => {
      const said = lines.filter(ready).map((line) => [line.id, on])
      setTicks((old) => ({ ...old, ...Object.fromEntries(said) }))
    },
    /** Of what is said twice, the last holds. */
    book: (said: Record<string, Booking>) => {
      setBookings((old) => ({ ...old, ...said }))
      setStayed(without(...Object.keys(said)))
      setPaired(without(...Object.keys(said)))
    },
    pairWith: (id: string, entry: SaidOfLines['paired'][string]) => {
      setPaired((old) => ({ ...old, [id]: entry }))
      setStayed(without(id))
      setBookings(without(id))
    },
    /** Where what a line moves beyond its entry is booked. */
    place: (id: string, accountId: string | undefined) =>
      setDifferences(accountId === undefined ? without(id) : (old) => ({ ...old, [id]: accountId })),
    forget: (ids: string[]) => {
      setBookings(without(...ids))
      setPaired(without(...ids))
      setDifferences(without(...ids))
    },
  }
}
