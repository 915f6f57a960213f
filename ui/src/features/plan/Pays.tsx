import { useState } from 'react'
import { api, data } from '@/api/client'
import { useSays } from '@/app/says'
import { AccountField } from '@/parts/AccountPicker'
import { Button } from '@/parts/Button'
import { longDay } from '@/parts/figures'
import { dayText } from '@/parts/form/DayInput'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { DateField, SelectField } from '@/parts/form/fields'
import { InspectorHead } from '@/parts/View'
import type { Aside, Purpose } from './SetAsides'

type Typed = Record<string, string>

const fieldOf = (place: number) => `category${place}`

/** Which categories a purpose pays for, so that what is spent on them is taken out of it. */
export function Pays({ aside, purpose, onClose }: { aside: Aside; purpose: Purpose; onClose: () => void }) {
  const says = useSays()
  const { accountId, pays } = purpose
  const of = useOwnForm<Typed>(
    {
      since: dayText(purpose.paysSince),
      when: purpose.paysAsPosted ? 'POSTED' : 'KEY',
      ...Object.fromEntries([...pays.map((one) => one.accountId), ''].map((id, i) => [fieldOf(i), id])),
    },
    `pays of ${accountId}`,
  )
  // As many as were typed, which may be more than are kept.
  const [places, setPlaces] = useState(
    () => Object.keys(of.form.getValues()).filter((name) => name.startsWith('category')).length,
  )
  function leave() {
    of.forget()
    onClose()
  }
  return (
    <Form
      of={of}
      label={`What ${purpose.name} pays for`}
      className="flex flex-1 flex-col gap-3"
      fieldOf={{ categories: fieldOf(0) }}
      send={async (typed: Typed) => {
        const categories = Array.from({ length: places }, (_, i) => typed[fieldOf(i)]).filter(
          (id): id is string => id !== undefined && id !== '',
        )
        const since = typed.since ?? ''
        await data(
          api.PUT('/api/set-asides/{id}/pays', {
            params: { path: { id: accountId } },
            body: { categories, since, asPosted: typed.when === 'POSTED' },
          }),
        )
        says.done(
          categories.length === 0
            ? `${purpose.name} pays for nothing by itself.`
            : `${purpose.name} pays from ${longDay(since)}.`,
        )
      }}
      done={onClose}
    >
      <InspectorHead title={`What ${purpose.name} pays for`}>
        What {aside.accountName} spends on these is taken out of it.
      </InspectorHead>
      <DateField
        name="since"
        label="From"
        className="w-[150px]"
        needed="Type the first day that counts."
        hint="What is spent from that day on counts."
        autoFocus
      />
      <SelectField
        name="when"
        label="It is taken out"
        options={[
          { value: 'KEY', name: 'with one key here' },
          { value: 'POSTED', name: 'as lines are posted' },
        ]}
      />
      {Array.from({ length: places }, (_, i) => (
        <AccountField
          // biome-ignore lint/suspicious/noArrayIndexKey: places stay in their order
          key={i}
          name={fieldOf(i)}
          label={i === 0 ? 'Category' : `Category ${i + 1}`}
          bookId={aside.bookId}
          only={(account) => account.accountClass === 'EXPENSE'}
        />
      ))}
      <Button
        className="self-start"
        onClick={() => {
          of.form.setValue(fieldOf(places), '')
          setPlaces(places + 1)
        }}
      >
        Another category
      </Button>
      <Foot go="Keep it" onLeave={leave} />
    </Form>
  )
}
