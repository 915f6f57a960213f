import { useQuery } from '@tanstack/react-query'
import { type FormEvent, useState } from 'react'
import { api, type Schemas } from '@/api/client'
import { books, household, session, taxRates } from '@/api/queries'
import { useSays } from '@/app/says'
import { monthOptions } from '@/features/setup/draft'
import { Choice, CurrencyChoice, ProblemNote, TextField, useAct } from '@/parts/Form'
import { longDay } from '@/parts/figures'
import { Failed, Loading } from '@/parts/States'
import { zones } from '@/parts/zones'
import { BookTables } from './BookTables'
import { Page, Part } from './Page'
import { TaxRates } from './TaxRates'

type Book = Schemas['BookJson']

/** The books: fiscal year, sales tax and its rates, tables in and out, copies, a new book. */
export function Books() {
  const all = useQuery(books)
  const rates = useQuery(taxRates)
  const home = useQuery(household)
  if (all.error) return <Failed error={all.error} retry={all.refetch} />
  if (!all.data || !rates.data) return <Loading what="the books" />
  return (
    <Page title="Books" about="each balances by itself, in a currency and a fiscal year of its own">
      <Part title="The household" about="Its day begins where it lives: what is today, and when feeds are fetched.">
        {home.data && <HouseholdFacts key={home.dataUpdatedAt} household={home.data} />}
      </Part>
      {all.data.map((b) => (
        <Part
          key={b.id}
          title={b.name}
          about={
            <>
              kept in {b.currency}; fiscal year {b.fiscalYear.label}, {longDay(b.fiscalYear.first)} to{' '}
              {longDay(b.fiscalYear.last)}
            </>
          }
        >
          <BookFacts key={b.version} book={b} />
          <TaxRates bookId={b.id} rates={rates.data.filter((r) => r.bookId === b.id)} />
          <BookTables book={b} others={all.data.filter((o) => o.id !== b.id)} />
        </Part>
      ))}
      <Part title="A new book" about="For a side business, or an association that you keep the books of.">
        <NewBook />
      </Part>
    </Page>
  )
}

function HouseholdFacts({ household: facts }: { household: Schemas['HouseholdFactsJson'] }) {
  const [name, setName] = useState(facts.name)
  const [timeZone, setTimeZone] = useState(facts.timeZone)
  const { data: me } = useQuery(session)
  const { act, error, busy } = useAct()
  const says = useSays()
  if (me?.role !== 'OWNER') {
    return (
      <p>
        {facts.name}, in {facts.timeZone}, where it is {longDay(facts.today)}. An owner can change it.
      </p>
    )
  }
  function submit(event: FormEvent) {
    event.preventDefault()
    act(
      () => api.PUT('/api/household', { body: { name, timeZone } }),
      () => says.done(`${name} is changed.`),
    )
  }
  return (
    <form onSubmit={submit} aria-label="The household">
      <div className="row-form">
        <TextField label="Household" value={name} onChange={setName} required />
        <Choice
          label="Time zone"
          value={timeZone}
          onChange={setTimeZone}
          options={zones(timeZone).map((zone) => ({ value: zone, name: zone }))}
        />
        <button type="submit" className="btn" disabled={busy}>
          Save
        </button>
        <span className="q">it is {longDay(facts.today)} there</span>
      </div>
      <ProblemNote error={error} />
    </form>
  )
}

function BookFacts({ book }: { book: Book }) {
  const [name, setName] = useState(book.name)
  const [month, setMonth] = useState(String(book.fiscalYearStartsIn))
  const [taxNumber, setTaxNumber] = useState(book.taxNumber)
  const [taxedFrom, setTaxedFrom] = useState(book.taxedFrom ?? '')
  const { act, error, busy } = useAct()
  const says = useSays()
  function submit(event: FormEvent) {
    event.preventDefault()
    act(
      () =>
        api.PUT('/api/books/{id}', {
          params: { path: { id: book.id }, query: { version: book.version } },
          body: { name, fiscalYearStartsIn: Number(month), taxNumber, taxedFrom: taxedFrom || undefined },
        }),
      () => says.done(`${name} is changed.`),
    )
  }
  return (
    <form onSubmit={submit} aria-label={`Facts of ${book.name}`}>
      <div className="row-form">
        <TextField label="Name" value={name} onChange={setName} required />
        <Choice label="Fiscal year starts in" value={month} onChange={setMonth} options={monthOptions} />
        <TextField label="Sales-tax number" value={taxNumber} onChange={setTaxNumber} placeholder="not registered" />
        <TextField label="Registered from" type="date" value={taxedFrom} onChange={setTaxedFrom} />
        <button type="submit" className="btn" disabled={busy}>
          Save
        </button>
      </div>
      <ProblemNote error={error} />
    </form>
  )
}

function NewBook() {
  const [name, setName] = useState('')
  const [currency, setCurrency] = useState('EUR')
  const [month, setMonth] = useState('1')
  const [starter, setStarter] = useState<'FAMILY' | 'SIDE_BUSINESS' | 'EMPTY'>('SIDE_BUSINESS')
  const { act, error, busy } = useAct()
  const says = useSays()
  function submit(event: FormEvent) {
    event.preventDefault()
    act(
      () => api.POST('/api/books', { body: { name, currency, fiscalYearStartsIn: Number(month), starter } }),
      () => {
        says.done(`${name} is a book now.`)
        setName('')
      },
    )
  }
  return (
    <form onSubmit={submit} aria-label="A new book">
      <div className="row-form">
        <TextField label="Name" value={name} onChange={setName} required />
        <CurrencyChoice label="Base currency" value={currency} onChange={setCurrency} className="w-[190px]" />
        <Choice label="Fiscal year starts in" value={month} onChange={setMonth} options={monthOptions} />
        <Choice
          label="Starter chart"
          value={starter}
          onChange={setStarter}
          options={[
            { value: 'FAMILY', name: 'family' },
            { value: 'SIDE_BUSINESS', name: 'side business' },
            { value: 'EMPTY', name: 'empty' },
          ]}
        />
        <button type="submit" className="btn" disabled={busy}>
          Begin it
        </button>
      </div>
      <ProblemNote error={error} />
    </form>
  )
}
