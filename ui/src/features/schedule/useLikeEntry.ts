import { useQuery } from '@tanstack/react-query'
import { api, data } from '@/api/client'
import { useAddress } from '@/app/scope'

/** The schedule that begins from the entry in the address, if there is one. */
export function useLikeEntry() {
  const { params, set } = useAddress()
  const id = params.get('like') ?? ''
  const like = useQuery({
    queryKey: ['schedule like', id],
    enabled: id !== '',
    retry: false,
    queryFn: () => data(api.GET('/api/entries/{id}/schedule', { params: { path: { id } } })),
  })
  return { schedule: id ? like.data : undefined, error: like.error, forget: () => id && set({ like: '' }) }
}
