import { useState } from 'react'
import { useWatch } from 'react-hook-form'
import { api, data } from '@/api/client'
import { useSays } from '@/app/says'
import { useScope } from '@/app/scope'
import { AccountField } from '@/parts/AccountPicker'
import { Button } from '@/parts/Button'
import { figure, isZero, writtenDay } from '@/parts/figures'
import { amountText, numberText } from '@/parts/form/AmountInput'
import { Foot, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { AmountField, DateField, NumberField, SelectField, TextField } from '@/parts/form/fields'
import { PayeeField } from '@/parts/PayeePicker'
import { InspectorHead } from '@/parts/View'
import type { Begun, Draft, On, Schedule, Unit } from './schedule'
import { useAccountCurrency } from './useAccountCurrency'

const UNITS: { value: Unit | 'RULE'; name: string }[] = [
  { value: 'MONTH', name: 'months' },
  { value: 'WEEK', name: 'weeks' },
  { value: 'YEAR', name: 'years' },
  { value: 'DAY', name: 'days' },
  { value: 'ONCE', name: 'once only' },
  { value: 'RULE', name: 'by a rule of RFC 5545' },
]
const ON: { value: On; name: string }[] = [
  { value: 'DAY', name: 'on the day of the first' },
  { value: 'LAST_DAY', name: 'on the last day' },
  { value: 'LAST_WORKING_DAY', name: 'on the last working day' },
  { value: 'WEEKDAY', name: 'on the weekday of the first' },
]
const SHIFTS: { value: Draft['shift']; name: string }[] = [
  { value: 'NONE', name: 'stays on a day off' },
  { value: 'NEXT_WORKING_DAY', name: 'or the next working day' },
  { value: 'WORKING_DAY_BEFORE', name: 'or the working day before' },
]
const WAYS = [
  { value: 'PAYS', name: 'pays' },
  { value: 'RECEIVES', name: 'receives' },
]
const TRUST = [
  { value: 'WAITS', name: 'waits for you in Post' },
  { value: 'POSTS', name: 'is posted by itself' },
]
const ENDS = [
  { value: 'NEVER', name: 'without an end' },
  { value: 'UNTIL', name: 'until a day' },
  { value: 'TIMES', name: 'so many times' },
]
/** So many parts have fields; more are kept by other programs. */
const MOST_PARTS = 6

type Typed = Record<string, string>

/** A schedule being made or changed: who, from where, where to, how much, how often. */
export function ScheduleForm({
  schedule,
  like,
  onClose,
}: {
  schedule?: Schedule
  /** What a new one begins from. */
  like?: Begun
  onClose: () => void
}) {
  const says = useSays()
  const { book } = useScope()
  const from = schedule ?? like
  const [parts, setParts] = useState(from?.parts.length ?? 1)
  const of = useOwnForm<Typed>(begun(from), like ? undefined : `schedule ${schedule?.id ?? 'new'}`)
  const [accountId, unit, ends] = useWatch({ control: of.form.control, name: ['accountId', 'unit', 'ends'] })
  const currency = useAccountCurrency(accountId) ?? from?.currency ?? 'EUR'
  const places = Array.from({ length: parts }, (_, i) => i)
  function leave() {
    of.forget()
    onClose()
  }
  async function send(typed: Typed) {
    const body = draft(typed, parts, schedule?.version ?? 0)
    const kept = schedule
      ? await data(api.PUT('/api/schedules/{id}', { params: { path: { id: schedule.id } }, body }))
      : await data(api.POST('/api/schedules', { body }))
    says.done(`${kept.payee} is expected ${kept.inWords}.`)
  }
  return (
    <Form
      of={of}
      label={schedule ? 'Change the schedule' : 'New schedule'}
      className="flex flex-1 flex-col gap-3"
      fieldOf={{ parts: 'amount0' }}
      send={send}
      done={onClose}
    >
      <InspectorHead title={schedule ? `Change ${schedule.payee}` : 'New schedule'}>
        {schedule ? 'What was entered so far stays.' : 'What is expected, and when.'}
      </InspectorHead>
      <PayeeField needed="Say who this is." />
      <Row>
        <AccountField
          name="accountId"
          label="Account"
          className="w-[180px]"
          bookId={book}
          only={(account) => account.hasOpeningBalance}
          needed="Choose the account of your own."
        />
        <SelectField name="way" label="It" options={WAYS} className="w-[100px]" />
      </Row>
      {places.map((i) => (
        <Row key={i}>
          <AccountField
            name={`to${i}`}
            label={i === 0 ? 'For' : `For, part ${i + 1}`}
            className="w-[180px]"
            bookId={book}
            otherBooks
            without={accountId}
            needed="Choose where it goes."
          />
          <AmountField
            name={`amount${i}`}
            label={`Amount, ${currency}`}
            currency={currency}
            className="w-[100px]"
            needed={`Type the amount, such as ${figure('28.00')}.`}
          />
        </Row>
      ))}
      <div className="flex gap-2">
        {parts < MOST_PARTS && <Button onClick={() => setParts(parts + 1)}>Split it</Button>}
        {parts > 1 && <Button onClick={() => setParts(parts - 1)}>One part less</Button>}
      </div>
      <AmountField
        name="about"
        label={`May differ by, ${currency}`}
        currency={currency}
        className="w-[180px]"
        hint="Empty where the amount is always the same."
      />
      <DateField name="first" label="First due on" className="w-[180px]" needed="Type the first day." />
      <Row>
        {unit !== 'ONCE' && unit !== 'RULE' && (
          <NumberField name="interval" label="Every" className="w-[64px]" needed="Type a number." />
        )}
        <SelectField
          name="unit"
          label={unit === 'ONCE' || unit === 'RULE' ? 'It comes' : 'of'}
          options={UNITS}
          className="w-[200px]"
        />
      </Row>
      {unit === 'MONTH' && <SelectField name="on" label="Day" options={ON} />}
      {unit === 'RULE' && (
        <TextField
          name="rule"
          label="Rule"
          hint="Such as FREQ=MONTHLY;BYMONTHDAY=1,15. Its end is part of it."
          needed="Type the rule."
        />
      )}
      <SelectField name="shift" label="On weekends and holidays" options={SHIFTS} />
      {unit !== 'ONCE' && unit !== 'RULE' && (
        <Row>
          <SelectField name="ends" label="It goes on" options={ENDS} className="w-[160px]" />
          {ends === 'UNTIL' && (
            <DateField name="until" label="Until" className="w-[120px]" needed="Type the last day." />
          )}
          {ends === 'TIMES' && <NumberField name="times" label="Times" className="w-[80px]" needed="Type how often." />}
        </Row>
      )}
      <TextField name="note" label="Note" />
      <SelectField
        name="trust"
        label="A line that is surely this"
        options={TRUST}
        hint="Its text names the payee, its day and its amount are as expected, and nothing else is as likely."
      />
      <Foot go={schedule ? 'Change it' : 'Expect it'} onLeave={leave} />
    </Form>
  )
}

/** The fields as they begin: empty, or as the schedule is. */
function begun(schedule: Schedule | Begun | undefined): Typed {
  const kept = schedule && 'rule' in schedule ? schedule : undefined
  const typed: Typed = {
    payee: schedule?.payee ?? '',
    note: schedule?.note ?? '',
    accountId: schedule?.accountId ?? '',
    way: schedule && !schedule.pays ? 'RECEIVES' : 'PAYS',
    about: schedule && !isZero(schedule.about) ? amountText(schedule.about, schedule.currency) : '',
    first: schedule ? writtenDay(schedule.first) : '',
    interval: numberText(String(schedule?.rhythm?.interval ?? 1)),
    unit: schedule && !schedule.rhythm ? 'RULE' : (schedule?.rhythm?.unit ?? 'MONTH'),
    on: schedule?.rhythm?.on ?? 'DAY',
    rule: kept?.rule ?? '',
    shift: schedule?.shift ?? 'NONE',
    trust: kept?.trusted ? 'POSTS' : 'WAITS',
    ends: kept?.until ? 'UNTIL' : kept?.times ? 'TIMES' : 'NEVER',
    until: kept?.until ? writtenDay(kept.until) : '',
    times: kept?.times ? String(kept.times) : '',
  }
  for (let i = 0; i < MOST_PARTS; i++) {
    const part = schedule?.parts[i]
    typed[`to${i}`] = part?.accountId ?? ''
    typed[`amount${i}`] = part && schedule ? amountText(part.amount, schedule.currency) : ''
  }
  return typed
}

/** What was typed, as the API takes it; fields that are not shown say nothing. */
function draft(typed: Typed, parts: number, version: number): Draft {
  const { unit, ends } = typed
  const picked = unit !== 'RULE'
  const recurs = picked && unit !== 'ONCE'
  return {
    version,
    payee: typed.payee ?? '',
    note: typed.note ?? '',
    accountId: typed.accountId ?? '',
    pays: typed.way === 'PAYS',
    parts: Array.from({ length: parts }, (_, i) => ({
      accountId: typed[`to${i}`] ?? '',
      amount: typed[`amount${i}`] ?? '',
    })),
    ...(typed.about ? { about: typed.about } : {}),
    first: typed.first ?? '',
    ...(picked
      ? {
          rhythm: {
            unit: unit as Unit,
            interval: recurs ? Number(typed.interval) : 1,
            on: unit === 'MONTH' ? (typed.on as On) : 'DAY',
          },
        }
      : { rule: typed.rule ?? '' }),
    ...(recurs && ends === 'UNTIL' ? { until: typed.until } : {}),
    ...(recurs && ends === 'TIMES' ? { times: Number(typed.times) } : {}),
    shift: typed.shift as Draft['shift'],
    trusted: typed.trust === 'POSTS',
  }
}
