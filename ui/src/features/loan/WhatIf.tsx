import { useEffect, useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useReading } from '@/api/reading'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { AccountPicker } from '@/parts/AccountPicker'
import { Button } from '@/parts/Button'
import { counted, figure, isPositive, longDay, writtenDay } from '@/parts/figures'
import { AmountInput, amountIn, amountText } from '@/parts/form/AmountInput'
import { DAY, DayInput } from '@/parts/form/DayInput'
import { Field } from '@/parts/form/Field'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { entryTable, sumRow, textLink } from '@/parts/look'
import { Select } from '@/parts/Select'
import { Acts, InspectorHead } from '@/parts/View'
import type { Compared, Extra, Loan } from './loan'

type Tried = Schemas['WhatIfJson']

const OFTEN: { value: Extra['often']; name: string }[] = [
  { value: 'ONCE', name: 'once' },
  { value: 'EACH_PAYMENT', name: 'with each payment' },
  { value: 'YEARLY', name: 'each year' },
]
const KEEP: { value: Extra['keep']; name: string }[] = [
  { value: 'PAYMENT', name: 'keep the payment, end sooner' },
  { value: 'END', name: 'keep the end, pay less' },
]

/** An extra payment as a sentence, beside the agreed terms; nothing is booked by it. */
export function WhatIf({
  loan,
  tried,
  problem,
  onTry,
  onTerms,
}: {
  loan: Loan
  tried?: Tried
  problem: unknown
  onTry: (extra: Extra | undefined) => void
  onTerms: () => void
}) {
  const says = useSays()
  const [amount, setAmount] = useState('')
  const [often, setOften] = useState<Extra['often']>('ONCE')
  const [from, setFrom] = useState('')
  const [keep, setKeep] = useState<Extra['keep']>('PAYMENT')
  const [fromId, setFromId] = useState<string>(loan.fromId)
  const [refused, setRefused] = useState<unknown>()
  const typedAmount = useReading(amountIn(loan.currency), amount).value
  const typedDay = useReading(DAY, from).value
  useEffect(() => {
    setRefused(undefined)
    onTry(
      typedAmount && typedDay && isPositive(typedAmount)
        ? { amount: typedAmount, often, from: typedDay, keep }
        : undefined,
    )
  }, [typedAmount, typedDay, often, keep, onTry])
  function clear() {
    setAmount('')
    setFrom('')
    setOften('ONCE')
    setKeep('PAYMENT')
  }
  function take(other: Compared) {
    setAmount(amountText(other.extra.amount, loan.currency))
    setOften(other.extra.often)
    setKeep(other.extra.keep)
  }
  async function plan() {
    if (!tried) return
    try {
      await data(
        api.POST('/api/loans/{id}/extra-payments', {
          params: { path: { id: loan.id } },
          body: { fromId, extra: tried.compared.extra },
        }),
      )
      await booksChanged()
      says.done(`${figure(tried.compared.extra.amount)} more for ${loan.accountName} is in the plan.`)
      clear()
    } catch (error) {
      setRefused(error)
    }
  }
  useCommands(
    tried
      ? [
          {
            keys: ['p'],
            label: 'Put it in the plan',
            changes: true,
            strip: 'put it in the plan',
            run: () => void plan(),
          },
          { keys: ['Escape'], label: 'Clear what is tried', strip: 'clear', whileTyping: true, run: clear },
        ]
      : [],
  )
  return (
    <>
      <InspectorHead title="What if">
        {loan.accountName}, tried out beside the agreed terms. Nothing is booked.
      </InspectorHead>
      <div className="mb-4 grid grid-cols-2 gap-x-3 gap-y-2">
        <Field label={`Pay more, ${loan.currency}`}>
          {(ids) => <AmountInput {...ids} text={amount} onText={setAmount} currency={loan.currency} />}
        </Field>
        <Field label="How often">
          {(ids) => (
            <Select {...ids} value={often} options={OFTEN} onChange={(value) => setOften(value as Extra['often'])} />
          )}
        </Field>
        <Field label={often === 'ONCE' ? 'On' : 'From'}>
          {(ids) => <DayInput {...ids} text={from} onText={setFrom} />}
        </Field>
        <Field label="From account">
          {(ids) => (
            <AccountPicker
              {...ids}
              value={fromId}
              bookId={loan.bookId}
              only={(account) => account.hasOpeningBalance && account.currency === loan.currency}
              without={loan.accountId}
              onChange={(account) => setFromId(account?.id ?? '')}
            />
          )}
        </Field>
        {often === 'ONCE' && (
          <Field label="And" className="col-span-full">
            {(ids) => (
              <Select {...ids} value={keep} options={KEEP} onChange={(value) => setKeep(value as Extra['keep'])} />
            )}
          </Field>
        )}
      </div>
      {problem !== undefined && <ProblemNote error={problem} />}
      {refused !== undefined && <ProblemNote error={refused} />}
      <Beside loan={loan} tried={tried} />
      {tried && (
        <>
          <Others tried={tried} onTake={take} />
          <WouldBook loan={loan} tried={tried} />
        </>
      )}
      <Acts>
        {tried && (
          <MayChange>
            <Button tone="go" className="col-span-full" onClick={() => void plan()}>
              Put it in the plan <kbd>P</kbd>
            </Button>
            <Button onClick={clear}>
              Clear <kbd>Esc</kbd>
            </Button>
          </MayChange>
        )}
        <MayChange>
          <Button className={tried ? '' : 'col-span-full'} onClick={onTerms}>
            Change the terms <kbd>E</kbd>
          </Button>
        </MayChange>
      </Acts>
    </>
  )
}

/** What is left to pay, as agreed and with the extra payment. */
function Beside({ loan, tried }: { loan: Loan; tried?: Tried }) {
  const { now } = loan
  const other = tried?.compared
  const rows = [
    { name: 'Last payment', agreed: dayOf(loan.left.last), with: dayOf(other?.left.last) },
    { name: 'Payments left', agreed: String(loan.left.payments), with: String(other?.left.payments) },
    { name: 'Payment', agreed: now?.payment ? figure(now.payment) : '', with: other ? figure(other.payment) : '' },
    { name: 'Interest left', agreed: figure(loan.left.interest), with: other ? figure(other.left.interest) : '' },
  ]
  return (
    <table className={`${entryTable} mb-4 w-full [&_td+td]:text-right [&_th+th]:text-right`} aria-label="From today on">
      <thead>
        <tr>
          <th scope="col" className="text-left font-normal">
            From today on
          </th>
          <th scope="col" className="font-normal">
            as agreed
          </th>
          {other && (
            <th scope="col" className="font-normal">
              with it
            </th>
          )}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.name}>
            <td>{row.name}</td>
            <td>{row.agreed}</td>
            {other && <td>{row.with}</td>}
          </tr>
        ))}
        {other && (
          <tr className={sumRow}>
            <td colSpan={2}>
              Interest saved
              {loan.left.payments > other.left.payments &&
                `, ${counted(loan.left.payments - other.left.payments, 'payment')} less`}
            </td>
            <td className="text-needle">{figure(other.saved)}</td>
          </tr>
        )}
      </tbody>
    </table>
  )
}

const dayOf = (iso: string | undefined) => (iso ? writtenDay(iso) : 'without an end')

function Others({ tried, onTake }: { tried: Tried; onTake: (other: Compared) => void }) {
  return (
    <table className={`${entryTable} mb-4 w-full`} aria-label="Or">
      <colgroup>
        <col />
        <col className="w-[96px]" />
      </colgroup>
      <thead>
        <tr>
          <th scope="col" className="text-left font-normal">
            Or
          </th>
          <th scope="col" className="text-right font-normal">
            saves
          </th>
        </tr>
      </thead>
      <tbody>
        {tried.others.map((other) => (
          <tr key={`${other.extra.amount} ${other.extra.often} ${other.extra.keep}`}>
            <td>
              <button type="button" className={textLink()} onClick={() => onTake(other)}>
                {inWords(other)}
              </button>
            </td>
            <td className="text-right">{figure(other.saved)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function inWords({ extra, payment }: Compared): string {
  if (extra.keep === 'END') return `keep the end, pay ${figure(payment)}`
  return `${figure(extra.amount)} ${OFTEN.find((one) => one.value === extra.often)?.name}`
}

/** The entry that it would become on its first day. */
function WouldBook({ loan, tried }: { loan: Loan; tried: Tried }) {
  const { extra } = tried.compared
  return (
    <p className="mb-3 text-small text-ink-2">
      Would book {figure(extra.amount)} to {loan.accountName} as repaid, {extra.often === 'ONCE' ? 'on' : 'first on'}{' '}
      {longDay(extra.from)}. It is expected then, like any due item; whether the lender takes it without a charge stands
      in the contract.
    </p>
  )
}
