import { type FormEvent, useState } from 'react'
import { api, type Schemas } from '@/api/client'
import { ProblemNote, TextField, useAct } from '@/parts/Form'
import { day, typedAmount } from '@/parts/figures'

type Rate = Schemas['TaxRateJson']

/** A book's sales-tax rates, each with the days from which its percentages hold. */
export function TaxRates({ bookId, rates }: { bookId: string; rates: Rate[] }) {
  const [name, setName] = useState('')
  const [percent, setPercent] = useState('')
  const [from, setFrom] = useState('')
  const { act, error, busy } = useAct()
  const known = rates.find((r) => r.name.toLowerCase() === name.trim().toLowerCase())

  function submit(event: FormEvent) {
    event.preventDefault()
    const step = { from, percent: typedAmount(percent) ?? '' }
    const save = async () => {
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
    act(save, () => {
      setName('')
      setPercent('')
    })
  }
  return (
    <div className="mt-4">
      <h3 className="b">Sales-tax rates</h3>
      <table className="tb" aria-label="Sales-tax rates">
        <tbody>
          {rates.map((r) => (
            <tr key={r.id}>
              <td className="w-[160px]">{r.name}</td>
              <td className="n w-[80px]">{r.percent ? `${r.percent} %` : 'not yet'}</td>
              <td className="q s pl-6">
                {r.steps.map((s) => `${s.percent} % from ${day(s.from)} ${s.from.slice(0, 4)}`).join(', ')}
              </td>
              <td className="n s">
                <button
                  type="button"
                  className="link kill"
                  onClick={() => act(() => api.DELETE('/api/tax-rates/{id}', { params: { path: { id: r.id } } }))}
                >
                  remove<span className="vh"> {r.name}</span>
                </button>
              </td>
            </tr>
          ))}
          {rates.length === 0 && (
            <tr>
              <td className="q">none</td>
            </tr>
          )}
        </tbody>
      </table>
      <form className="row-form mt-2" onSubmit={submit} aria-label="Add a sales-tax rate">
        <TextField label="Name of the rate" value={name} onChange={setName} required />
        <TextField label="Percent" className="w-[80px]" value={percent} onChange={setPercent} required />
        <TextField label="From" type="date" value={from} onChange={setFrom} required />
        <button type="submit" className="btn" disabled={busy}>
          {known ? 'Add this date' : 'Add the rate'}
        </button>
      </form>
      <ProblemNote error={error} />
    </div>
  )
}
