import { useQuery } from '@tanstack/react-query'
import { api, type Schemas } from '@/api/client'
import { books, household, session, taxRates } from '@/api/queries'
import { useSays } from '@/app/says'
import { monthOptions, STARTERS } from '@/features/setup/draft'
import { Button } from '@/parts/Button'
import { longDay } from '@/parts/figures'
import { dayText } from '@/parts/form/DayInput'
import { Beside, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { CurrencyField, DateField, SelectField, TextField } from '@/parts/form/fields'
import { textLink } from '@/parts/look'
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
  const { data: me } = useQuery(session)
  if (all.error && !all.data) return <Failed error={all.error} retry={all.refetch} />
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
      {me?.role === 'OWNER' && (
        <Part
          title="Everything"
          about="Books, bank lines, statements, plans and attachments, as tables that any spreadsheet or database reads."
        >
          <p>
            <a className={textLink()} href="/api/data-package" download>
              Take the whole household out
            </a>{' '}
            <span className="text-ink-2">
              as a data package (a ZIP file). It can be taken into an empty household, here or elsewhere.
            </span>
          </p>
        </Part>
      )}
      <Part title="A new book" about="For a side business, or an association that you keep the books of.">
        <NewBook />
      </Part>
    </Page>
  )
}

function HouseholdFacts({ household: facts }: { household: Schemas['HouseholdFactsJson'] }) {
  const of = useOwnForm({ name: facts.name, timeZone: facts.timeZone })
  const { data: me } = useQuery(session)
  const says = useSays()
  if (me?.role !== 'OWNER') {
    return (
      <p>
        {facts.name}, in {facts.timeZone}, where it is {longDay(facts.today)}. An owner can change it.
      </p>
    )
  }
  return (
    <Form
      of={of}
      label="The household"
      send={(body) => api.PUT('/api/household', { body })}
      done={({ name }) => says.note(`${name} is changed.`)}
    >
      <Row>
        <TextField name="name" label="Household" needed="Type the name of the household." />
        <SelectField
          name="timeZone"
          label="Time zone"
          className="w-[220px]"
          options={zones(facts.timeZone).map((zone) => ({ value: zone, name: zone }))}
        />
        <Beside>
          <Button type="submit">Save</Button>
          <span className="text-ink-2">it is {longDay(facts.today)} there</span>
        </Beside>
      </Row>
    </Form>
  )
}

const TAX_PERIODS: { value: Book['taxPeriod']; name: string }[] = [
  { value: 'MONTH', name: 'every month' },
  { value: 'QUARTER', name: 'every quarter' },
  { value: 'YEAR', name: 'every year' },
]

function BookFacts({ book }: { book: Book }) {
  const of = useOwnForm({
    name: book.name,
    month: String(book.fiscalYearStartsIn),
    taxNumber: book.taxNumber,
    taxedFrom: dayText(book.taxedFrom),
    usualTaxRateId: book.usualTaxRateId ?? '',
    taxPeriod: book.taxPeriod,
  })
  const { data: rates = [] } = useQuery(taxRates)
  const says = useSays()
  return (
    <Form
      of={of}
      label={`Facts of ${book.name}`}
      fieldOf={{ fiscalYearStartsIn: 'month' }}
      send={({ name, month, taxNumber, taxedFrom, usualTaxRateId, taxPeriod }) =>
        api.PUT('/api/books/{id}', {
          params: { path: { id: book.id }, query: { version: book.version } },
          body: {
            name,
            fiscalYearStartsIn: Number(month),
            taxNumber,
            taxedFrom: taxedFrom || undefined,
            usualTaxRateId: usualTaxRateId || undefined,
            taxPeriod,
          },
        })
      }
      done={({ name }) => says.done(`${name} is changed.`)}
    >
      <Row>
        <TextField name="name" label="Name" needed="Type the name of the book." />
        <SelectField name="month" label="Fiscal year starts in" className="w-[140px]" options={monthOptions} />
        <TextField name="taxNumber" label="Sales-tax number" placeholder="not registered" />
        <DateField name="taxedFrom" label="Registered from" className="w-[150px]" />
        <SelectField
          name="usualTaxRateId"
          label="Usual tax rate"
          className="w-[150px]"
          options={[
            { value: '', name: 'none' },
            ...rates.filter((r) => r.bookId === book.id).map((r) => ({ value: r.id, name: r.name })),
          ]}
        />
        <SelectField name="taxPeriod" label="Sales tax returned" className="w-[140px]" options={TAX_PERIODS} />
        <Beside>
          <Button type="submit">Save</Button>
        </Beside>
      </Row>
    </Form>
  )
}

function NewBook() {
  const of = useOwnForm({ name: '', currency: 'EUR', month: '1', starter: 'SIDE_BUSINESS' as Starter }, 'a new book')
  const says = useSays()
  return (
    <Form
      of={of}
      label="A new book"
      send={({ name, currency, month, starter }) =>
        api.POST('/api/books', { body: { name, currency, fiscalYearStartsIn: Number(month), starter } })
      }
      done={({ name }) => {
        says.done(`${name} is a book now.`)
        of.again()
      }}
    >
      <Row>
        <TextField name="name" label="Name" needed="Type the name of the book." />
        <CurrencyField name="currency" label="Base currency" className="w-[190px]" />
        <SelectField name="month" label="Fiscal year starts in" className="w-[140px]" options={monthOptions} />
        <SelectField name="starter" label="Starter chart" className="w-[140px]" options={STARTERS} />
        <Beside>
          <Button type="submit">Begin it</Button>
        </Beside>
      </Row>
    </Form>
  )
}

type Starter = Schemas['NewBookJson']['starter']
