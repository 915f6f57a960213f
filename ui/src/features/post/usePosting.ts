import { api, data, Problem, type Schemas } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useSays } from '@/app/says'
import { counted } from '@/parts/figures'
import { useSaidAct } from '@/parts/useSaidAct'
import type { Waiting } from './types'
import type { useAnswers } from './useAnswers'

/**
 * Posts lines, and says as what and which of them stayed.
 *
 * @param onAnswer told once the books have answered, with the first line that stayed if nothing was posted
 */
export function usePosting(answers: ReturnType<typeof useAnswers>, onAnswer: (stayed: string | undefined) => void) {
  const says = useSays()
  const act = useSaidAct()
  const takeBack = (lineIds: string[]) =>
    act(
      () => api.POST('/api/waiting-lines/take-back', { body: { lineIds } }),
      `${counted(lineIds.length, 'line')} taken back, waiting again.`,
    )

  async function send(ready: Schemas['AcceptedJson'][]) {
    if (ready.length === 0) {
      says.failed(new Error('Choose what it is for first: C opens the choice.'))
      return
    }
    try {
      // Of several, one that cannot be posted does not hold up the others.
      const posted = await data(
        api.POST('/api/waiting-lines/post', { body: { lines: ready, someMayStay: ready.length > 1 } }),
      )
      const stayed = new Set(posted.stayed.map((s) => s.lineId))
      const gone = ready.filter((r) => !stayed.has(r.lineId))
      answers.forget(gone.flatMap(linesOf))
      answers.stay(posted.stayed)
      if (gone.length === 0) says.failed(new Error(`Nothing was posted. ${stays(posted.stayed)}`))
      else sayPosted(gone, posted)
      onAnswer(gone.length === 0 ? posted.stayed[0]?.lineId : undefined)
    } catch (error) {
      says.failed(error)
      if (!(error instanceof Problem && error.status === 409)) return
    }
    await booksChanged()
  }

  function sayPosted(gone: Schemas['AcceptedJson'][], posted: Schemas['PostedJson']) {
    const lines = gone.flatMap(linesOf)
    // An entry that was changed for a difference becomes what it was by undoing the act, not by taking its line back.
    const changed = gone.some((r) => r.known?.differenceTo !== undefined)
    says.done(
      `${counted(lines.length, 'line')} posted${told(posted)}. ${stays(posted.stayed)}`.trim(),
      changed ? undefined : () => takeBack(lines),
    )
  }

  const pair = ({ id, version }: Waiting, postingId: string, entryNo: number) =>
    act(
      () => api.POST('/api/waiting-lines/{id}/pair', { params: { path: { id } }, body: { version, postingId } }),
      `The line is no. ${entryNo}; nothing was booked twice.`,
      () => takeBack([id]),
    )
  return { send, pair }
}

/** A line with those that are posted with it. */
const linesOf = ({ lineId, twin, known }: Schemas['AcceptedJson']) => [
  lineId,
  ...(twin ? [twin.lineId] : []),
  ...(known?.withLines ?? []).map((other) => other.lineId),
]

/** Which lines stayed, in words. */
function stays([first, ...more]: Schemas['StayedJson'][]): string {
  if (!first) return ''
  return more.length === 0 ? `1 line stayed: ${first.why}` : `${more.length + 1} lines stayed; the first: ${first.why}`
}

/** As which entries lines were posted, made or there before. */
function told({ entryNos, knownNos }: Schemas['PostedJson']): string {
  const made = entryNos.length > 1 ? `as nos. ${entryNos[0]} to ${entryNos.at(-1)}` : `as no. ${entryNos[0]}`
  const known = `${knownNos.length > 1 ? 'nos.' : 'no.'} ${knownNos.join(', ')} already`
  if (knownNos.length === 0) return ` ${made}`
  return entryNos.length === 0 ? `: in the books as ${known}` : ` ${made}; in the books as ${known}`
}
