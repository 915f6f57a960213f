import { useQuery } from '@tanstack/react-query'
import type { ChangeEvent } from 'react'
import { api, data, upload } from '@/api/client'
import { accounts, books } from '@/api/queries'
import { useSays } from '@/app/says'
import { useScope } from '@/app/scope'
import { Page, Part } from '@/features/household/Page'
import { Button } from '@/parts/Button'
import { counted, lastDay, longDay, plainNumber } from '@/parts/figures'
import { Beside, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { CurrencyField, DateField, NumberField } from '@/parts/form/fields'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { ruled, textLink } from '@/parts/look'
import { Failed, Loading } from '@/parts/States'
import { useAct } from '@/parts/useAct'
import { Revaluation } from './Revaluation'
import { TransferForm } from './TransferForm'

/** Dated rates, transfers between currencies, and what holdings are worth at the end of a month. */
export function Rates() {
  const { month } = useScope()
  const rates = useQuery({ queryKey: ['rates'], queryFn: () => data(api.GET('/api/rates')) })
  const { data: allBooks = [] } = useQuery(books)
  const { data: allAccounts = [] } = useQuery(accounts)
  if (rates.error && !rates.data) return <Failed error={rates.error} retry={rates.refetch} />
  if (!rates.data || !month) return <Loading what="the rates" />
  const on = lastDay(month)
  const foreign = allBooks.filter((b) => allAccounts.some((a) => a.bookId === b.id && a.currency !== b.currency))
  return (
    <Page title="Currencies" about="rates by day, transfers between currencies, revaluation at a month’s end">
      <Part
        title="Rates"
        about="What one unit was worth. A day without a rate takes the last one before it. Either way round will do."
      >
        <NewRate
          from={foreignCurrency(allAccounts, allBooks[0]?.currency ?? 'EUR')}
          to={allBooks[0]?.currency ?? 'EUR'}
        />
        <RateTable rates={rates.data} />
      </Part>
      <Part
        title="Transfer"
        about="Between two of your own accounts, with the amount that left and the amount that arrived. What is gained or lost by the exchange is booked with it."
      >
        <TransferForm today={on} />
      </Part>
      {foreign.map((b) => (
        <Part
          key={b.id}
          title={`Revaluation of ${b.name}`}
          about={`What it holds in other currencies, at the rate of ${longDay(on)}.`}
        >
          <Revaluation book={b} on={on} />
        </Part>
      ))}
    </Page>
  )
}

/** A currency that a rate may be needed for; never that of the book itself. */
function foreignCurrency(all: { currency: string }[], base: string): string {
  return all.find((a) => a.currency !== base)?.currency ?? (base === 'USD' ? 'EUR' : 'USD')
}

function NewRate({ from, to }: { from: string; to: string }) {
  const of = useOwnForm({ day: '', from, rate: '', to }, 'a new rate')
  const { act, error } = useAct()
  const says = useSays()

  function take(event: ChangeEvent<HTMLInputElement>) {
    const [file] = event.target.files ?? []
    event.target.value = ''
    if (!file) return
    const form = new FormData()
    form.append('file', file)
    act(
      () => upload<{ rates: number }>('/api/rates/import', form),
      (brought) => says.done(`${counted(brought.rates, 'rate')} kept.`),
    )
  }
  return (
    <>
      <Form
        of={of}
        label="A new rate"
        send={(body) => api.POST('/api/rates', { body })}
        done={(sent) => {
          says.done(`1 ${sent.from} was ${plainNumber(sent.rate)} ${sent.to} on ${longDay(sent.day)}.`)
          of.form.resetField('rate')
        }}
      >
        <Row>
          <DateField name="day" label="Day" className="w-[150px]" needed="Type the day of the rate." />
          <CurrencyField name="from" label="1 of" className="w-[170px]" />
          <NumberField name="rate" label="was" className="w-[110px]" needed="Type the rate." />
          <CurrencyField name="to" label="of" className="w-[170px]" />
          <Beside>
            <Button type="submit">Keep it</Button>
            <label className={textLink()}>
              Take in a table of day, from, to, rate
              <input type="file" className="sr-only" accept=".csv,text/csv" onChange={take} />
            </label>
          </Beside>
        </Row>
      </Form>
      <ProblemNote error={error} />
    </>
  )
}

function RateTable({ rates }: { rates: { from: string; to: string; day: string; rate: string }[] }) {
  const { act, error } = useAct()
  if (rates.length === 0) return <p className="text-ink-2 mt-3">No rate yet. One is needed for every other currency.</p>
  return (
    <div className="max-h-[230px] overflow-auto mt-3">
      <table className={ruled({ edges: 'none' })} aria-label="Rates">
        <thead>
          <tr>
            <th>Day</th>
            <th>Rate</th>
            <th>
              <span className="sr-only">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rates.map((r) => (
            <tr key={`${r.day} ${r.from} ${r.to}`}>
              <td className="w-[180px]">{longDay(r.day)}</td>
              <td>
                1 {r.from} = {plainNumber(r.rate)} {r.to}
              </td>
              <td className="text-right text-small">
                <button
                  type="button"
                  className={textLink({ tone: 'kill' })}
                  onClick={() =>
                    act(() => api.DELETE('/api/rates', { params: { query: { from: r.from, to: r.to, day: r.day } } }))
                  }
                >
                  remove<span className="sr-only"> the rate of {longDay(r.day)}</span>
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <ProblemNote error={error} />
    </div>
  )
}
