import { QueryCache, QueryClient, queryOptions } from '@tanstack/react-query'
import { api, data, Problem } from './client'

/** Told of what could not be read anew while what was read before is still shown. */
let notRead: (error: unknown, again: () => void) => void = () => {}
export function onNotRead(told: typeof notRead) {
  notRead = told
}

export const queryClient = new QueryClient({
  queryCache: new QueryCache({
    onError: (error, query) => {
      // Without data the view itself says it; a session that ended is asked for again in place, and what is gone is
      // about to leave the screen.
      const told = error instanceof Problem && (error.status === 401 || error.status === 404)
      if (query.state.data !== undefined && !told) notRead(error, () => void query.fetch())
    },
  }),
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      retry: (count, error) => count < 2 && error instanceof Problem && error.status === 0,
    },
  },
})

/** So long, in milliseconds, what is different now may come from a change that was told of. */
const TOLD_LASTS = 5_000
let changedHereAt = Number.NEGATIVE_INFINITY
let changedElsewhereAt = Number.NEGATIVE_INFINITY

/** Whether another window changed the books a moment ago, and this one has not since. */
export const changedElsewhere = () =>
  changedElsewhereAt > changedHereAt && performance.now() - changedElsewhereAt < TOLD_LASTS

/** Everything that follows from the books is read again after any change of them. */
export function booksChanged() {
  changedHereAt = performance.now()
  return invalidate()
}

/** The same after a change was told of; it may have been made here, which is known then. */
export function readAnew() {
  if (performance.now() - changedHereAt > TOLD_LASTS) changedElsewhereAt = performance.now()
  return invalidate()
}

function invalidate() {
  return queryClient.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'session' })
}

export const session = queryOptions({
  queryKey: ['session'],
  queryFn: () => data(api.GET('/api/session')),
  retry: false,
})

export const household = queryOptions({
  queryKey: ['household'],
  queryFn: () => data(api.GET('/api/household')),
  staleTime: 60_000,
})

export const books = queryOptions({ queryKey: ['books'], queryFn: () => data(api.GET('/api/books')) })

export const accounts = queryOptions({
  queryKey: ['accounts'],
  queryFn: () => data(api.GET('/api/accounts')),
  staleTime: 60_000,
})

export const taxRates = queryOptions({
  queryKey: ['tax-rates'],
  queryFn: () => data(api.GET('/api/tax-rates')),
  staleTime: 60_000,
})

export const currencies = queryOptions({
  queryKey: ['currencies'],
  queryFn: () => data(api.GET('/api/currencies')),
  staleTime: Number.POSITIVE_INFINITY,
})

export const almanac = (month: string | undefined, book: string | undefined, months?: number) =>
  queryOptions({
    queryKey: ['almanac', month, book, months],
    queryFn: () => data(api.GET('/api/almanac', { params: { query: { month, book, months } } })),
    placeholderData: (previous) => previous,
  })

export const tags = queryOptions({
  queryKey: ['tags'],
  queryFn: () => data(api.GET('/api/tags')),
})
