import { useMutation } from '@tanstack/react-query'
import { api, data, type Schemas } from '@/api/client'
import { booksChanged, queryClient } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { figure, signed } from '@/parts/figures'

type Sheet = Schemas['SheetJson']

/** After all reasons: what is apart is booked as what it is, and said until somebody explains it. */
export function LastResort({ sheet }: { sheet: Sheet }) {
  const says = useSays()
  const { difference } = sheet
  const short = difference.startsWith('-')
  const name = sheet.cash ? (short ? 'Cash short' : 'Cash over') : 'Reconciliation difference'
  const book = useMutation({
    mutationFn: () =>
      data(api.POST('/api/statements/{id}/difference', { params: { path: { id: sheet.id } }, body: { difference } })),
    onSuccess: async (answer) => {
      queryClient.setQueryData(['sheet', sheet.id], answer)
      says.done(`Booked ${signed(difference)} as “${name}”, and ticked. Ctrl Z takes it back.`)
      await booksChanged()
    },
    onError: async (error) => {
      says.failed(error)
      await queryClient.invalidateQueries({ queryKey: ['sheet', sheet.id] })
    },
  })
  const label = sheet.cash
    ? `Book ${figure(difference.replace('-', ''))} as ${short ? 'short' : 'over'}`
    : 'Book the difference'
  useCommands([{ keys: ['b'], label: `${label}, as a last resort`, changes: true, run: () => book.mutate() }])
  return (
    <section className="mb-3" aria-label="As a last resort">
      <h3>{sheet.cash ? 'If nothing explains it' : 'As a last resort'}</h3>
      <p className="mb-1.5 text-small text-ink-2">
        {sheet.cash
          ? 'The count stands: what is apart goes to “Cash over or short”.'
          : 'An entry “Reconciliation difference” makes both agree. The report and the month’s checklist list it until its other side is moved to where it belongs.'}
      </p>
      <MayChange>
        <div className="flex justify-end">
          <Button size="small" onClick={() => book.mutate()}>
            {label} <kbd>B</kbd>
          </Button>
        </div>
      </MayChange>
    </section>
  )
}
