import { api, data } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { day, figure, isZero, longDay, plainNumber, signed, unitPrice } from '@/parts/figures'
import { dayText } from '@/parts/form/DayInput'
import { Foot, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { DateField, NumberField } from '@/parts/form/fields'
import { entryTable, textLink } from '@/parts/look'
import { useSaidAct } from '@/parts/useSaidAct'
import { Acts, InspectorHead } from '@/parts/View'
import { BookingForm } from './BookingForm'
import { DatedFigures } from './DatedFigures'
import { TradeForm } from './TradeForm'
import type { Holding, Investment, Security } from './worth'

export type DoingHolding = 'trade' | 'price' | 'booking'

/** A holding: how it came about and what it brought; its account where nothing is held yet. */
export function HoldingInspector({
  investment,
  holding,
  securities,
  on,
  doing,
  onDo,
  onTraded,
}: {
  investment: Investment
  holding?: Holding
  securities: Security[]
  on: string
  doing?: DoingHolding
  onDo: (what: DoingHolding | undefined) => void
  onTraded: (securityId: string) => void
}) {
  const act = useSaidAct()
  const close = () => onDo(undefined)
  if (doing === 'booking') return <BookingForm investment={investment} onClose={close} />
  if (doing === 'trade' && investment.version > 0) {
    return (
      <TradeForm
        investment={investment}
        holding={holding}
        securities={securities}
        onClose={(securityId) => {
          close()
          if (securityId) onTraded(securityId)
        }}
      />
    )
  }
  if (doing === 'price' && holding) return <PriceForm holding={holding} on={on} onClose={close} />
  const told = investment.version > 0
  return (
    <>
      <InspectorHead title={holding?.name ?? investment.name} figure={holding && figure(holding.worth)}>
        {holding ? `${plainNumber(holding.quantity)} in ${investment.name}, ${investment.currency}` : HOW[String(told)]}
      </InspectorHead>
      {holding && <Facts holding={holding} />}
      {holding && <Trades holding={holding} />}
      {holding && <Prices holding={holding} />}
      <Acts>
        <MayChange>
          {told && (
            <Button tone="go" className="col-span-full" onClick={() => onDo('trade')}>
              Book a trade <kbd>T</kbd>
            </Button>
          )}
          {holding && (
            <Button onClick={() => onDo('price')}>
              Price <kbd>P</kbd>
            </Button>
          )}
          <Button tone={told ? 'plain' : 'go'} onClick={() => onDo('booking')}>
            How it is booked <kbd>E</kbd>
          </Button>
          {!isZero(investment.toAdjust) && (
            <Button
              className="col-span-full"
              onClick={() =>
                act(
                  () =>
                    data(
                      api.POST('/api/investments/{id}/adjustments', {
                        params: { path: { id: investment.accountId } },
                        body: { on },
                      }),
                    ),
                  `${investment.name} is booked at its worth on ${longDay(on)}.`,
                )
              }
            >
              Book {signed(investment.toAdjust)} on {day(on)}
            </Button>
          )}
        </MayChange>
      </Acts>
    </>
  )
}

const HOW: Record<string, string> = {
  true: 'Nothing is held yet. Book what was bought, or what was held when the books began.',
  false: 'Say which account pays, and where gains, dividends and fees go.',
}

function Facts({ holding }: { holding: Holding }) {
  return (
    <dl className="mb-4 grid grid-cols-[1fr_auto] gap-x-3 gap-y-1 [&>dd]:text-right" aria-label="What it came to">
      <dt className="text-ink-2">Cost of what is held</dt>
      <dd>{figure(holding.cost)}</dd>
      <dt className="text-ink-2">
        Worth{' '}
        {holding.price
          ? `at ${unitPrice(holding.price.price)} of ${day(holding.price.day)}${holding.price.traded ? ', as traded' : ''}`
          : 'as its cost, no price is known'}
      </dt>
      <dd>{figure(holding.worth)}</dd>
      <dt className="text-ink-2">Beyond cost, not sold</dt>
      <dd>{signed(holding.unrealised)}</dd>
      <dt className="text-ink-2">Gained by sales, in the books</dt>
      <dd>{signed(holding.realised)}</dd>
      <dt className="text-ink-2">Dividends, in the books</dt>
      <dd>{figure(holding.dividends)}</dd>
    </dl>
  )
}

const KINDS: Record<Holding['trades'][number]['kind'], string> = {
  HELD: 'held',
  BUY: 'bought',
  SELL: 'sold',
  DIVIDEND: 'dividend',
  FEE: 'fee',
  SPLIT: 'split, then held',
}

function Trades({ holding }: { holding: Holding }) {
  const act = useSaidAct()
  return (
    <table className={`${entryTable} mb-4 w-full`} aria-label="Trades">
      <colgroup>
        <col className="w-[84px]" />
        <col />
        <col className="w-[88px]" />
        <col className="w-[52px]" />
      </colgroup>
      <thead>
        <tr>
          <th scope="col" colSpan={4} className="text-left font-normal">
            Trades
          </th>
        </tr>
      </thead>
      <tbody>
        {holding.trades.map((trade) => (
          <tr key={trade.id}>
            <td>{day(trade.day)}</td>
            <td className="truncate">
              {KINDS[trade.kind]} {isZero(trade.quantity) ? '' : plainNumber(trade.quantity)}
              {trade.kind === 'SELL' && <span className="text-small text-ink-2"> {signed(trade.gain)}</span>}
            </td>
            <td className="text-right">{trade.kind === 'SPLIT' ? '' : figure(trade.amount)}</td>
            <td className="text-right text-small">
              <MayChange>
                <button
                  type="button"
                  className={textLink({ tone: 'kill', size: 'small' })}
                  onClick={() =>
                    act(
                      () => data(api.DELETE('/api/trades/{id}', { params: { path: { id: trade.id } } })),
                      'The trade is taken out, with its entry.',
                    )
                  }
                >
                  out
                  <span className="sr-only">
                    {' '}
                    with {KINDS[trade.kind]} of {longDay(trade.day)}
                  </span>
                </button>
              </MayChange>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** So many of the newest prices are told. */
const TOLD = 6

function Prices({ holding }: { holding: Holding }) {
  const act = useSaidAct()
  const out = (of: string) =>
    act(
      () =>
        data(
          api.DELETE('/api/securities/{id}/prices', {
            params: { path: { id: holding.securityId }, query: { day: of } },
          }),
        ),
      'The price is taken out.',
    )
  return (
    <DatedFigures
      title="Prices"
      one="price"
      rows={holding.prices.slice(0, TOLD).map((one) => ({ day: one.day, figure: unitPrice(one.price) }))}
      onOut={(of) => void out(of)}
    />
  )
}

function PriceForm({ holding, on, onClose }: { holding: Holding; on: string; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm({ day: dayText(on), price: '' }, `price of ${holding.securityId}`)
  function leave() {
    of.forget()
    onClose()
  }
  return (
    <Form
      of={of}
      label="A price"
      className="flex flex-1 flex-col gap-3"
      send={async ({ day: of, price }) => {
        await data(
          api.PUT('/api/securities/{id}/prices', {
            params: { path: { id: holding.securityId } },
            body: { day: of, price },
          }),
        )
        says.done(`${holding.name} is worth ${unitPrice(price)} on ${longDay(of)}.`)
      }}
      done={onClose}
    >
      <InspectorHead title={`Price of ${holding.name}`}>
        What one is worth at the end of a day. It holds until the next price.
      </InspectorHead>
      <Row>
        <DateField name="day" label="On" className="w-[150px]" needed="Type the day." />
        <NumberField name="price" label="Price" className="w-[150px]" needed="Type the price of one." autoFocus />
      </Row>
      <Foot go="Keep it" onLeave={leave} />
    </Form>
  )
}
