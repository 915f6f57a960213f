import { useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { figure, isZero, moment, signed } from '@/parts/figures'
import { noteBox } from '@/parts/look'
import { Acts, Inspector, InspectorHead } from '@/parts/View'
import { periodOf } from './period'
import { TaxPayment } from './TaxPayment'

type Table = Schemas['SalesTaxTableJson']

/** The return of a period: recorded as the books say it, kept as it was sent. */
export function TaxReturn({ table }: { table: Table }) {
  const says = useSays()
  const [paying, setPaying] = useState(false)
  const { returned } = table
  const period = periodOf(table)

  async function act(send: () => Promise<unknown>, said: string) {
    try {
      await send()
      says.done(said)
    } catch (error) {
      says.failed(error)
    }
    await booksChanged()
  }
  const record = () =>
    act(
      () =>
        data(
          api.POST('/api/sales-tax/returns', {
            body: { bookId: table.bookId, month: table.last, due: table.due },
          }),
        ),
      `The return of ${period} is kept.`,
    )
  const takeBack = () =>
    act(
      () => data(api.DELETE('/api/sales-tax/returns/{id}', { params: { path: { id: returned?.id ?? '' } } })),
      `The return of ${period} is taken back.`,
    )
  const mayRecord = table.over && !returned
  useCommands([
    ...(mayRecord
      ? [
          {
            keys: ['Enter'],
            label: `Record the return of ${period}`,
            changes: true,
            strip: 'record the return',
            run: record,
          },
        ]
      : []),
    {
      keys: ['y'],
      label: 'Enter a payment of sales tax',
      changes: true,
      strip: 'payment',
      run: () => setPaying(true),
    },
  ])
  return (
    <Inspector label={`The return of ${table.bookName}`}>
      <InspectorHead title={returned ? 'Returned' : 'The return'}>
        {table.bookName}, {period}
      </InspectorHead>
      {returned ? (
        <p className="mb-2">
          {figure(returned.due)} {table.currency}, recorded {moment(returned.at)} by {returned.who}.
        </p>
      ) : (
        <p className="mb-2 text-ink-2">
          {table.over
            ? 'Recording it keeps what the books say now. What changes later stands as a correction in the next one.'
            : 'The period is not over yet: what it says will still change.'}
        </p>
      )}
      {returned && !isZero(returned.since) && (
        <p className={noteBox()}>
          The books say {signed(returned.since)} more by now. It stands as a correction in the next return.
        </p>
      )}
      <h3>Owed today</h3>
      <p className="mb-3 font-serif text-title">
        {figure(table.account.owedToday)}{' '}
        <span className="font-sans text-small text-ink-2">{table.currency}, all periods together</span>
      </p>
      <Returns table={table} />
      <MayChange>
        <Acts>
          <Button className="col-span-full" onClick={() => setPaying(true)}>
            Enter a payment <kbd>Y</kbd>
          </Button>
          {returned ? (
            table.mayTakeBack && (
              <Button className="col-span-full" onClick={takeBack}>
                Take the return back
              </Button>
            )
          ) : (
            <Button
              tone="go"
              size="wide"
              whyNot={table.over ? undefined : 'It can be recorded when the period is over.'}
              onClick={record}
            >
              Record the return <kbd>Enter</kbd>
            </Button>
          )}
        </Acts>
      </MayChange>
      {paying && <TaxPayment table={table} onClose={() => setPaying(false)} />}
    </Inspector>
  )
}

/** What was returned before, the latest first. */
function Returns({ table }: { table: Table }) {
  if (table.returns.length === 0) return <p className="text-ink-2">No period was returned yet.</p>
  return (
    <>
      <h3>Returns</h3>
      <ul className="mb-3">
        {table.returns.map((one) => (
          <li key={one.id} className="flex justify-between border-b border-hairline py-1 last:border-0">
            <span>{periodOf(one)}</span>
            <span>
              {figure(one.due)}
              {!isZero(one.since) && <span className="text-heartwood"> {signed(one.since)} since</span>}
            </span>
          </li>
        ))}
      </ul>
    </>
  )
}
