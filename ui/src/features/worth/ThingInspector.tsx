import { api, data } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { AccountField } from '@/parts/AccountPicker'
import { Button } from '@/parts/Button'
import { counted, figure, isZero, longDay, longMonth, signed } from '@/parts/figures'
import { amountText, numberText } from '@/parts/form/AmountInput'
import { dayText } from '@/parts/form/DayInput'
import { Foot, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { AmountField, DateField, NumberField } from '@/parts/form/fields'
import { useSaidAct } from '@/parts/useSaidAct'
import { Acts, InspectorHead } from '@/parts/View'
import { DatedFigures } from './DatedFigures'
import type { Thing } from './worth'

export type DoingThing = 'value' | 'write down'

/** A thing: what it is worth by its valuations, and how it is written down. */
export function ThingInspector({
  thing,
  on,
  doing,
  onDo,
}: {
  thing: Thing
  on: string
  doing?: DoingThing
  onDo: (what: DoingThing | undefined) => void
}) {
  const close = () => onDo(undefined)
  if (doing === 'value') return <ValueForm thing={thing} on={on} onClose={close} />
  if (doing === 'write down') return <WriteDownForm thing={thing} onClose={close} />
  return (
    <>
      <InspectorHead title={thing.name} figure={figure(thing.worth)}>
        {thing.valuedOn ? `as valued on ${longDay(thing.valuedOn)}` : 'as it is booked'}, {thing.currency}
      </InspectorHead>
      <dl className="mb-4 grid grid-cols-[1fr_auto] gap-x-3 gap-y-1 [&>dd]:text-right" aria-label="What it is worth">
        <dt className="text-ink-2">Booked at</dt>
        <dd>{figure(thing.booked)}</dd>
        <dt className="text-ink-2">Beyond the books</dt>
        <dd>{isZero(thing.beyond) ? '–' : signed(thing.beyond)}</dd>
        <dt className="text-ink-2">Worth</dt>
        <dd className="font-semibold">{figure(thing.worth)}</dd>
      </dl>
      {thing.writeDown && <WrittenDown thing={thing} down={thing.writeDown} />}
      <Valuations thing={thing} />
      <Acts>
        <MayChange>
          <Button onClick={() => onDo('value')}>
            Value it <kbd>V</kbd>
          </Button>
          <Button onClick={() => onDo('write down')}>
            Write it down <kbd>W</kbd>
          </Button>
        </MayChange>
      </Acts>
    </>
  )
}

function WrittenDown({ thing, down }: { thing: Thing; down: NonNullable<Thing['writeDown']> }) {
  const act = useSaidAct()
  const last = down.due.at(-1)
  return (
    <>
      <p className="mb-2 font-serif text-lead">
        Written down from {figure(down.cost)} to {figure(down.left)} over {counted(down.months, 'month')}, from{' '}
        {longMonth(down.first)} to {longMonth(down.last)}, about {figure(down.perMonth)} a month to {down.expenseName}.
      </p>
      <MayChange>
        <div className="mb-4 flex flex-wrap gap-2">
          {last && (
            <Button
              onClick={() =>
                act(
                  () =>
                    data(
                      api.POST('/api/things/{id}/write-down/entries', {
                        params: { path: { id: thing.accountId } },
                        body: { month: last },
                      }),
                    ),
                  `${thing.name} is written down through ${longMonth(last)}.`,
                )
              }
            >
              Book {counted(down.due.length, 'month')} through {longMonth(last)}
            </Button>
          )}
          <Button
            onClick={() =>
              act(
                () => data(api.DELETE('/api/things/{id}/write-down', { params: { path: { id: thing.accountId } } })),
                `${thing.name} is written down no more. Entries stay.`,
              )
            }
          >
            Stop it
          </Button>
        </div>
      </MayChange>
    </>
  )
}

function Valuations({ thing }: { thing: Thing }) {
  const act = useSaidAct()
  const out = (of: string) =>
    act(
      () =>
        data(
          api.DELETE('/api/things/{id}/valuations', {
            params: { path: { id: thing.accountId }, query: { day: of } },
          }),
        ),
      'The valuation is taken out.',
    )
  return (
    <DatedFigures
      title="Valuations"
      one="valuation"
      rows={thing.valuations.map((one) => ({ day: one.day, figure: figure(one.worth) }))}
      onOut={(of) => void out(of)}
    />
  )
}

function ValueForm({ thing, on, onClose }: { thing: Thing; on: string; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm({ day: dayText(on), worth: '' }, `valuation of ${thing.accountId}`)
  function leave() {
    of.forget()
    onClose()
  }
  return (
    <Form
      of={of}
      label="A valuation"
      className="flex flex-1 flex-col gap-3"
      send={async ({ day: of, worth }) => {
        await data(
          api.PUT('/api/things/{id}/valuations', {
            params: { path: { id: thing.accountId } },
            body: { day: of, worth },
          }),
        )
        says.done(`${thing.name} is worth ${figure(worth)} from ${longDay(of)} on.`)
      }}
      done={onClose}
    >
      <InspectorHead title={`Value ${thing.name}`}>
        What it is worth from a day on, until the next valuation. The books stay; reports tell the difference.
      </InspectorHead>
      <Row>
        <DateField name="day" label="From" className="w-[150px]" needed="Type the day." />
        <AmountField
          name="worth"
          label={`Worth, ${thing.currency}`}
          currency={thing.currency}
          className="w-[150px]"
          needed="Type what it is worth."
          autoFocus
        />
      </Row>
      <Foot go="Keep it" onLeave={leave} />
    </Form>
  )
}

function WriteDownForm({ thing, onClose }: { thing: Thing; onClose: () => void }) {
  const says = useSays()
  const down = thing.writeDown
  const of = useOwnForm(
    {
      expenseId: down?.expenseId ?? '',
      cost: amountText(down?.cost ?? thing.booked, thing.currency),
      left: amountText(down?.left ?? '0', thing.currency),
      first: dayText(down ? `${down.first}-01` : undefined),
      months: numberText(down ? String(down.months) : '60'),
    },
    `write-down of ${thing.accountId}`,
  )
  function leave() {
    of.forget()
    onClose()
  }
  return (
    <Form
      of={of}
      label="Writing down"
      className="flex flex-1 flex-col gap-3"
      send={async ({ expenseId, cost, left, first, months }) => {
        await data(
          api.PUT('/api/things/{id}/write-down', {
            params: { path: { id: thing.accountId } },
            body: { expenseId, cost, left, first: first.slice(0, 7), months: Number(months) },
          }),
        )
        says.done(`${thing.name} is written down over ${counted(Number(months), 'month')}.`)
      }}
      done={onClose}
    >
      <InspectorHead title={`Write ${thing.name} down`}>
        Evenly, month by month. Nothing is booked until you say so.
      </InspectorHead>
      <AccountField
        name="expenseId"
        label="Goes to"
        bookId={thing.bookId}
        only={(account) => account.accountClass === 'EXPENSE'}
        mayCreate="EXPENSE"
        needed="Choose a category of expenses."
      />
      <Row>
        <AmountField
          name="cost"
          label={`From, ${thing.currency}`}
          currency={thing.currency}
          className="w-[150px]"
          needed="Type what it was bought for."
        />
        <AmountField
          name="left"
          label={`To, ${thing.currency}`}
          currency={thing.currency}
          className="w-[150px]"
          needed="Type what it is still worth at the end, such as 0."
        />
      </Row>
      <Row>
        <DateField name="first" label="First month, by any day of it" className="w-[190px]" needed="Type a day." />
        <NumberField name="months" label="Over months" className="w-[100px]" needed="Type how many months." />
      </Row>
      <Foot go="Write it down so" onLeave={leave} />
    </Form>
  )
}
