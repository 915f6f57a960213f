import { useQuery } from '@tanstack/react-query'
import type { Schemas } from '@/api/client'
import { session } from '@/api/queries'
import { useScope } from '@/app/scope'
import { lastDay } from '@/parts/figures'

export type WorthPage = Schemas['WorthPageJson']
export type Investment = Schemas['InvestmentJson']
export type Holding = Schemas['HoldingJson']
export type Thing = Schemas['ThingJson']
export type Security = Schemas['SecurityJson']

/** What a row stands for. */
export type Owned = { investment: Investment; holding?: Holding } | { thing: Thing }

export const keyOf = (owned: Owned) =>
  'thing' in owned
    ? owned.thing.accountId
    : `${owned.investment.accountId} ${owned.holding?.securityId ?? 'nothing held'}`

/** The end of the month in hand, or today if that is not over. */
export function useWorthDay(): string | undefined {
  const { month } = useScope()
  const { data: me } = useQuery(session)
  if (!month || !me) return undefined
  const end = lastDay(month)
  return end < me.today ? end : me.today
}
