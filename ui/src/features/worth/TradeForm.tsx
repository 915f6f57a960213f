import { useRef } from 'react'
import { useWatch } from 'react-hook-form'
import { api, data } from '@/api/client'
import { useSays } from '@/app/says'
import { longDay } from '@/parts/figures'
import { Foot, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { AmountField, DateField, NumberField, SelectField, TextField } from '@/parts/form/fields'
import { InspectorHead } from '@/parts/View'
import type { Holding, Investment, Security } from './worth'

type Kind = Holding['trades'][number]['kind']

const KINDS: { value: Kind; name: string }[] = [
  { value: 'BUY', name: 'bought' },
  { value: 'SELL', name: 'sold' },
  { value: 'DIVIDEND', name: 'a dividend' },
  { value: 'FEE', name: 'a fee for keeping it' },
  { value: 'SPLIT', name: 'split or merged' },
  { value: 'HELD', name: 'held when the books began' },
]
const NEW = 'new'

/** Something that happened to a holding, which becomes an entry where money moved. */
export function TradeForm({
  investment,
  holding,
  securities,
  onClose,
}: {
  investment: Investment
  holding?: Holding
  securities: Security[]
  /** Told which security it was of, if one was booked. */
  onClose: (securityId?: string) => void
}) {
  const says = useSays()
  const booked = useRef<string>(undefined)
  const fitting = securities.filter((one) => one.currency === investment.currency)
  const of = useOwnForm<Record<string, string>>(
    {
      securityId: holding?.securityId ?? fitting[0]?.id ?? NEW,
      name: '',
      code: '',
      day: '',
      kind: 'BUY',
      quantity: '',
      amount: '',
      fee: '',
    },
    `trade in ${investment.accountId} ${holding?.securityId ?? ''}`,
  )
  const [kind, securityId] = useWatch({ control: of.form.control, name: ['kind', 'securityId'] })
  const counts = kind !== 'DIVIDEND' && kind !== 'FEE'
  const moves = kind !== 'SPLIT'
  function leave() {
    of.forget()
    onClose()
  }
  async function security(typed: Record<string, string>): Promise<string> {
    if (typed.securityId !== NEW) return typed.securityId ?? ''
    const made = await data(
      api.POST('/api/securities', {
        body: { name: typed.name ?? '', code: typed.code ?? '', currency: investment.currency },
      }),
    )
    // Should the trade be refused, the next try takes the security that is there now.
    of.form.setValue('securityId', made.id)
    return made.id
  }
  return (
    <Form
      of={of}
      label="A trade"
      className="flex flex-1 flex-col gap-3"
      send={async (typed) => {
        booked.current = await security(typed)
        await data(
          api.POST('/api/investments/{id}/trades', {
            params: { path: { id: investment.accountId } },
            body: {
              securityId: booked.current,
              day: typed.day ?? '',
              kind: typed.kind as Kind,
              ...(counts ? { quantity: typed.quantity } : {}),
              ...(moves ? { amount: typed.amount } : {}),
              ...(moves && typed.fee ? { fee: typed.fee } : {}),
            },
          }),
        )
        says.done(`The trade of ${longDay(typed.day ?? '')} is booked.`)
      }}
      done={() => onClose(booked.current)}
    >
      <InspectorHead title={`A trade in ${investment.name}`}>It becomes an entry where money moved.</InspectorHead>
      <SelectField
        name="securityId"
        label="Security"
        options={[...fitting.map((one) => ({ value: one.id, name: one.name })), { value: NEW, name: 'a new one' }]}
      />
      {securityId === NEW && (
        <Row>
          <TextField name="name" label="Its name" className="w-[180px]" needed="Say what it is called." />
          <TextField name="code" label="Code" className="w-[140px]" />
        </Row>
      )}
      <Row>
        <DateField name="day" label="On" className="w-[150px]" needed="Type the day." autoFocus />
        <SelectField name="kind" label="It was" options={KINDS} className="w-[150px]" />
      </Row>
      {counts && (
        <NumberField
          name="quantity"
          label={kind === 'SPLIT' ? 'Held after it' : 'How many'}
          className="w-[150px]"
          needed="Type how many."
        />
      )}
      {moves && (
        <Row>
          <AmountField
            name="amount"
            label={`${AMOUNTS[kind as Kind]}, ${investment.currency}`}
            currency={investment.currency}
            className="w-[150px]"
            needed="Type the amount, without the fee."
          />
          <AmountField
            name="fee"
            label={kind === 'DIVIDEND' ? 'Tax or fee kept back' : 'Fee'}
            currency={investment.currency}
            className="w-[150px]"
          />
        </Row>
      )}
      <Foot go="Book it" onLeave={leave} />
    </Form>
  )
}

const AMOUNTS: Record<Kind, string> = {
  BUY: 'Paid for all',
  SELL: 'Received for all',
  DIVIDEND: 'Dividend',
  FEE: 'Fee',
  SPLIT: '',
  HELD: 'It had cost',
}
