import { api, type Schemas } from '@/api/client'
import { queryClient } from '@/api/queries'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { Beside, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { SelectField } from '@/parts/form/fields'

type Formats = Schemas['FormatsJson']

const DECIMAL_MARKS: { value: Formats['decimalMark']; name: string }[] = [
  { value: 'POINT', name: 'point, 0.50' },
  { value: 'COMMA', name: 'comma, 0,50' },
]
const GROUPINGS: { value: Formats['grouping']; name: string }[] = [
  { value: 'COMMA', name: 'comma, 1,000' },
  { value: 'POINT', name: 'point, 1.000' },
  { value: 'SPACE', name: 'space, 1\u202f000' },
  { value: 'APOSTROPHE', name: 'apostrophe, 1\u2019000' },
  { value: 'NONE', name: 'nothing, 1000' },
]
const DAY_ORDERS: { value: Formats['dayOrder']; name: string }[] = [
  { value: 'DAY_MONTH', name: '5 6 is 5 June' },
  { value: 'MONTH_DAY', name: '5 6 is May 6' },
]
const WEEKS: { value: Formats['weekBegins']; name: string }[] = [
  { value: 'MONDAY', name: 'Monday' },
  { value: 'SUNDAY', name: 'Sunday' },
  { value: 'SATURDAY', name: 'Saturday' },
]

const SIDES: { value: Formats['sides']; name: string }[] = [
  { value: 'FROM_TO', name: 'from and to' },
  { value: 'DEBIT_CREDIT', name: 'debit and credit' },
]

/** How the person writes figures and days; it goes with them into every household. */
export function OwnFormats({ formats }: { formats: Formats }) {
  const of = useOwnForm(formats)
  const says = useSays()
  return (
    <Form
      own
      of={of}
      label="Figures and days"
      send={async (body) => {
        await api.PUT('/api/session/formats', { body })
        // What was read was read with the formats of before.
        queryClient.removeQueries({ queryKey: ['typed'] })
        await queryClient.invalidateQueries({ queryKey: ['session'] })
      }}
      done={() => says.note('Figures and days are written your way.')}
    >
      <Row>
        <SelectField name="decimalMark" label="Before decimals" className="w-[130px]" options={DECIMAL_MARKS} />
        <SelectField name="grouping" label="Between thousands" className="w-[160px]" options={GROUPINGS} />
        <SelectField name="dayOrder" label="Days and months" className="w-[130px]" options={DAY_ORDERS} />
        <SelectField name="weekBegins" label="Weeks begin on" className="w-[120px]" options={WEEKS} />
        <SelectField name="sides" label="Entries are typed" className="w-[140px]" options={SIDES} />
        <Beside>
          <Button type="submit">Write so</Button>
        </Beside>
      </Row>
    </Form>
  )
}
