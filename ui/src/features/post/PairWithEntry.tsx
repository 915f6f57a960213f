import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { api, data, messageOf, type Schemas } from '@/api/client'
import { Button } from '@/parts/Button'
import { FindBox } from '@/parts/FindBox'
import { day, isZero, signed } from '@/parts/figures'
import { noteBox } from '@/parts/look'
import { Acts } from '@/parts/View'
import type { Waiting } from './types'

type OpenEntry = Schemas['OpenEntryJson']

/** Finds the entry that a line is; one of another amount leaves a difference to be placed. */
export function PairWithEntry({
  line,
  onChoose,
  onCancel,
}: {
  line: Waiting
  onChoose: (entry: OpenEntry) => void
  onCancel: () => void
}) {
  const box = useRef<HTMLInputElement>(null)
  const [text, setText] = useState('')
  const found = useQuery({
    queryKey: ['entries-for', line.id, text],
    queryFn: () =>
      data(
        api.GET('/api/waiting-lines/{id}/entries', { params: { path: { id: line.id }, query: { text: text.trim() } } }),
      ),
    placeholderData: (previous) => previous,
  })
  useEffect(() => box.current?.focus(), [])
  return (
    <section
      aria-label="The entry that it is"
      className="flex flex-1 flex-col"
      onKeyDown={(e) => e.key === 'Escape' && onCancel()}
    >
      <FindBox ref={box} label="Find an entry" placeholder="payee, note or number" value={text} onChange={setText} />
      {found.error && (
        <p className={noteBox({ tone: 'bad', className: 'mt-2' })} role="alert">
          {messageOf(found.error)}
        </p>
      )}
      {found.data?.length === 0 && (
        <p className="mt-2 text-ink-2">
          No open entry on {line.accountName} goes this way within three months{text && ' and says that'}.
        </p>
      )}
      <ul className="mt-2">
        {found.data?.map(({ entry, beyond }) => (
          <li key={entry.postingId} className="border-b border-hairline">
            <button
              type="button"
              className="grid min-h-[30px] w-full grid-cols-[58px_minmax(0,1fr)_auto] items-center gap-2 border-0 bg-transparent px-0 py-0.5 text-[13px] hover:text-dusk"
              onClick={() => onChoose({ entry, beyond })}
            >
              <span className="text-ink-2">{day(entry.date)}</span>
              <span className="truncate">
                No. {entry.entryNo}, {entry.payee}
              </span>
              <span className={isZero(beyond) ? 'font-semibold' : 'text-ink-2'}>{signed(entry.amount)}</span>
            </button>
          </li>
        ))}
      </ul>
      <Acts>
        <Button className="col-span-full" onClick={onCancel}>
          Leave it <kbd>Esc</kbd>
        </Button>
      </Acts>
    </section>
  )
}
