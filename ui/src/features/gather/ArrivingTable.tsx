import type { UseQueryResult } from '@tanstack/react-query'
import { useQuery } from '@tanstack/react-query'
import { accounts } from '@/api/queries'
import { day } from '@/parts/figures'
import { type Arrival, isReady, makesStatement } from './arrivals'
import { type Part, type Preview, SOURCES } from './types'

interface Place {
  key: string
  part: number
}

/** All files on their way in, a row for each account in them. */
export function ArrivingTable({
  arrivals,
  previews,
  failures,
  at,
  onSelect,
}: {
  arrivals: Arrival[]
  previews: UseQueryResult<Preview>[]
  failures: Record<string, string>
  at: Place
  onSelect: (place: Place) => void
}) {
  const { data: all = [] } = useQuery(accounts)
  const nameOf = (id: string | undefined) => all.find((a) => a.id === id)?.name
  return (
    <div className="arriving">
      <table className="tb dense" aria-label="Files to take in">
        <thead>
          <tr>
            <th>File</th>
            <th className="w-[60px]">Kind</th>
            <th>Goes to</th>
            <th className="w-[130px]">Days</th>
            <th className="n w-[54px]">New</th>
            <th className="n w-[60px]">Known</th>
            <th className="n w-[70px]">Doubtful</th>
            <th className="w-[120px]">Statement</th>
          </tr>
        </thead>
        <tbody>
          {arrivals.map((arrival, i) => {
            const preview = previews[i]?.data
            const error = previews[i]?.error || failures[arrival.key]
            const parts: (Part | undefined)[] = preview?.parts.length ? preview.parts : [undefined]
            return parts.map((part, n) => {
              const selected = arrival.key === at.key && n === at.part
              return (
                <tr
                  key={`${arrival.key} ${part?.accountNumber ?? n}`}
                  className={selected ? 'sel' : undefined}
                  aria-selected={selected}
                  onClick={() => onSelect({ key: arrival.key, part: n })}
                >
                  <td>
                    <button type="button" className="plain" onClick={() => onSelect({ key: arrival.key, part: n })}>
                      {arrival.file.name}
                    </button>
                  </td>
                  <td className="q">{preview ? SOURCES[preview.source] : ''}</td>
                  <td>
                    {error ? (
                      <span className="apart">cannot be read</span>
                    ) : (
                      (nameOf(part?.accountId ?? preview?.routedTo) ?? <span className="wait">choose the account</span>)
                    )}
                  </td>
                  <td className="q">
                    {part?.firstDay && part.lastDay && `${day(part.firstDay)} to ${day(part.lastDay)}`}
                  </td>
                  <td className="n">{part?.newLines}</td>
                  <td className="n q">{part?.knownLines}</td>
                  <td className={part?.doubtfulLines ? 'n wait' : 'n q'}>{part?.doubtfulLines}</td>
                  <td className="q">
                    {part && makesStatement(arrival, part) && part.closing
                      ? day(part.closing.on)
                      : isReady(arrival, preview)
                        ? 'none'
                        : ''}
                  </td>
                </tr>
              )
            })
          })}
        </tbody>
      </table>
    </div>
  )
}
