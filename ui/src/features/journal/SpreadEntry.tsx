import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useWatch } from 'react-hook-form'
import { api, data, type Schemas } from '@/api/client'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { Dialog } from '@/parts/Dialog'
import { counted, figure, longMonth, shortMonth, yearOf } from '@/parts/figures'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { TextField } from '@/parts/form/fields'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { useAct } from '@/parts/useAct'

type Entry = Schemas['EntryJson']
type Category = Schemas['ServedCategoryJson']

/** Says which months an entry serves, so that reports and budgets can spread it over them. */
export function SpreadEntry({ entry, onClose }: { entry: Entry; onClose: () => void }) {
  const says = useSays()
  const { act, error, busy } = useAct()
  const own = entry.date.slice(0, 7)
  const of = useOwnForm({ first: entry.servesFrom ?? own, last: entry.servesTo ?? aYearFrom(own) })
  const [first, last] = useWatch({ control: of.form.control, name: ['first', 'last'] })
  const parts = useQuery({
    queryKey: ['served months', entry.id, first, last],
    enabled: Boolean(first && last),
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: () =>
      data(api.GET('/api/entries/{id}/served-months', { params: { path: { id: entry.id }, query: { first, last } } })),
  })
  const serve = (body: Schemas['ServeJson']) =>
    data(api.PUT('/api/entries/{id}/served-months', { params: { path: { id: entry.id } }, body }))
  return (
    <Dialog title={`Spread no. ${entry.no}`} open onClose={onClose}>
      <Form
        of={of}
        className="flex flex-col gap-3 p-5"
        send={({ first, last }) => serve({ first, last })}
        done={({ first, last }) => {
          says.done(`No. ${entry.no} serves ${longMonth(first)} to ${longMonth(last)}.`)
          onClose()
        }}
      >
        <h2 className="text-title/[1.2]">
          Spread no. {entry.no}, {entry.payee}
        </h2>
        <p className="text-ink-2">
          Budgets have an even part of it in each month that it serves; income and expenses can be seen so. The books
          keep it on its day.
        </p>
        <div className="flex gap-3">
          <TextField name="first" label="From" type="month" className="w-[150px]" needed="Choose a month." autoFocus />
          <TextField name="last" label="Through" type="month" className="w-[150px]" needed="Choose a month." />
        </div>
        {first && last && !parts.error && parts.data?.categories.map((one) => <Part key={one.accountId} of={one} />)}
        <ProblemNote error={error} />
        {entry.servesFrom && (
          <Button
            className="self-start"
            whyNot={busy ? 'It is being changed.' : undefined}
            onClick={() =>
              act(
                () => serve({}),
                () => {
                  says.done(`No. ${entry.no} is not spread any more.`)
                  onClose()
                },
              )
            }
          >
            Spread it no more
          </Button>
        )}
        <Foot go="Spread it" onLeave={onClose} />
      </Form>
    </Dialog>
  )
}

/** What each month bears of a category; the parts differ by the least unit at most. */
function Part({ of }: { of: Category }) {
  return (
    <div>
      <p className="text-small text-ink-2">
        {of.accountName}: {of.currency} {figure(of.amount)} over {counted(of.months.length, 'month')}
      </p>
      <ul
        className="mt-1 grid max-h-[132px] grid-cols-3 gap-x-4 overflow-y-auto"
        aria-label={`Parts of ${of.accountName}`}
      >
        {of.months.map((part) => (
          <li key={part.month} className="flex border-b border-hairline">
            <span className="text-ink-2">
              {shortMonth(part.month)} {yearOf(part.month)}
            </span>
            <span className="ml-auto">{figure(part.amount)}</span>
          </li>
        ))}
      </ul>
    </div>
  )
}

/** The last of the twelve months that begin with one. */
function aYearFrom(month: string): string {
  const [year = 0, first = 1] = month.split('-').map(Number)
  return first === 1 ? `${year}-12` : `${year + 1}-${String(first - 1).padStart(2, '0')}`
}
