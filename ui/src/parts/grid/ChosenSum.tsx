import { useQuery } from '@tanstack/react-query'
import { api, data } from '@/api/client'
import { counted, figure, signed } from '@/parts/figures'

interface Money {
  amount: string
  currency: string
}

/** What several selected rows come to, added up by the core; nothing is said of one. */
export function ChosenSum({
  what,
  many,
  amounts,
  count = amounts.length,
  besides,
}: {
  what: string
  many?: string
  amounts: Money[]
  /** How many rows are selected, where not all of them have an amount that counts. */
  count?: number
  /** What is not among the amounts. */
  besides?: string
}) {
  const flows = useQuery({
    queryKey: ['flows', amounts],
    enabled: count > 1,
    queryFn: () => data(api.POST('/api/flows', { body: { amounts } })),
  })
  if (count < 2) return null
  return (
    <p
      className="flex h-8 flex-none items-center gap-5 border-t border-dusk bg-dusk-tint px-(--edge)"
      role="status"
      aria-label="Selected"
    >
      <b>{counted(count, what, many)} selected</b>
      {flows.data?.map((f) => (
        <span key={f.currency}>
          {f.currency} <b>{signed(f.sum)}</b>{' '}
          <span className="text-ink-2">
            in {figure(f.in)}, out {figure(f.out)}
          </span>
        </span>
      ))}
      {besides && <span className="text-ink-2">{besides}</span>}
      <span className="ml-auto text-ink-2">
        <kbd>Esc</kbd> one again
      </span>
    </p>
  )
}
