import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { api, data, type Schemas } from '@/api/client'

export type Term = Schemas['QueryTermJson']

/** What is sought as one text, terms with a space between them. */
const joined = (chips: Term[], typed: string) => [...chips.map((c) => c.text), typed.trim()].filter(Boolean).join(' ')

/**
 * A journal query as it is typed: conditions that are whole stand as chips, the rest is in the box. The core reads it;
 * what it cannot read is said, and does not narrow what is shown.
 */
export function useQueryText(text: string, onText: (text: string) => void) {
  const [chips, setChips] = useState<Term[]>([])
  const [typed, setTyped] = useState(text)
  const [caret, setCaret] = useState(0)
  /** What is typed, also before it is drawn. */
  const now = useRef(text)
  function put(next: string, at: number) {
    now.current = next
    setTyped(next)
    setCaret(at)
  }
  /** What the address was told and has not come to yet; it may lag behind somebody who types fast. */
  const told = useRef<string[]>([])
  const last = useRef(text)
  const reading = useQuery({
    queryKey: ['journal query', typed, caret],
    queryFn: () => data(api.GET('/api/entries/query', { params: { query: { text: typed, caret } } })),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  })
  const read = reading.isPlaceholderData ? undefined : reading.data
  const problem = read?.terms.find((t) => t.problem !== undefined)

  // The address was changed by something else: a view that is kept, or a step back.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only another address counts
  useEffect(() => {
    const own = told.current.indexOf(text)
    if (own >= 0) {
      told.current = told.current.slice(own + 1)
    } else if (text !== last.current) {
      last.current = text
      setChips([])
      put(text, 0)
    }
  }, [text])

  // biome-ignore lint/correctness/useExhaustiveDependencies: told once what was typed is read
  useEffect(() => {
    if (!read) return
    const readable = read.terms.filter((t) => t.problem === undefined).map((t) => t.text)
    const next = joined(chips, readable.join(' '))
    if (next === last.current) return
    last.current = next
    told.current.push(next)
    onText(next)
  }, [read, chips])

  /** Conditions that are whole become chips; words stay in the box, where they can be typed on. */
  function settle(until: number) {
    if (!read) return
    const whole = read.terms.filter((t) => t.field !== undefined && t.problem === undefined && t.to < until)
    // What was typed since is read soon, and settled then: no letter is lost to one that was read before it.
    if (whole.length === 0 || now.current !== typed) return
    let rest = typed
    for (const term of whole.toReversed()) rest = rest.slice(0, term.from) + rest.slice(term.to).trimStart()
    setChips((old) => [...old, ...whole])
    put(rest, rest.length)
  }
  // A space behind a condition ends it.
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked at when what was typed is read
  useEffect(() => settle(typed.length), [read])

  return {
    chips,
    typed,
    problem: problem?.problem,
    completion: read?.completion,
    /** Whether the query says itself of which days entries are sought. */
    namesDays: [...chips, ...(read?.terms ?? [])].some((t) => t.field === 'date' && t.problem === undefined),
    type: put,
    settleAll: () => settle(Number.MAX_SAFE_INTEGER),
    drop: (chip: Term) => setChips(chips.filter((c) => c !== chip)),
    /** The last chip goes back into the box, to be changed. */
    takeBack: () => {
      const last = chips.at(-1)
      if (!last) return
      setChips(chips.slice(0, -1))
      put(`${last.text}${typed ? ` ${typed}` : ''}`, last.text.length)
    },
    clear: () => {
      setChips([])
      put('', 0)
    },
  }
}
