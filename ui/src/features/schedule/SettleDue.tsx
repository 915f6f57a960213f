import { api, data, type Schemas } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useSays } from '@/app/says'
import { Dialog } from '@/parts/Dialog'
import { dayInWords, longDay, writtenDay } from '@/parts/figures'
import { amountText } from '@/parts/form/AmountInput'
import { Foot, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { AmountField, DateField, NumberField, TextField } from '@/parts/form/fields'
import { Said } from '@/parts/View'
import type { DueItem } from './schedule'

type Settle = Schemas['SettleJson']

/** Says what becomes of a due item. */
export const settle = (item: DueItem, said: Omit<Settle, 'day'>) =>
  data(
    api.PUT('/api/schedules/{id}/due-items', {
      params: { path: { id: item.scheduleId } },
      body: { day: item.day, ...said },
    }),
  )

/** Books a due item, on its day and with its usual amount unless something else is typed. */
export function EnterDue({ item, onClose }: { item: DueItem; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm({ on: writtenDay(item.due), amount: amountText(item.usual, item.currency) })
  return (
    <Dialog title={`Enter ${item.payee}`} open onClose={onClose}>
      <Said title={`Enter ${item.payee}`}>
        <Form
          of={of}
          className="flex flex-col gap-3"
          fieldOf={{ date: 'on' }}
          send={async ({ on, amount }) => {
            const made = await data(
              api.POST('/api/schedules/{id}/due-items', {
                params: { path: { id: item.scheduleId } },
                body: { day: item.day, on, amount },
              }),
            )
            says.done(`No. ${made.no} of ${longDay(made.date)} is entered.`)
          }}
          done={onClose}
        >
          <p className="text-ink-2">
            Due {dayInWords(item.due)}, {item.accountName}. What is apart from the usual amount goes to the first part.
          </p>
          <Row>
            <DateField name="on" label="On" className="w-[150px]" needed="Type the day." autoFocus />
            <AmountField
              name="amount"
              label={`Amount, ${item.currency}`}
              currency={item.currency}
              className="w-[150px]"
              needed="Type the amount; with a minus it is paid."
            />
          </Row>
          <Foot go="Enter it" onLeave={onClose} />
        </Form>
      </Said>
    </Dialog>
  )
}

/** It does not come this time, and why. */
export function SkipDue({ item, onClose }: { item: DueItem; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm({ reason: '' })
  return (
    <Dialog title={`Skip ${item.payee}`} open onClose={onClose}>
      <Said title={`Skip ${item.payee}`}>
        <Form
          of={of}
          className="flex flex-col gap-3"
          send={async ({ reason }) => {
            await settle(item, { how: 'SKIP', reason })
            await booksChanged()
            says.done(`${item.payee}, due ${longDay(item.due)}, is skipped.`)
          }}
          done={onClose}
        >
          <p className="text-ink-2">Due {dayInWords(item.due)}. The next one is expected as ever.</p>
          <TextField
            name="reason"
            label="Why it does not come"
            needed="Say why it does not come this time."
            autoFocus
          />
          <Foot go="Skip it" onLeave={onClose} />
        </Form>
      </Said>
    </Dialog>
  )
}

/** It comes on another day. */
export function MoveDue({ item, onClose }: { item: DueItem; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm({ to: '' })
  return (
    <Dialog title={`Move ${item.payee}`} open onClose={onClose}>
      <Said title={`Move ${item.payee}`}>
        <Form
          of={of}
          className="flex flex-col gap-3"
          send={async ({ to }) => {
            await settle(item, { how: 'MOVE', to })
            says.done(`${item.payee} is expected on another day.`)
          }}
          done={onClose}
        >
          <p className="text-ink-2">Due {dayInWords(item.due)}. Only this one moves.</p>
          <DateField name="to" label="To the day" className="w-[150px]" needed="Type the day it comes on." autoFocus />
          <Foot go="Move it" onLeave={onClose} />
        </Form>
      </Said>
    </Dialog>
  )
}

/** It stands in the books already, with another payee or amount. */
export function IsEntry({ item, onClose }: { item: DueItem; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm({ entryNo: '' })
  return (
    <Dialog title={`${item.payee} is an entry`} open onClose={onClose}>
      <Said title={`${item.payee} is an entry`}>
        <Form
          of={of}
          className="flex flex-col gap-3"
          send={async ({ entryNo }) => {
            await settle(item, { how: 'IS_ENTRY', entryNo: Number(entryNo) })
            says.done(`${item.payee} is no. ${entryNo}.`)
          }}
          done={onClose}
        >
          <p className="text-ink-2">
            Due {dayInWords(item.due)}. An entry of this payee with an expected amount is found by itself; any other is
            named here.
          </p>
          <NumberField
            name="entryNo"
            label="Number of the entry"
            className="w-[150px]"
            needed="Type the number that the journal shows."
          />
          <Foot go="It is that" onLeave={onClose} />
        </Form>
      </Said>
    </Dialog>
  )
}
