import { useState } from 'react'
import { useWatch } from 'react-hook-form'
import { api, data, type Schemas } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { useScope } from '@/app/scope'
import { useAccountCurrency } from '@/features/schedule/useAccountCurrency'
import { AccountField } from '@/parts/AccountPicker'
import { Button } from '@/parts/Button'
import { figure } from '@/parts/figures'
import { amountText, numberText } from '@/parts/form/AmountInput'
import { dayText } from '@/parts/form/DayInput'
import { Foot, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { AmountField, DateField, NumberField, SelectField, TextField } from '@/parts/form/fields'
import { useSaidAct } from '@/parts/useSaidAct'
import { InspectorHead } from '@/parts/View'
import type { Loan } from './loan'

type Draft = Schemas['LoanDraftJson']

const MONTHS = [
  { value: '1', name: 'every month' },
  { value: '2', name: 'every 2 months' },
  { value: '3', name: 'every 3 months' },
  { value: '6', name: 'every 6 months' },
  { value: '12', name: 'once a year' },
]
const ON = [
  { value: 'DAY', name: 'on the day of the first' },
  { value: 'LAST_DAY', name: 'on the last day' },
]
const SHIFTS: { value: Draft['shift']; name: string }[] = [
  { value: 'NONE', name: 'stays on a day off' },
  { value: 'NEXT_WORKING_DAY', name: 'or the next working day' },
  { value: 'WORKING_DAY_BEFORE', name: 'or the working day before' },
]
const COUNTS: { value: Draft['count']; name: string }[] = [
  { value: 'MONTHS', name: 'by months, each a twelfth of the year' },
  { value: 'DAYS_365', name: 'by days, 365 to a year' },
  { value: 'DAYS_360', name: 'by days, 360 to a year' },
]
const TRUST = [
  { value: 'WAITS', name: 'waits for you in Post' },
  { value: 'POSTS', name: 'is posted by itself' },
]
/** So many rates have fields; more are kept by other programs. */
const MOST = 6

type Typed = Record<string, string>

/** The terms of a loan, told or changed. */
export function TermsForm({ loan, onClose }: { loan?: Loan; onClose: (made?: string) => void }) {
  const says = useSays()
  const act = useSaidAct()
  const { book } = useScope()
  const [rates, setRates] = useState(loan?.terms.length ?? 1)
  const of = useOwnForm<Typed>(begun(loan), `terms of ${loan?.id ?? 'a new loan'}`)
  const [accountId] = useWatch({ control: of.form.control, name: ['accountId'] })
  const currency = useAccountCurrency(accountId) ?? loan?.currency ?? 'EUR'
  function leave() {
    of.forget()
    onClose()
  }
  let made: string | undefined
  return (
    <Form
      of={of}
      label={loan ? 'Change the terms' : 'New loan'}
      className="flex flex-1 flex-col gap-3"
      fieldOf={{ terms: `payment${rates - 1}`, interval: 'months', on: 'lastDay' }}
      send={async (typed: Typed) => {
        const body = draft(typed, rates, loan?.version ?? 0)
        const kept = loan
          ? await data(api.PUT('/api/loans/{id}', { params: { path: { id: loan.id } }, body }))
          : await data(api.POST('/api/loans', { body }))
        made = kept.id
        says.done(`${kept.accountName} is paid ${kept.inWords}.`)
      }}
      done={() => onClose(made)}
    >
      <InspectorHead title={loan ? `The terms of ${loan.accountName}` : 'The terms of a loan'}>
        Each payment is split by what is owed on its day.
      </InspectorHead>
      <AccountField
        name="accountId"
        label="Loan"
        bookId={book}
        only={(account) => account.kind === 'LOAN'}
        needed="Choose the account of the loan. Make it in the Chart first."
      />
      <TextField name="payee" label="Lender" needed="Say who lends, as in the journal." />
      <Row>
        <AccountField
          name="fromId"
          label="Paid from"
          className="w-[148px]"
          bookId={book}
          only={(account) => account.hasOpeningBalance}
          without={accountId}
          needed="Choose the account that pays."
        />
        <AccountField
          name="interestId"
          label="Interest goes to"
          className="w-[148px]"
          bookId={book}
          only={(account) => account.accountClass === 'EXPENSE'}
          needed="Choose the category of its interest."
        />
      </Row>
      {Array.from({ length: rates }, (_, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: rates stay in their order
        <Row key={i}>
          <DateField
            name={`from${i}`}
            label={i === 0 ? 'Agreed from' : 'Then from'}
            className="w-[110px]"
            needed="Type the day."
          />
          <NumberField name={`rate${i}`} label="Rate, %" className="w-[70px]" needed="Type the rate." />
          <AmountField
            name={`payment${i}`}
            label={`Payment, ${currency}`}
            currency={currency}
            className="w-[106px]"
            {...(i < rates - 1 ? { needed: `Type the payment, such as ${figure('1086.40')}.` } : {})}
          />
        </Row>
      ))}
      <div className="flex gap-2">
        {rates < MOST && <Button onClick={() => setRates(rates + 1)}>A later rate</Button>}
        {rates > 1 && <Button onClick={() => setRates(rates - 1)}>One rate less</Button>}
      </div>
      <DateField
        name="lastOn"
        label="Last payment on"
        className="w-[148px]"
        hint="Only where the end is agreed and not the payment: it is worked out."
      />
      <Row>
        <DateField name="first" label="First payment on" className="w-[148px]" needed="Type the first day." />
        <SelectField name="months" label="Paid" options={MONTHS} className="w-[148px]" />
      </Row>
      <Row>
        <SelectField name="lastDay" label="Day" options={ON} className="w-[148px]" />
        <SelectField name="shift" label="On days off" options={SHIFTS} className="w-[148px]" />
      </Row>
      <SelectField name="count" label="Interest runs" options={COUNTS} />
      <Row>
        <DateField name="fixedUntil" label="Rate fixed to" className="w-[148px]" hint="Empty if nothing is agreed." />
        <SelectField name="trust" label="A sure line" options={TRUST} className="w-[148px]" />
      </Row>
      <Foot go={loan ? 'Change them' : 'Tell them'} onLeave={leave}>
        {loan && (
          <MayChange>
            <Button
              className="col-span-full"
              onClick={async () => {
                leave()
                await act(
                  () =>
                    data(
                      api.DELETE('/api/loans/{id}', {
                        params: { path: { id: loan.id }, query: { version: loan.version } },
                      }),
                    ),
                  `The terms of ${loan.accountName} are taken out. Entries stay.`,
                )
              }}
            >
              Take the terms out
            </Button>
          </MayChange>
        )}
      </Foot>
    </Form>
  )
}

function begun(loan: Loan | undefined): Typed {
  const typed: Typed = {
    accountId: loan?.accountId ?? '',
    payee: loan?.payee ?? '',
    fromId: loan?.fromId ?? '',
    interestId: loan?.interestId ?? '',
    lastOn: '',
    first: dayText(loan?.first),
    months: String(loan?.months ?? 1),
    lastDay: loan?.lastDay ? 'LAST_DAY' : 'DAY',
    shift: loan?.shift ?? 'NONE',
    count: loan?.count ?? 'MONTHS',
    fixedUntil: dayText(loan?.fixedUntil),
    trust: loan?.trusted ? 'POSTS' : 'WAITS',
  }
  for (let i = 0; i < MOST; i++) {
    const terms = loan?.terms[i]
    typed[`from${i}`] = dayText(terms?.from)
    typed[`rate${i}`] = numberText(terms?.rate)
    typed[`payment${i}`] = amountText(terms?.payment, loan?.currency ?? 'EUR')
  }
  return typed
}

function draft(typed: Typed, rates: number, version: number): Draft {
  return {
    version,
    payee: typed.payee ?? '',
    accountId: typed.accountId ?? '',
    fromId: typed.fromId ?? '',
    interestId: typed.interestId ?? '',
    months: Number(typed.months),
    lastDay: typed.lastDay === 'LAST_DAY',
    first: typed.first ?? '',
    shift: typed.shift as Draft['shift'],
    count: typed.count as Draft['count'],
    trusted: typed.trust === 'POSTS',
    terms: Array.from({ length: rates }, (_, i) => ({
      from: typed[`from${i}`] ?? '',
      rate: typed[`rate${i}`] ?? '',
      ...(typed[`payment${i}`] ? { payment: typed[`payment${i}`] } : {}),
    })),
    ...(typed.lastOn ? { lastOn: typed.lastOn } : {}),
    ...(typed.fixedUntil ? { fixedUntil: typed.fixedUntil } : {}),
  }
}
