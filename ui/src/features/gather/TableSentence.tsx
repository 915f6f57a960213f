import type { OpenQuestion } from './arrivals'
import type { Layout, Preview, Table } from './types'

const SEPARATORS: Record<string, string> = { ';': 'semicolons', ',': 'commas', '\t': 'tabs', '|': 'bars' }
const ENCODINGS = ['UTF-8', 'windows-1252', 'ISO-8859-1', 'ISO-8859-15', 'UTF-16', 'UTF-16LE', 'UTF-16BE']

/** How a table is read, as one sentence with picks. */
export function TableSentence({
  preview,
  table,
  asks,
  set,
}: {
  preview: Preview
  table: Table
  /** What the file does not settle and is still to be asked. */
  asks: OpenQuestion[]
  set: (to: Partial<Layout>) => void
}) {
  const layout = table.layout
  const oneColumn = layout.meanings.includes('AMOUNT') && !layout.meanings.includes('MARK')
  const markAsked = asks.includes('decimalMark')
  const orderAsked = asks.includes('dateOrder')
  const signAsked = asks.includes('sign')
  return (
    <p className="sentence px-6">
      {preview.source === 'XLSX' ? (
        'Read as a workbook'
      ) : (
        <>
          Read as{' '}
          <select
            className="pick"
            aria-label="Encoding"
            value={layout.encoding}
            onChange={(e) => set({ encoding: e.target.value })}
          >
            {ENCODINGS.map((name) => (
              <option key={name} value={name}>
                {name === 'windows-1252' ? 'Windows-1252' : name}
              </option>
            ))}
          </select>
          , parted by{' '}
          <select
            className="pick"
            aria-label="Separator"
            value={layout.separator}
            onChange={(e) => set({ separator: e.target.value, headerLine: undefined, meanings: [] })}
          >
            {Object.entries(SEPARATORS).map(([mark, name]) => (
              <option key={mark} value={mark}>
                {name}
              </option>
            ))}
          </select>
        </>
      )}
      , names in line{' '}
      <input
        key={layout.headerLine}
        className="pick w-[44px]"
        aria-label="Line of the names"
        inputMode="numeric"
        defaultValue={layout.headerLine}
        onBlur={(e) => {
          const line = Number(e.target.value)
          if (line > 0 && line !== layout.headerLine) set({ headerLine: line, meanings: [] })
        }}
      />
      , amounts with a{' '}
      <select
        className={markAsked ? 'pick ask' : 'pick'}
        aria-label="Decimal mark"
        value={markAsked ? '' : layout.decimalMark}
        onChange={(e) => set({ decimalMark: e.target.value as Layout['decimalMark'] })}
      >
        {markAsked && <option value="">choose: comma or point</option>}
        <option value="COMMA">decimal comma</option>
        <option value="POINT">decimal point</option>
      </select>
      {oneColumn && (
        <>
          , money out{' '}
          <select
            className={signAsked ? 'pick ask' : 'pick'}
            aria-label="Sign of money out"
            value={signAsked ? '' : layout.sign}
            onChange={(e) => set({ sign: e.target.value as Layout['sign'] })}
          >
            {signAsked && <option value="">choose: no amount has a minus</option>}
            <option value="OUT_IS_NEGATIVE">with a minus</option>
            <option value="OUT_IS_POSITIVE">without a minus</option>
          </select>
        </>
      )}
      , dates as{' '}
      <select
        className={orderAsked ? 'pick ask' : 'pick'}
        aria-label="Date order"
        value={orderAsked ? '' : layout.dateOrder}
        onChange={(e) => set({ dateOrder: e.target.value as Layout['dateOrder'] })}
      >
        {orderAsked && <option value="">choose the order</option>}
        <option value="DAY_MONTH_YEAR">day month year</option>
        <option value="MONTH_DAY_YEAR">month day year</option>
        <option value="YEAR_MONTH_DAY">year month day</option>
      </select>
      <Why table={table} asked={orderAsked} />
      <Others table={table} asked={asks.includes('leaveOutOthers')} set={set} />
    </p>
  )
}

/** Rows that are no lines, such as totals: they are shown and left out only when the person says so. */
function Others({ table, asked, set }: { table: Table; asked: boolean; set: (to: Partial<Layout>) => void }) {
  if (table.otherCount === 0) return null
  const shown = table.others
    .slice(0, 3)
    .map((r) => `${r.line} \u201c${r.cells.filter(Boolean).join(' ').slice(0, 40)}\u201d`)
  const more = table.otherCount - shown.length
  const rows = table.otherCount === 1 ? 'Row ' : 'Rows '
  const are = table.otherCount === 1 ? ' is no line' : ' are no lines'
  return (
    <>
      {' '}
      {rows}
      {shown.join(', ')}
      {more > 0 && ` and ${more} more`}
      {are}:{' '}
      {asked ? (
        <button type="button" className="btn small" onClick={() => set({ leaveOutOthers: true })}>
          Leave {table.otherCount === 1 ? 'it' : 'them'} out
        </button>
      ) : (
        <>left out.</>
      )}
    </>
  )
}

function Why({ table, asked }: { table: Table; asked: boolean }) {
  if (asked) return <span className="wait">; nothing in the file settles it.</span>
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
