import { useQuery } from '@tanstack/react-query'
import { api, data } from '@/api/client'

/** An amount the other way round. */
export const negated = (amount: string) => (amount.startsWith('-') ? amount.slice(1) : `-${amount}`)

/** What amounts of one currency add up to, worked out by the books; undefined while that is not known, or of several. */
export function useSum(amounts: { amount: string; currency: string }[]): string | undefined {
  const { data: flows } = useQuery({
    queryKey: ['flows', amounts],
    enabled: amounts.length > 0,
    queryFn: () => data(api.POST('/api/flows', { body: { amounts } })),
    placeholderData: (previous) => previous,
  })
  return amounts.length > 0 && flows?.length === 1 ? flows[0]?.sum : undefined
}
