import { useQueries } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { Problem, type Schemas, upload } from '@/api/client'
import { forgetKept, keep, kept } from '@/parts/kept'
import { type OpenQuestion, openQuestions } from './questions'
import type { Layout, Part, Preview } from './types'

/** What a person has settled about a file. */
interface Settled {
  /** The account that it was dropped onto or that was chosen for all of it. */
  accountId?: string
  /** Accounts chosen for numbers in a file of several. */
  chosen: Record<string, string>
  /** Account numbers for which no statement is to be made. */
  withoutStatement: string[]
  /** Account numbers whose lines are taken although figures of the file do not come out. */
  seen: string[]
  layout?: Layout
  /** The questions about the layout that the person has answered. */
  answered: OpenQuestion[]
  keepLayout: boolean
}

/** A file on its way in, with what the person has settled about it. */
export interface Arrival extends Settled {
  key: string
  file: File
}

const UNSETTLED: Settled = { chosen: {}, withoutStatement: [], seen: [], answered: [], keepLayout: true }

let count = 0

/** The same file, chosen again. */
const keptName = (file: File) => `file ${file.name} of ${file.size} bytes, ${file.lastModified}`

/** A file cannot be kept for the tab; what was settled about it is, for when it is chosen again. */
function keepSettled({ key: _, file, ...settled }: Arrival) {
  keep(keptName(file), settled)
}

export const arrivalOf = (file: File, accountId?: string): Arrival => {
  count += 1
  return {
    key: `${file.name} ${count}`,
    file,
    ...UNSETTLED,
    ...kept<Settled>(keptName(file)),
    ...(accountId === undefined ? {} : { accountId }),
  }
}

/** The files that are in hand, as long as the page stays: leaving the view does not put them back. */
let inHand: Arrival[] | undefined

export function useInHand(): [Arrival[] | undefined, (arrivals: Arrival[] | undefined) => void] {
  const [arrivals, setArrivals] = useState(inHand)
  return [
    arrivals,
    (next) => {
      inHand = next
      setArrivals(next)
    },
  ]
}

const json = (value: unknown) => new Blob([JSON.stringify(value)], { type: 'application/json' })

function form(arrival: Arrival, fields: Record<string, string | Blob | undefined>): FormData {
  const body = new FormData()
  body.set('file', arrival.file)
  for (const [name, value] of Object.entries(fields)) {
    if (value !== undefined) body.set(name, value)
  }
  return body
}

const LARGEST = 60 * 1024 * 1024

async function read(arrival: Arrival): Promise<Preview> {
  // Said before megabytes travel, and before the server hangs up in the middle of them.
  if (arrival.file.size > LARGEST) {
    throw new Problem(413, 'too-large', 'The file is over 60 MB. Export a shorter period and gather it in parts.')
  }
  const choices = Object.entries(arrival.chosen).map(([accountNumber, accountId]) => ({
    accountNumber,
    accountId,
    makeStatement: false,
  }))
  return upload<Preview>(
    '/api/gather/preview',
    form(arrival, {
      account: arrival.accountId,
      choices: choices.length ? json(choices) : undefined,
      layout: arrival.layout && json(arrival.layout),
    }),
  )
}

export const makesStatement = (arrival: Arrival, part: Part) =>
  part.makesStatement && !arrival.withoutStatement.includes(part.accountNumber)

/** Takes a file in as it was previewed: the layout shown is the layout used. */
export async function takeIn(arrival: Arrival, preview: Preview): Promise<Schemas['TakenInJson'][]> {
  const choices = preview.parts.map((part) => ({
    accountNumber: part.accountNumber,
    accountId: part.accountId,
    makeStatement: makesStatement(arrival, part),
    discrepanciesSeen: arrival.seen.includes(part.accountNumber),
  }))
  const layout = arrival.layout ?? preview.table?.layout
  const taken = await upload<Schemas['TakenInJson'][]>(
    '/api/gather/batches',
    form(arrival, {
      choices: json(choices),
      keepLayout: String(arrival.keepLayout),
      layout: layout && json(layout),
    }),
  )
  forgetKept(keptName(arrival.file))
  return taken
}

/** Whether the figures of a part come out, or the person takes it as it is. */
export const isSeen = (arrival: Arrival, part: Part) =>
  part.discrepancies.length === 0 || arrival.seen.includes(part.accountNumber)

/** Whether everything about a file is settled and there is something to take. */
export function isReady(arrival: Arrival, preview: Preview | undefined): boolean {
  if (!preview || preview.problem || preview.parts.length === 0) return false
  if (preview.table && openQuestions(arrival, preview.table).length > 0) return false
  const settled = preview.parts.every((p) => p.accountId && !p.refusal && isSeen(arrival, p))
  return settled && preview.parts.some((p) => p.newLines + p.doubtfulLines > 0 || makesStatement(arrival, p))
}

/** The files on their way in, each read again whenever something about it is settled. */
export function useArrivals(first: Arrival[]) {
  const [arrivals, setArrivals] = useState(first)
  useEffect(() => {
    inHand = arrivals
  }, [arrivals])
  const previews = useQueries({
    queries: arrivals.map((a) => ({
      queryKey: ['preview', a.key, a.accountId, a.chosen, a.layout],
      retry: false,
      staleTime: Number.POSITIVE_INFINITY,
      placeholderData: (previous: Preview | undefined) => previous,
      queryFn: () => read(a),
    })),
  })
  return {
    arrivals,
    previews,
    change: (key: string, to: Partial<Settled>) =>
      setArrivals((old) =>
        old.map((a) => {
          if (a.key !== key) return a
          const settled = { ...a, ...to }
          keepSettled(settled)
          return settled
        }),
      ),
    remove: (keys: string[]) => setArrivals((old) => old.filter((a) => !keys.includes(a.key))),
  }
}
