import { useRef } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { queryClient } from '@/api/queries'
import { useSays } from '@/app/says'

type Sheet = Schemas['SheetJson']
type Ticked = Schemas['TickedJson']

/**
 * Ticks postings of a sheet. Each tick is seen at once, sent when the one before it was answered, and put right by
 * the answer; when one is refused, those behind it are dropped and the sheet is read anew.
 */
export function useTicks(sheet: Sheet) {
  const says = useSays()
  const key = ['sheet', sheet.id]
  const waiting = useRef<{ postingIds: string[]; ticked: boolean }[]>([])
  const sending = useRef(false)

  async function send() {
    if (sending.current) return
    sending.current = true
    for (;;) {
      const next = waiting.current.shift()
      if (!next) break
      try {
        const path = { id: sheet.id }
        const answer = await data(api.PUT('/api/statements/{id}/ticks', { params: { path }, body: next }))
        const after = waiting.current
        queryClient.setQueryData<Sheet>(key, (old) => old && seen(merged(old, answer), after))
        says.clear()
      } catch (error) {
        waiting.current = []
        says.failed(error)
        await queryClient.invalidateQueries({ queryKey: key })
      }
    }
    sending.current = false
  }
  return function tick(postingIds: string[], ticked: boolean) {
    if (postingIds.length === 0 || sheet.finished) return
    const one = { postingIds, ticked }
    waiting.current.push(one)
    queryClient.setQueryData<Sheet>(key, (old) => old && seen(old, [one]))
    void send()
  }
}

/** The sheet with what ticking changed of it. */
function merged(sheet: Sheet, { postings, ...changed }: Ticked): Sheet {
  const ticks = new Map(postings.map((p) => [p.postingId, p]))
  return {
    ...sheet,
    ...changed,
    postings: sheet.postings.map((p) => {
      const now = ticks.get(p.postingId)
      return now ? { ...p, ticked: now.ticked, balance: now.balance } : p
    }),
  }
}

/** The sheet with ticks that are on their way; its figures are not guessed. */
function seen(sheet: Sheet, ticks: { postingIds: string[]; ticked: boolean }[]): Sheet {
  if (ticks.length === 0) return sheet
  const on = new Map(ticks.flatMap((t) => t.postingIds.map((id) => [id, t.ticked])))
  return {
    ...sheet,
    postings: sheet.postings.map((p) => ({ ...p, ticked: on.get(p.postingId) ?? p.ticked })),
  }
}
