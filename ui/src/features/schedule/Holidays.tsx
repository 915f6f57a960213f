import { useQuery } from '@tanstack/react-query'
import { api, data } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { Dialog } from '@/parts/Dialog'
import { longDay } from '@/parts/figures'
import { Foot, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { DateField, TextField } from '@/parts/form/fields'
import { textLink } from '@/parts/look'
import { Failed, Loading } from '@/parts/States'
import { useSaidAct } from '@/parts/useSaidAct'
import { Said } from '@/parts/View'

/** The household's days off, besides weekends: what is due on them moves as its schedule says. */
export function Holidays({ onClose }: { onClose: () => void }) {
  const says = useSays()
  const act = useSaidAct()
  const of = useOwnForm({ day: '', name: '' })
  const holidays = useQuery({ queryKey: ['holidays'], queryFn: () => data(api.GET('/api/holidays')) })
  const forget = (day: string) =>
    act(() => data(api.DELETE('/api/holidays', { params: { query: { day } } })), `${longDay(day)} is a day as any.`)
  return (
    <Dialog title="Holidays" open onClose={onClose}>
      <Said title="Holidays">
        <p className="mb-2 text-ink-2">What falls on a weekend or on one of these moves as its schedule says.</p>
        {holidays.isPending && <Loading what="the holidays" />}
        {holidays.error && <Failed error={holidays.error} retry={holidays.refetch} />}
        <ul aria-label="Holidays" className="mb-3 max-h-[240px] overflow-y-auto">
          {holidays.data?.map((holiday) => (
            <li key={holiday.day} className="flex h-8 items-center gap-3 border-b border-hairline">
              <span className="w-[150px]">{longDay(holiday.day)}</span>
              <span className="min-w-0 flex-1 truncate text-ink-2">{holiday.name}</span>
              <MayChange>
                <button
                  type="button"
                  className={textLink({ tone: 'kill', size: 'small' })}
                  onClick={() => void forget(holiday.day)}
                >
                  Forget<span className="sr-only"> {holiday.name}</span>
                </button>
              </MayChange>
            </li>
          ))}
        </ul>
        <Form
          of={of}
          className="flex flex-col gap-3"
          send={async (body) => {
            await data(api.PUT('/api/holidays', { body }))
            says.done(`${longDay(body.day)} is a day off.`)
          }}
          done={of.again}
        >
          <Row>
            <DateField name="day" label="Day" className="w-[150px]" needed="Type the day." autoFocus />
            <TextField name="name" label="Holiday" className="flex-1" needed="Say which holiday it is." />
          </Row>
          <Foot go="Keep it" back="Done" onLeave={onClose} />
        </Form>
      </Said>
    </Dialog>
  )
}
