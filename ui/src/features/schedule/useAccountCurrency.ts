import { useQuery } from '@tanstack/react-query'
import { accounts } from '@/api/queries'

/** The currency of an account; nothing until one is chosen. */
export function useAccountCurrency(id: string | undefined): string | undefined {
  return useQuery(accounts).data?.find((account) => account.id === id)?.currency
}
