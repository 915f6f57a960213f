import { useQuery } from '@tanstack/react-query'
import type { RefObject } from 'react'
import { api, data } from '@/api/client'
import { counted, figure, longDay } from '@/parts/figures'
import { QueryBox, SetChip } from './QueryBox'

export interface Sought {
  text: string
  /** The day that the register begins with. */
  at: string | undefined
  order: string
}

/** What was there before stands until it is read anew, unless it is of another account: the second part of a key. */
export const ofSameAccount =
  (accountId: string) =>
  <T,>(before: T | undefined, query: { queryKey: readonly unknown[] } | undefined) =>
    query?.queryKey[1] === accountId ? before : undefined

/** What is sought in the register, and what it comes to; balances stay those of the whole account. */
export function RegisterSought({
  accountId,
  field,
  sought,
  set,
}: {
  accountId: string
  field: RefObject<HTMLInputElement | null>
  sought: Sought
  set: (changes: Record<string, string>) => void
}) {
  const totals = useQuery({
    queryKey: ['register', accountId, 'totals', sought.text],
    enabled: sought.text !== '',
    placeholderData: ofSameAccount(accountId),
    queryFn: () =>
      data(
        api.GET('/api/accounts/{id}/register/totals', {
          params: { path: { id: accountId }, query: { text: sought.text } },
        }),
      ),
  })
  return (
    <search className="flex flex-none items-center gap-3 border-t border-hairline px-(--edge) py-1.5">
      <QueryBox
        ref={field}
        label="Find in the register"
        className="flex-1"
        text={sought.text}
        onText={(text) => set({ text })}
      >
        {sought.at && (
          <SetChip words="the day it begins with" onDrop={() => set({ at: '' })}>
            from <b>{longDay(sought.at)}</b> back
          </SetChip>
        )}
      </QueryBox>
      {sought.text !== '' && totals.data && (
        <span className="text-small whitespace-nowrap text-ink-2" role="status">
          {counted(totals.data.count, 'posting')}, in {figure(totals.data.in)}, out {figure(totals.data.out)}
        </span>
      )}
    </search>
  )
}
