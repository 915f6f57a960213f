import { api, type Schemas } from '@/api/client'
import { Button } from '@/parts/Button'
import { plainNumber, writtenDay } from '@/parts/figures'
import { Beside, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { DateField, NumberField, TextField } from '@/parts/form/fields'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { ruled, textLink } from '@/parts/look'
import { useAct } from '@/parts/useAct'

type Rate = Schemas['TaxRateJson']

/** A book's sales-tax rates, each with the days from which its percentages hold. */
export function TaxRates({ bookId, rates }: { bookId: string; rates: Rate[] }) {
  const of = useOwnForm({ name: '', percent: '', from: '' }, `a tax rate of ${bookId}`)
  const { act, error } = useAct()
  const name = of.form.watch('name')
  const known = rates.find((r) => r.name.toLowerCase() === name.trim().toLowerCase())

  async function save({ name, from, percent }: { name: string; from: string; percent: string }) {
    const step = { from, percent }
    if (known) {
      const steps = [...known.steps.filter((s) => s.from !== from), step]
      await api.PUT('/api/tax-rates/{id}', {
        params: { path: { id: known.id } },
        body: { bookId, name: known.name, steps },
      })
    } else {
      await api.POST('/api/tax-rates', { body: { bookId, name, steps: [step] } })
    }
  }
  return (
    <div className="mt-4">
      <h3>Sales-tax rates</h3>
      <table className={ruled({ edges: 'none' })} aria-label="Sales-tax rates">
        <tbody>
          {rates.map((r) => (
            <tr key={r.id}>
              <td className="w-[160px]">{r.name}</td>
              <td className="text-right w-[80px]">{r.percent ? `${plainNumber(r.percent)} %` : 'not yet'}</td>
              <td className="text-ink-2 text-small pl-6">
                {r.steps.map((s) => `${plainNumber(s.percent)} % from ${writtenDay(s.from)}`).join(', ')}
              </td>
              <td className="text-right text-small">
                <button
                  type="button"
                  className={textLink({ tone: 'kill' })}
                  onClick={() => act(() => api.DELETE('/api/tax-rates/{id}', { params: { path: { id: r.id } } }))}
                >
                  remove<span className="sr-only"> {r.name}</span>
                </button>
              </td>
            </tr>
          ))}
          {rates.length === 0 && (
            <tr>
              <td className="text-ink-2">none</td>
            </tr>
          )}
        </tbody>
      </table>
      <Form of={of} className="mt-2" send={save} done={() => of.again()} label="Add a sales-tax rate">
        <Row>
          <TextField name="name" label="Name of the rate" needed="Type a name, such as standard." />
          <NumberField name="percent" label="Percent" className="w-[80px]" needed="Type the percentage." />
          <DateField name="from" label="From" className="w-[150px]" needed="Type the first day of it." />
          <Beside>
            <Button type="submit">{known ? 'Add this date' : 'Add the rate'}</Button>
          </Beside>
        </Row>
      </Form>
      <ProblemNote error={error} />
    </div>
  )
}
