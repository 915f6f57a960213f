import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '@/api/client'
import { accounts } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { Flow } from '@/parts/Amount'
import { Dialog } from '@/parts/Dialog'
import { counted, day } from '@/parts/figures'
import { raw, ruled, textLink } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Nothing } from '@/parts/States'
import { useSaidAct } from '@/parts/useSaidAct'

const leftOut = {
  queryKey: ['waiting', 'left-out'],
  queryFn: () => data(api.GET('/api/left-out-lines')),
}

/** How many lines are left out, and the way to them; nothing where none is. */
export function LeftOutLink() {
  const { data: lines = [] } = useQuery(leftOut)
  const [shows, setShows] = useState(false)
  const some = lines.length > 0
  useCommands(some ? [{ keys: ['l'], label: 'Lines left out', strip: 'left out', run: () => setShows(true) }] : [])
  if (!some && !shows) return null
  return (
    <>
      <button type="button" className={textLink()} onClick={() => setShows(true)}>
        {counted(lines.length, 'line')} left out
      </button>
      {shows && <LeftOut onClose={() => setShows(false)} />}
    </>
  )
}

/** The lines that were left out, each with its reason and the way back. */
function LeftOut({ onClose }: { onClose: () => void }) {
  const lines = useQuery(leftOut)
  const { data: all = [] } = useQuery(accounts)
  const act = useSaidAct()
  const takeIn = (id: string, text: string) =>
    act(() => api.DELETE('/api/left-out-lines/{id}', { params: { path: { id } } }), `${text} waits again.`)
  return (
    <Dialog title="Lines left out" open wide onClose={onClose}>
      <Scroll label="Lines left out" className="max-h-[70vh] py-4">
        <h2 className="px-(--edge) pb-2 text-title/[1.2]">Lines left out</h2>
        {lines.data?.length === 0 && <Nothing title="No line is left out" />}
        {lines.data && lines.data.length > 0 && (
          <table className={ruled()} aria-label="Lines left out">
            <colgroup>
              <col className="w-[80px]" />
              <col className="w-[130px]" />
              <col />
              <col className="w-[90px]" />
              <col className="w-[170px]" />
              <col className="w-[90px]" />
            </colgroup>
            <tbody>
              {lines.data.map((line) => (
                <tr key={line.id}>
                  <td className="text-ink-2">{day(line.bookedOn)}</td>
                  <td className="text-small text-ink-2">{all.find((a) => a.id === line.accountId)?.name}</td>
                  <td className={raw} title={line.text}>
                    {line.text}
                  </td>
                  <td className="text-right">
                    <Flow amount={line.amount} />
                  </td>
                  <td className="whitespace-normal">{line.because}</td>
                  <td className="text-right">
                    <MayChange>
                      <button
                        type="button"
                        className={textLink({ size: 'small' })}
                        onClick={() => takeIn(line.id, line.text)}
                      >
                        take in<span className="sr-only"> {line.text}</span>
                      </button>
                    </MayChange>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </Scroll>
    </Dialog>
  )
}
