import { useNavigate } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { booksChanged, queryClient } from '@/api/queries'
import { useSays } from '@/app/says'
import { useScopeSearch } from '@/app/scope'
import { Button } from '@/parts/Button'
import { figure } from '@/parts/figures'
import { amountText } from '@/parts/form/AmountInput'
import { dayText } from '@/parts/form/DayInput'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { AmountField, DateField } from '@/parts/form/fields'

/** Corrects what was typed or taken from the file, or puts the statement away. */
export function CorrectStatement({ sheet, onClose }: { sheet: Schemas['SheetJson']; onClose: () => void }) {
  const of = useOwnForm(
    { closesOn: dayText(sheet.closesOn), closing: amountText(sheet.closing, sheet.currency) },
    `correcting ${sheet.id}`,
  )
  const says = useSays()
  const navigate = useNavigate()
  const search = useScopeSearch()
  const params = { path: { id: sheet.id }, query: { version: sheet.version } }

  function leave() {
    of.forget()
    onClose()
  }
  async function putAway() {
    try {
      await api.DELETE('/api/statements/{id}', { params })
      await booksChanged()
      navigate(`/reconcile${search}`)
    } catch (error) {
      says.failed(error)
    }
  }
  return (
    <Form
      of={of}
      className="flex flex-1 flex-col gap-3"
      fieldOf={{ amount: 'closing' }}
      send={async (body) => {
        const fresh = await data(api.PUT('/api/statements/{id}', { params, body }))
        // Shown and closed at once: a key pressed on seeing it is not meant for the form any more.
        queryClient.setQueryData(['sheet', sheet.id], fresh)
        leave()
      }}
    >
      <h2>Correct the statement</h2>
      <DateField name="closesOn" label="Closes on" needed="Type the last day of the statement." autoFocus />
      <AmountField
        name="closing"
        label={`Closing balance, ${sheet.currency}`}
        currency={sheet.currency}
        needed={`Type the closing balance as it stands on the statement, such as ${figure('2409.65')}.`}
      />
      <Foot go="Correct it" onLeave={leave}>
        <Button tone="kill" className="col-span-full" onClick={putAway}>
          Put the statement away
        </Button>
      </Foot>
    </Form>
  )
}
