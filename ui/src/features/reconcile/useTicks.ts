import { useRef, useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { queryClient } from '@/api/queries'
import { useSays } from '@/app/says'

type Sheet = Schemas['SheetJson']
type Ticked = Schemas['TickedJson']

interface Tick {
  postingIds: string[]
  ticked: boolean
}

/**
 * Ticks postings of a sheet. Each tick is seen at once, sent when the one before it was answered, and put right by
 * the answer; when one is refused, those behind it are dropped. What is on its way is shown over whatever is read
 * meanwhile, so that the next key never acts on what is of before.
 */
export function useTicks(stored: Sheet): { sheet: Sheet; tick: (postingIds: string[], ticked: boolean) => void } {
  const says = useSays()
  const key = ['sheet', stored.id]
  const queue = useRef<Tick[]>([])
  const sending = useRef(false)
  const refused = useRef(false)
  const [onTheirWay, setOnTheirWay] = useState<Tick[]>([])

  async function send() {
    if (sending.current) return
    sending.current = true
    for (let next = queue.current[0]; next; next = queue.current[0]) {
      try {
        const path = { id: stored.id }
        const answer = await data(api.PUT('/api/statements/{id}/ticks', { params: { path }, body: next }))
        // What is being read may be of before this tick.
        await queryClient.cancelQueries({ queryKey: key })
        queryClient.setQueryData<Sheet>(key, (old) => old && merged(old, answer))
        queue.current = queue.current.slice(1)
        if (refused.current) says.clear()
        refused.current = false
      } catch (error) {
        queue.current = []
        refused.current = true
        says.failed(error)
      }
      setOnTheirWay(queue.current)
    }
    sending.current = false
    await queryClient.invalidateQueries({ queryKey: key })
  }
  function tick(postingIds: string[], ticked: boolean) {
    if (postingIds.length === 0 || stored.finished) return
    queue.current = [...queue.current, { postingIds, ticked }]
    setOnTheirWay(queue.current)
    void send()
  }
  // A tick leaves those on their way at once, while the page above hears of its answer a moment later: in between it
  // would be seen as it was before, and the next key would act on that.
  const answered = queryClient.getQueryData<Sheet>(key) ?? stored
  return { sheet: seen(answered, onTheirWay), tick }
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
function seen(sheet: Sheet, ticks: Tick[]): Sheet {
  if (ticks.length === 0) return sheet
  const on = new Map(ticks.flatMap((t) => t.postingIds.map((id) => [id, t.ticked])))
  return {
    ...sheet,
    postings: sheet.postings.map((p) => ({ ...p, ticked: on.get(p.postingId) ?? p.ticked })),
  }
}
