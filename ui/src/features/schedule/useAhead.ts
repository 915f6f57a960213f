import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '@/api/client'
import { useCommands } from '@/app/commands'
import type { Ahead } from './AheadLines'
import { type DueItem, isExpected } from './schedule'

/** So many accounts are drawn above what is due. */
const MOST = 4

const touches = (item: DueItem, accountId: string) =>
  item.accountId === accountId || item.parts.some((part) => part.accountId === accountId)

/** How the accounts that what is due moves will stand, and which of them is looked at. */
export function useAhead(items: DueItem[], through: string, book: string | undefined) {
  const [chosen, setChosen] = useState<string>()
  const forecast = useQuery({
    queryKey: ['forecast', through, book],
    queryFn: () => data(api.GET('/api/forecast', { params: { query: { through, book } } })),
    placeholderData: (previous) => previous,
  })
  const moved = (forecast.data?.accounts ?? [])
    .map((account) => ({ account, items: items.filter((item) => touches(item, account.accountId)).length }))
    .filter((one) => one.items > 0)
    .toSorted((one, other) => other.items - one.items)
    .slice(0, MOST)
    .map((one) => one.account)
  const shown = moved.find((one) => one.accountId === chosen) ?? moved[0]
  const step = (by: number) => {
    const at = moved.findIndex((one) => one.accountId === shown?.accountId)
    setChosen(moved[(at + by + moved.length) % moved.length]?.accountId)
  }
  useCommands(
    moved.length > 1
      ? [
          { keys: ['['], label: 'Account ahead before this one', strip: 'account', run: () => step(-1) },
          { keys: [']'], label: 'Next account ahead', strip: 'account', run: () => step(1) },
        ]
      : [],
  )
  return { moved, shown, show: setChosen }
}

/** How the account stands after an item: told at the last of each day, what is overdue counting today. */
export function standsAfter(ahead: Ahead, items: DueItem[], today: string): Map<DueItem, Ahead['days'][number]> {
  const last = new Map<string, DueItem>()
  for (const item of items) {
    if (isExpected(item) && touches(item, ahead.accountId)) last.set(item.due < today ? today : item.due, item)
  }
  const days = new Map(ahead.days.map((one) => [one.date, one]))
  const stands = new Map<DueItem, Ahead['days'][number]>()
  for (const [date, item] of last) {
    const on = days.get(date)
    if (on) stands.set(item, on)
  }
  return stands
}
