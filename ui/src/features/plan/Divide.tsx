import { useState } from 'react'
import { useWatch } from 'react-hook-form'
import { api, data } from '@/api/client'
import { useReadings } from '@/api/reading'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { day, figure, isZero, longDay } from '@/parts/figures'
import { amountIn, amountText } from '@/parts/form/AmountInput'
import { Foot } from '@/parts/form/Foot'
import { Form, type OwnForm, useOwnForm } from '@/parts/form/Form'
import { AmountField, DateField } from '@/parts/form/fields'
import { negated, useSum } from '@/parts/useSum'
import { InspectorHead } from '@/parts/View'
import { DivisionTemplates, type Placed } from './DivisionTemplates'
import type { Aside } from './SetAsides'

type Typed = Record<string, string>

/** Divides an amount over the purposes of an account until nothing is left to place. */
export function Divide({ aside, onClose }: { aside: Aside; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm<Typed>(
    {
      day: '',
      toPlace: aside.free.startsWith('-') || isZero(aside.free) ? '' : amountText(aside.free, aside.currency),
      ...Object.fromEntries(aside.purposes.map((purpose) => [purpose.accountId, ''])),
    },
    `division of ${aside.accountId}`,
  )
  const still = useStillToPlace(of, aside)
  const [templates, setTemplates] = useState(false)
  function typed(): Placed {
    return aside.purposes.flatMap(({ accountId }) => {
      const amount = of.form.getValues(accountId)
      return amount ? [{ accountId, amount }] : []
    })
  }
  function fill(placed: Placed) {
    const amounts = new Map(placed.map((one) => [one.accountId, one.amount]))
    for (const { accountId } of aside.purposes) {
      of.form.setValue(accountId, amountText(amounts.get(accountId), aside.currency))
    }
    setTemplates(false)
  }
  function asLastTime() {
    for (const purpose of aside.purposes) {
      of.form.setValue(purpose.accountId, amountText(purpose.lastTime, aside.currency))
    }
  }
  const needing = aside.purposes.filter((purpose) => purpose.goal && !purpose.goal.progress.reached)
  function asNeeded() {
    for (const purpose of needing) {
      of.form.setValue(purpose.accountId, amountText(purpose.goal?.progress.perMonth, aside.currency))
    }
  }
  function leave() {
    of.forget()
    onClose()
  }
  return (
    <>
      <Form
        of={of}
        label={`Divide over the purposes of ${aside.accountName}`}
        className="flex flex-1 flex-col gap-3"
        fieldOf={{ placed: 'toPlace', date: 'day' }}
        send={async (typed: Typed) => {
          const made = await data(
            api.POST('/api/set-asides/{id}/divisions', {
              params: { path: { id: aside.accountId } },
              body: {
                day: typed.day ?? '',
                toPlace: typed.toPlace || '0',
                placed: aside.purposes
                  .filter((purpose) => typed[purpose.accountId])
                  .map((purpose) => ({ accountId: purpose.accountId, amount: typed[purpose.accountId] ?? '0' })),
              },
            }),
          )
          says.done(`No. ${made.no} of ${longDay(made.date)} sets ${figure(made.placed)} aside.`)
        }}
        done={onClose}
      >
        <InspectorHead title={`Divide, ${aside.accountName}`} figure={still && figure(still)}>
          {still
            ? 'still to place; the bank’s balance stays'
            : 'What is placed leaves what is free; the bank’s balance stays.'}
        </InspectorHead>
        <div className="flex gap-3">
          <DateField name="day" label="On" className="w-[130px]" needed="Type the day." autoFocus />
          <AmountField
            name="toPlace"
            label={`To place, ${aside.currency}`}
            currency={aside.currency}
            className="flex-1"
            hint="Empty to move from one purpose to another."
          />
        </div>
        {aside.purposes.map((purpose) => (
          <AmountField
            key={purpose.accountId}
            name={purpose.accountId}
            label={purpose.name}
            currency={aside.currency}
          />
        ))}
        <div className="flex flex-wrap gap-2">
          {aside.lastDivided && <Button onClick={asLastTime}>As on {day(aside.lastDivided)}</Button>}
          {needing.length > 0 && <Button onClick={asNeeded}>As needed a month</Button>}
          <Button onClick={() => setTemplates(true)}>Templates</Button>
        </div>
        <Foot go="Set it aside" onLeave={leave} />
      </Form>
      {/* Outside of the form, which what is sent there would send too. */}
      {templates && <DivisionTemplates aside={aside} typed={typed} onOpen={fill} onClose={() => setTemplates(false)} />}
    </>
  )
}

/** What is to place less what is placed, worked out by the books as one types. */
function useStillToPlace(of: OwnForm<Typed>, { purposes, currency }: Aside): string | undefined {
  const names = ['toPlace', ...purposes.map((purpose) => purpose.accountId)]
  const texts = useWatch({ control: of.form.control, name: names })
  const readings = useReadings(texts.map((text) => ({ kind: amountIn(currency), text: text ?? '' })))
  return useSum(
    readings.flatMap(({ value }, i) => (value ? [{ amount: i === 0 ? value : negated(value), currency }] : [])),
  )
}
