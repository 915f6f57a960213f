import { Button } from '@/parts/Button'
import { pick } from '@/parts/look'
import { type Option, Select } from '@/parts/Select'
import type { OpenQuestion, ReadTable, Written } from './questions'
import type { Layout, Source } from './types'

const SEPARATORS = [
  { value: ';', name: 'semicolons' },
  { value: ',', name: 'commas' },
  { value: '\t', name: 'tabs' },
  { value: '|', name: 'bars' },
]
const ENCODINGS = [
  { value: 'UTF-8', name: 'UTF-8' },
  { value: 'windows-1252', name: 'Windows-1252' },
  ...['ISO-8859-1', 'ISO-8859-15', 'UTF-16', 'UTF-16LE', 'UTF-16BE'].map((name) => ({ value: name, name })),
]
const MARKS: Option<NonNullable<Layout['decimalMark']> | ''>[] = [
  { value: 'COMMA', name: 'decimal comma' },
  { value: 'POINT', name: 'decimal point' },
]
const ORDERS: Option<NonNullable<Layout['dateOrder']> | ''>[] = [
  { value: 'DAY_MONTH_YEAR', name: 'day month year' },
  { value: 'MONTH_DAY_YEAR', name: 'month day year' },
  { value: 'YEAR_MONTH_DAY', name: 'year month day' },
]

/** What a person says of how a table is read. */
type SaidOfTable<S> = Partial<Omit<Written, 'sign' | 'meanings'>> & { sign?: S; meanings?: never[] }

/** How a table is read, as one sentence with picks. */
export function TableSentence<S extends string>({
  source,
  table,
  asks,
  signs,
  kind,
  set,
}: {
  source: Source
  table: ReadTable
  /** What the file does not settle and is still to be asked. */
  asks: OpenQuestion[]
  /** How money out may be told from money in. */
  signs: Option<S>[]
  /** What its rows are. */
  kind: 'line' | 'entry'
  set: (to: SaidOfTable<S>) => void
}) {
  const layout = table.layout
  const oneColumn = layout.meanings.includes('AMOUNT') && !layout.meanings.includes('MARK')
  const markAsked = asks.includes('decimalMark')
  const orderAsked = asks.includes('dateOrder')
  const signAsked = asks.includes('sign')
  return (
    <p className="mt-2.5 mb-3.5 px-6 font-serif text-[16px]/[29px]">
      {source === 'XLSX' ? (
        'Read as a workbook'
      ) : (
        <>
          Read as{' '}
          <Select
            word="plain"
            aria-label="Encoding"
            value={layout.encoding ?? ''}
            options={ENCODINGS}
            onChange={(encoding) => set({ encoding })}
          />
          , parted by{' '}
          <Select
            word="plain"
            aria-label="Separator"
            value={layout.separator ?? ''}
            options={SEPARATORS}
            onChange={(separator) => set({ separator, headerLine: undefined, meanings: [] })}
          />
        </>
      )}
      , names in line{' '}
      <input
        key={layout.headerLine}
        className={pick({ className: 'w-[44px]' })}
        aria-label="Line of the names"
        inputMode="numeric"
        defaultValue={layout.headerLine}
        onBlur={(e) => {
          const line = Number(e.target.value)
          if (line > 0 && line !== layout.headerLine) set({ headerLine: line, meanings: [] })
        }}
      />
      , amounts with a{' '}
      <Select
        word={markAsked ? 'ask' : 'plain'}
        aria-label="Decimal mark"
        empty="choose: comma or point"
        value={markAsked ? '' : (layout.decimalMark ?? '')}
        options={MARKS}
        onChange={(mark) => mark && set({ decimalMark: mark })}
      />
      {oneColumn && (
        <>
          , money out{' '}
          <Select
            word={signAsked ? 'ask' : 'plain'}
            aria-label="Sign of money out"
            empty="choose: no amount has a minus"
            value={signAsked ? '' : ((layout.sign ?? '') as S | '')}
            options={signs as Option<S | ''>[]}
            onChange={(sign) => sign && set({ sign })}
          />
        </>
      )}
      , dates as{' '}
      <Select
        word={orderAsked ? 'ask' : 'plain'}
        aria-label="Date order"
        empty="choose the order"
        value={orderAsked ? '' : (layout.dateOrder ?? '')}
        options={ORDERS}
        onChange={(order) => order && set({ dateOrder: order })}
      />
      <Why table={table} asked={orderAsked} />
      <Others
        table={table}
        kind={kind}
        asked={asks.includes('leaveOutOthers')}
        leaveOut={() => set({ leaveOutOthers: true })}
      />
    </p>
  )
}

/** Rows that are no lines, such as totals: they are shown and left out only when the person says so. */
function Others({
  table,
  kind,
  asked,
  leaveOut,
}: {
  table: ReadTable
  kind: 'line' | 'entry'
  asked: boolean
  leaveOut: () => void
}) {
  if (table.otherCount === 0) return null
  const shown = table.others
    .slice(0, 3)
    .map((r) => `${r.line} \u201c${r.cells.filter(Boolean).join(' ').slice(0, 40)}\u201d`)
  const more = table.otherCount - shown.length
  const rows = table.otherCount === 1 ? 'Row ' : 'Rows '
  const are = table.otherCount === 1 ? ` is no ${kind}` : ` are no ${kind === 'entry' ? 'entries' : 'lines'}`
  return (
    <>
      {' '}
      {rows}
      {shown.join(', ')}
      {more > 0 && ` and ${more} more`}
      {are}:{' '}
      {asked ? (
        <Button size="small" onClick={leaveOut}>
          Leave {table.otherCount === 1 ? 'it' : 'them'} out
        </Button>
      ) : (
        <>left out.</>
      )}
    </>
  )
}

function Why({ table, asked }: { table: ReadTable; asked: boolean }) {
  if (asked) return <span className="text-heartwood">; nothing in the file settles it.</span>
  if (table.remembered) return <>, all as last time.</>
  if (table.dateEvidence) {
    return (
      <>
        , which {table.dateEvidence} in line {table.dateEvidenceLine} settles.
      </>
    )
  }
  return <>.</>
}
