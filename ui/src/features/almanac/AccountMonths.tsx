import { Link } from 'react-router'
import type { Schemas } from '@/api/client'
import { useScopeSearch } from '@/app/scope'
import { Apart } from '@/parts/Amount'
import { counted, day, figure, longMonth, monthName, shortMonth, signed, yearOf } from '@/parts/figures'
import { Ring, stateInWords } from '@/parts/Ring'

type Page = Schemas['AlmanacPageJson']
type Row = Schemas['AccountRowJson']
type Cell = Schemas['CellJson']

const SOURCES = {
  FILE: 'statement',
  PAPER: 'on paper',
  COUNT: 'counted',
  TO_COUNT: 'to count',
  FEED: 'feed',
  TO_COME: 'to come',
} as const

/** Of the column of a month, by how many there are. */
const WIDTHS: Record<number, string> = {
  12: 'w-[45px] narrow:w-[30px]',
  24: 'w-[23px] narrow:w-[15px]',
  36: 'w-[15px] narrow:w-[10px]',
}

/** Where a year and more is shown there is room for a letter and a small ring alone. */
const isTight = (page: Page) => page.months.length > 12

const MONTH = 'px-0 text-center [&_svg]:mx-auto'
const NOW = 'bg-dusk-tint/55'
const FOCUSED = 'rounded-[5px] shadow-[inset_0_0_0_2px_var(--dusk)]'
const SOURCE = 'pl-[18px] narrow:pl-2.5'
const ROW = '[&>*]:pt-[5px] [&>*]:leading-[22px]'
const GROUP =
  '[&>*]:h-[30px] [&>*]:border-hairline-2 [&>*]:pt-1.5 [&>*]:leading-5 [tbody+tbody_&>*]:h-[38px] [tbody+tbody_&>*]:pt-[13px]'
const NAME = 'font-medium underline-offset-[2.5px] hover:underline'
const UNDER = '-mt-[3px] block text-[11.5px]/[12px] font-normal text-ink-2'

/** Accounts by months, and what bank and books say at the end of the chosen month. */
export function AccountMonths({
  page,
  focus,
  balancesOn,
}: {
  page: Page
  focus: { account: string | undefined; month: string }
  balancesOn: string
}) {
  return (
    <table
      className="cells:overflow-visible cells:border-b cells:border-hairline cells:px-1.5 cells:align-top heads:h-9 heads:border-hairline-2 heads:pb-[5px] heads:align-bottom heads:text-small/[14px] heads:text-ink-2 starts:pl-0 ends:pr-0"
      aria-label="Accounts by months"
    >
      <colgroup>
        <col />
        {page.months.map((m) => (
          <col key={m} className={WIDTHS[page.months.length]} />
        ))}
        <col className="w-[104px] narrow:w-[84px]" />
        <col className="w-[112px] narrow:w-[88px]" />
        <col className="w-[112px] narrow:w-[88px]" />
        <col className="w-[112px] narrow:w-[88px]" />
      </colgroup>
      <thead>
        <tr>
          <th>
            <span className="sr-only">Account</span>
          </th>
          {page.months.map((m, i) => (
            <th key={m} scope="col" className={m === page.month ? `${MONTH} ${NOW} font-semibold text-ink` : MONTH}>
              {(i === 0 && !isTight(page)) || m.endsWith('-01') ? (
                <span className="block whitespace-nowrap">{yearOf(m)}</span>
              ) : (
                <br />
              )}
              {isTight(page) ? (
                <>
                  <span aria-hidden="true">{shortMonth(m).charAt(0)}</span>
                  <span className="sr-only">{longMonth(m)}</span>
                </>
              ) : (
                shortMonth(m)
              )}
            </th>
          ))}
          <th className={SOURCE} scope="col">
            {balancesOn}
            <br />
            from
          </th>
          <th className="text-right" scope="col">
            Bank says
          </th>
          <th className="text-right" scope="col">
            Books say
          </th>
          <th className="text-right" scope="col">
            Apart
          </th>
        </tr>
      </thead>
      {page.books.map((book) => (
        <tbody key={book.bookId}>
          <tr className={GROUP}>
            <th scope="rowgroup" className="font-serif text-lead">
              {book.name}
            </th>
            <td colSpan={page.months.length} className="pt-2.5 pr-0 pl-0 [tbody+tbody_&]:pt-[17px]">
              <ClosedRun months={page.months} first={firstOpen(book)} through={book.closedThrough} />
            </td>
            <td colSpan={4} className="pl-[18px] text-small text-ink-2">
              {standing(book, page)}
            </td>
          </tr>
          {book.accounts.map((row) => (
            <AccountRow key={row.accountId} row={row} page={page} focus={focus} />
          ))}
        </tbody>
      ))}
    </table>
  )
}

/** How far a book is closed, and whether it can be further. */
function standing(book: Page['books'][number], page: Page): string {
  const name = (month: string) => (yearOf(month) === yearOf(page.month) ? monthName(month) : longMonth(month))
  const closed = book.closedThrough ? `closed through ${name(book.closedThrough)}` : 'no month closed yet'
  return book.toClose ? `${closed}; ${name(book.toClose)} agrees and can be closed` : closed
}

function AccountRow({
  row,
  page,
  focus,
}: {
  row: Row
  page: Page
  focus: { account: string | undefined; month: string }
}) {
  const search = useScopeSearch()
  const now = row.months.find((c) => c.month === page.month)
  const tight = isTight(page)
  const two = row.waiting > 0 || row.source === 'FEED' || Boolean(now?.difference && !tight)
  return (
    <tr className={two ? `${ROW} [&>*]:h-[45px]` : `${ROW} [&>*]:h-8`}>
      <th scope="row">
        <Link className={NAME} to={`/accounts/${row.accountId}${search}`}>
          {row.name}
        </Link>{' '}
        {row.tail && <span className="text-ink-3 text-small">..{row.tail}</span>}
        <span className="float-right mr-3.5 text-small text-ink-3 narrow:hidden">{row.currency}</span>
      </th>
      {row.months.map((cell) => (
        <MonthCell
          key={cell.month}
          cell={cell}
          row={row}
          tight={tight}
          now={cell.month === page.month}
          focused={row.accountId === focus.account && cell.month === focus.month}
        />
      ))}
      <td className={`${SOURCE} text-small text-ink-2`}>
        {SOURCES[row.source]}
        {row.source === 'FEED' && row.bankOn && <span className={UNDER}>{day(row.bankOn)}</span>}
      </td>
      <td className="text-right">{row.bankSays ? figure(row.bankSays) : '–'}</td>
      <td className="text-right">{figure(row.booksSay)}</td>
      <td className="text-right font-semibold">
        {row.apart ? <Apart amount={row.apart} /> : <span className="text-ink-3">–</span>}
        {row.waiting > 0 && <span className={UNDER}>{counted(row.waiting, 'line')} to post</span>}
      </td>
    </tr>
  )
}

function MonthCell({
  cell,
  row,
  tight,
  now,
  focused,
}: {
  cell: Cell
  row: Row
  tight: boolean
  now: boolean
  focused: boolean
}) {
  const search = useScopeSearch()
  const apart = tight && cell.difference ? `, ${signed(cell.difference)} apart` : ''
  const words = `${row.name}, ${longMonth(cell.month)}: ${stateInWords(cell.state, cell.share)}${apart}`
  const ring = (
    <Ring
      state={cell.state}
      share={cell.share}
      size={tight ? 12 : 22}
      apart={apart !== ''}
      label={cell.statementId ? null : words}
    />
  )
  const classes = [MONTH, tight && '[&_svg]:mt-[5px]', now && NOW, focused && FOCUSED].filter(Boolean).join(' ')
  return (
    <td className={classes}>
      {cell.statementId ? (
        <Link
          className="block rounded-[5px]"
          to={`/reconcile/${cell.statementId}${search}`}
          aria-label={words}
          tabIndex={now ? 0 : -1}
        >
          {ring}
        </Link>
      ) : (
        ring
      )}
      {cell.difference && !tight && (
        <span
          className={`-mx-2 mt-px block text-micro/[12px] font-normal text-aril ${cell.difference.length > 7 ? 'tracking-[-0.02em]' : ''}`}
        >
          {signed(cell.difference)}
        </span>
      )}
    </td>
  )
}

/** The first month shown in which one of its accounts was open. */
function firstOpen(book: Page['books'][number]): string | undefined {
  const opens = book.accounts.flatMap((row) => row.months.find((cell) => cell.state !== 'NOT_OPEN')?.month ?? [])
  return opens.sort()[0]
}

/** The closed months of a book, as one line over their columns. */
function ClosedRun({
  months,
  first,
  through,
}: {
  months: string[]
  first: string | undefined
  through: string | undefined
}) {
  if (!through || !first || through < first) return null
  const place = (month: string) => ((months.filter((m) => m <= month).length - 0.5) / months.length) * 100
  const start = place(first)
  const end = place(through)
  return (
    <svg width="100%" height="12" role="img" aria-label={`closed through ${longMonth(through)}`}>
      <line x1={`${start}%`} x2={`${end}%`} y1="6" y2="6" stroke="var(--needle-2)" strokeWidth="1.5" />
      <circle cx={`${start}%`} cy="6" r="2.5" fill="var(--needle-2)" />
      <line x1={`${end}%`} x2={`${end}%`} y1="1.5" y2="10.5" stroke="var(--needle-2)" strokeWidth="1.5" />
    </svg>
  )
}
