import { type QueryClient, queryOptions, useQueries, useQuery } from '@tanstack/react-query'
import { api, data, type Schemas } from './client'
import { queryClient } from './queries'

/** What a typed text means: `value` as the API takes it, or what is unclear about it. */
export interface Reading {
  text: string
  value?: string
  /** Of an amount: the currency that the text names, or that it was read in. */
  currency?: string
  problem?: string
  /** What it may mean, where that is asked. */
  choices: { value: string; currency?: string }[]
  /** Whether the answer is still under way. */
  pending?: boolean
}

export type Kind =
  | { of: 'day' }
  | { of: 'time' }
  | { of: 'number' }
  | { of: 'amount'; currency: string; mayBeOther?: boolean }
  | Part

/** A part of a split, an amount, a share or net: with its whole, and with what its sales tax depends on. */
export interface Part {
  of: 'part'
  currency: string
  whole: string
  day: string
  accountId?: string
  taxRateId?: string
  untaxed?: boolean
}

const nothing = (text: string): Reading => ({ text, choices: [] })

function reading(kind: Kind, text: string) {
  return queryOptions({
    queryKey: ['typed', kind, text],
    queryFn: () => ask(kind, text),
    staleTime: 3_600_000,
    enabled: text.trim() !== '',
  })
}

async function ask(kind: Kind, text: string): Promise<Reading> {
  if (kind.of === 'day') {
    const read = await data(api.GET('/api/typed/day', { params: { query: { text } } }))
    return { text, value: read.day, problem: read.problem, choices: read.choices.map((value) => ({ value })) }
  }
  if (kind.of === 'time') {
    const read = await data(api.GET('/api/typed/time', { params: { query: { text } } }))
    return { text, value: read.time?.slice(0, 5), problem: read.problem, choices: [] }
  }
  if (kind.of === 'number') {
    const read = await data(api.GET('/api/typed/number', { params: { query: { text } } }))
    return { text, value: read.number, problem: read.problem, choices: read.choices.map((value) => ({ value })) }
  }
  const read = await (kind.of === 'part' ? askPart(kind, text) : askAmount(kind, text))
  const money = (m: Schemas['MoneyJson']) => ({ value: m.amount, currency: m.currency })
  return {
    text,
    ...(read.money ? money(read.money) : {}),
    problem: read.problem,
    choices: read.choices.map(money),
  }
}

function askAmount({ currency, mayBeOther = false }: { currency: string; mayBeOther?: boolean }, text: string) {
  return data(api.GET('/api/typed/amount', { params: { query: { text, currency, mayBeOther } } }))
}

function askPart({ of, ...part }: Part, text: string) {
  return data(api.GET('/api/typed/part', { params: { query: { text, ...part } } }))
}

/** Reads a text now; what is empty means nothing and is no problem. */
export async function read(kind: Kind, text: string): Promise<Reading> {
  if (text.trim() === '') return nothing(text)
  return queryClient.fetchQuery(reading(kind, text.trim()))
}

/** Keeps what a text means that the interface has written itself. */
export function known(kind: Kind, text: string, value: string, client: QueryClient = queryClient): string {
  const key = ['typed', kind, text]
  if (client.getQueryData(key) === undefined) client.setQueryData(key, { text, value, choices: [] })
  return text
}

/** What a text means, as it is typed. */
export function useReading(kind: Kind, text: string): Reading {
  const { data: read, isFetching } = useQuery(reading(kind, text.trim()))
  if (text.trim() === '') return nothing(text)
  return read ?? { ...nothing(text), pending: isFetching }
}

/** The same for the many fields of a sheet. */
export function useReadings(asked: { kind: Kind; text: string }[]): Reading[] {
  return useQueries({
    queries: asked.map(({ kind, text }) => reading(kind, text.trim())),
    combine: (answers) =>
      answers.map((answer, i) => {
        const text = asked[i]?.text ?? ''
        if (text.trim() === '') return nothing(text)
        return answer.data ?? { ...nothing(text), pending: true }
      }),
  })
}
