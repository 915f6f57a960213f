import { useState } from 'react'
import { useAddress, useScope } from '@/app/scope'

export const NEWEST_FIRST = '-date'

/** What the journal looks for and shows, all of it in the address. */
export function useSought() {
  const { book, month } = useScope()
  const { params, set } = useAddress()
  const everyMonth = params.has('every')
  const [namesDays, setNamesDays] = useState(false)
  return {
    book,
    /** The month that narrows the list; none where every month, or days of one's own, are sought. */
    month: everyMonth || namesDays ? undefined : month,
    ready: everyMonth || month !== undefined,
    everyMonth,
    text: params.get('text') ?? '',
    order: params.get('order') ?? NEWEST_FIRST,
    /** The day that the list begins with. */
    at: params.get('at') ?? undefined,
    set,
    setNamesDays,
  }
}
