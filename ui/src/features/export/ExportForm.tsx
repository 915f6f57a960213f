import { useEffect, useRef, useState } from 'react'
import { useWatch } from 'react-hook-form'
import { api, data, messageOf } from '@/api/client'
import { useSays } from '@/app/says'
import { useScope } from '@/app/scope'
import { AccountField } from '@/parts/AccountPicker'
import { Button } from '@/parts/Button'
import { Foot, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { SelectField, TextField, TimeField } from '@/parts/form/fields'
import { noteBox } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { InspectorHead } from '@/parts/View'
import { zones } from '@/parts/zones'
import { ColumnList } from './ColumnList'
import {
  begun,
  DAY_FORMS,
  DAYS,
  EVERY,
  type Exports,
  FORMATS,
  isStatement,
  type Kept,
  MODES,
  ROWS,
  type Typed,
  type Wanted,
  WEEKDAYS,
  wanted,
} from './export'

const MARKS = [
  { value: 'POINT', name: 'a point, cells parted by commas' },
  { value: 'COMMA', name: 'a comma, cells parted by semicolons' },
]
const GOES = [
  { value: 'FETCHED', name: 'is fetched' },
  { value: 'WRITTEN', name: 'is written into a file' },
]
const MONTH_DAYS = Array.from({ length: 31 }, (_, i) => ({
  value: String(i + 1),
  name: i === 30 ? '31, or the last' : String(i + 1),
}))

/** An export being saved or changed: which rows and columns, in which form, where to. */
export function ExportForm({
  kept,
  all,
  onSaved,
  onClose,
}: {
  kept?: Kept
  all: Exports
  onSaved?: (id: string) => void
  onClose: () => void
}) {
  const says = useSays()
  const { book } = useScope()
  const columnsOf = (rows: Wanted['of']) => all.choices.find((c) => c.of === rows)?.columns ?? []
  const of = useOwnForm<Typed>(begun(kept?.wanted, columnsOf('ENTRIES')), `export ${kept?.id ?? 'new'}`)
  const typed = useWatch({ control: of.form.control }) as Typed
  const bookId = kept ? kept.wanted.bookId : book
  const statement = isStatement(typed.format)
  function leave() {
    of.forget()
    onClose()
  }
  async function send(values: Typed) {
    const body = wanted(values, bookId)
    if (kept) {
      await data(
        api.PUT('/api/exports/{id}', { params: { path: { id: kept.id }, query: { version: kept.version } }, body }),
      )
    } else {
      onSaved?.(await data(api.POST('/api/exports', { body })))
    }
    says.done(`${values.name.trim()} is saved.`)
  }
  return (
    <Form
      of={of}
      label={kept ? 'Change the export' : 'New export'}
      className="flex flex-1 flex-col gap-3"
      fieldOf={{ text: 'filter', on: 'every' }}
      send={send}
      done={onClose}
    >
      <InspectorHead title={kept ? `Change ${kept.wanted.name}` : 'New export'}>
        {bookId ? 'Of the chosen book.' : 'Of all books.'}
      </InspectorHead>
      <TextField name="name" label="Name" needed="Give it a name." autoFocus />
      <Row>
        <SelectField
          name="of"
          label="Rows"
          className="w-[130px]"
          options={ROWS}
          onChosen={(rows) => of.form.setValue('columns', columnsOf(rows as Wanted['of']))}
        />
        <SelectField name="days" label="Of" className="w-[150px]" options={DAYS} />
        <SelectField name="format" label="As" className="w-[110px]" options={FORMATS} />
      </Row>
      {typed.of === 'LINES' && (
        <AccountField
          name="accountId"
          label="Account"
          bookId={bookId}
          only={(account) => account.hasStatements}
          needed={statement ? 'A statement is of one account: choose it.' : undefined}
        />
      )}
      {!statement && (
        <TextField
          name="filter"
          label="Only"
          hint={
            typed.of === 'LINES'
              ? 'Words that stand in the line. Empty for all.'
              : 'As you look for entries in the journal: category:groceries >50. Empty for all.'
          }
        />
      )}
      {!statement && (
        <ColumnList
          columns={typed.columns}
          choices={columnsOf(typed.of)}
          onColumns={(columns) => of.form.setValue('columns', columns)}
        />
      )}
      {typed.format === 'CSV' && (
        <Row>
          <SelectField name="dayForm" label="Days as" className="w-[120px]" options={DAY_FORMS} />
          <SelectField name="comma" label="Decimals behind" className="w-[250px]" options={MARKS} />
        </Row>
      )}
      <SelectField name="goes" label="It" className="w-[190px]" options={GOES} />
      {typed.goes === 'WRITTEN' && <Written typed={typed} folder={all.folder} />}
      {!statement && <Look wanted={wanted(typed, bookId, false)} />}
      <Foot go={kept ? 'Save it' : 'Save the export'} onLeave={leave} />
    </Form>
  )
}

function Written({ typed, folder }: { typed: Typed; folder: string | undefined }) {
  return (
    <>
      <TextField
        name="file"
        label="File"
        needed="Name the file, such as taxes/entries.csv."
        hint={
          folder
            ? `In ${folder}, on the machine that runs these books.`
            : 'Whoever keeps the machine has set no folder for exports yet.'
        }
      />
      <Row>
        <SelectField name="mode" label="What is there" className="w-[170px]" options={MODES} />
        <SelectField name="every" label="Written" className="w-[130px]" options={EVERY} />
      </Row>
      <Row>
        {typed.every === 'WEEK' && <SelectField name="weekday" label="On" className="w-[130px]" options={WEEKDAYS} />}
        {typed.every === 'MONTH' && (
          <SelectField name="monthDay" label="On day" className="w-[130px]" options={MONTH_DAYS} />
        )}
        <TimeField name="at" label="At" className="w-[80px]" needed="Type a time of day such as 06:30." />
        <SelectField
          name="zone"
          label="In"
          className="w-[190px]"
          options={zones(typed.zone).map((zone) => ({ value: zone, name: zone }))}
        />
      </Row>
    </>
  )
}

/** The last rows as the file would have them, when asked for. */
function Look({ wanted: of }: { wanted: Wanted }) {
  const [seen, setSeen] = useState<{ text?: string; problem?: string }>()
  const box = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (seen) box.current?.scrollIntoView({ block: 'nearest' })
  }, [seen])
  async function look() {
    try {
      const body = { ...of, name: of.name.trim() || 'Export' }
      setSeen({ text: (await data(api.POST('/api/exports/preview', { body }))).text })
    } catch (error) {
      setSeen({ problem: messageOf(error) })
    }
  }
  return (
    <div ref={box} className="flex flex-col gap-2">
      <div>
        <Button size="small" onClick={() => void look()}>
          Look at the last rows
        </Button>
      </div>
      {seen?.problem && (
        <p className={noteBox({ tone: 'bad' })} role="alert">
          {seen.problem}
        </p>
      )}
      {seen?.text !== undefined && (
        <Scroll label="The last rows" className="max-h-[180px] flex-none rounded-md border border-hairline bg-leaf">
          <pre className="p-2 text-[11.5px]/[17px]">{seen.text}</pre>
        </Scroll>
      )}
    </div>
  )
}
