import { queryOptions } from '@tanstack/react-query'
import { api, data } from '@/api/client'
import { isBusy } from './types'

/** All connections; read again every second while one of them fetches. */
export const connections = queryOptions({
  queryKey: ['connections'],
  queryFn: () => data(api.GET('/api/connections')),
  refetchInterval: (query) => (query.state.data?.some(isBusy) ? 1_000 : false),
})

/** Begins, renews and ends: after a consent was asked for, the person goes to the bank's own page. */
export async function goToBank(asked: Promise<{ data?: { goTo: string } }>) {
  const { goTo } = await data(asked)
  window.location.assign(goTo)
}
