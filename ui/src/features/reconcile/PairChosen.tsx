import { useQuery } from '@tanstack/react-query'
import { api, data } from '@/api/client'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { Button } from '@/parts/Button'
import { signed } from '@/parts/figures'
import { type chosenSides, pairing, type Way } from './rows'

/** Lines and postings that a person chose: both sums, and what makes them one. */
export function PairChosen({
  sides,
  currency,
  onPair,
}: {
  sides: NonNullable<ReturnType<typeof chosenSides>>
  currency: string
  onPair: (way: Way) => void
}) {
  const way = pairing(sides)
  useCommands([{ keys: ['p'], label: way.label, changes: true, strip: 'pair', onRow: true, run: () => onPair(way) }])
  return (
    <p
      className="flex h-9 flex-none items-center gap-5 border-t border-dusk bg-dusk-tint px-(--edge)"
      role="status"
      aria-label="Selected"
    >
      <Side name="Statement" amounts={sides.lines.map((line) => line.amount)} currency={currency} />
      <Side name="Books" amounts={sides.postings.map((p) => p.amount)} currency={currency} />
      <MayChange>
        <Button size="small" className="ml-auto" onClick={() => onPair(way)}>
          {way.label} <kbd>P</kbd>
        </Button>
      </MayChange>
      <span className="text-ink-2">
        <kbd>Esc</kbd> one again
      </span>
    </p>
  )
}

function Side({ name, amounts, currency }: { name: string; amounts: string[]; currency: string }) {
  const body = { amounts: amounts.map((amount) => ({ amount, currency })) }
  const flows = useQuery({
    queryKey: ['flows', body.amounts],
    queryFn: () => data(api.POST('/api/flows', { body })),
  })
  const [sum] = flows.data ?? []
  return (
    <span>
      {name} <b>{sum && signed(sum.sum)}</b>
    </span>
  )
}
