import { useQuery } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { session } from '@/api/queries'

/** Whether the person keeps the books; a reader sees everything and changes nothing. */
export function useMayChange(): boolean {
  // Looks only: asking again while nobody is signed in would take the sign-in away that it stands in.
  const { data } = useQuery({ ...session, enabled: false })
  return data !== undefined && data.role !== 'READER'
}

/** What only those who keep the books are offered: a reader sees no button that they cannot use. */
export function MayChange({ children }: { children: ReactNode }) {
  return useMayChange() ? children : null
}
