import { Link } from 'react-router'
import type { Schemas } from '@/api/client'
import { useScopeSearch } from '@/app/scope'
import { Apart } from '@/parts/Amount'
import { counted, day, figure, longMonth, monthName, shortMonth, signed, yearOf } from '@/parts/figures'
import { Ring, stateInWords } from '@/parts/Ring'

type Page = Schemas['AlmanacPageJson']
type Row = Schemas['AccountRowJson']
type Cell = Schemas['CellJson']

const SOURCES = { FILE: 'statement', PAPER: 'on paper', FEED: 'feed', TO_COME: 'to come' } as const

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
    <table className="alm" aria-label="Accounts by months">
      <colgroup>
        <col />
        {page.months.map((m) => (
          <col key={m} className="month" />
        ))}
        <col className="source" />
        <col className="money" />
        <col className="money" />
        <col className="money" />
      </colgroup>
      <thead>
        <tr>
          <th>
            <span className="vh">Account</span>
          </th>
          {page.months.map((m, i) => (
            <th key={m} scope="col" className={m === page.month ? 'c now' : 'c'}>
              {i === 0 || m.endsWith('-01') ? yearOf(m) : ' '}
              <br />
              {shortMonth(m)}
            </th>
          ))}
          <th className="src" scope="col">
            {balancesOn}
            <br />
            from
          </th>
          <th className="n" scope="col">
            Bank says
          </th>
          <th className="n" scope="col">
            Books say
          </th>
          <th className="n" scope="col">
            Apart
          </th>
        </tr>
      </thead>
      {page.books.map((book) => (
        <tbody key={book.bookId}>
          <tr className="grp">
            <th scope="rowgroup" className="serif">
              {book.name}
            </th>
            <td colSpan={page.months.length} className="run">
              <AgreedRun months={page.months} through={book.agreedThrough} />
            </td>
            <td colSpan={4} className="q s">
              {book.agreedThrough ? `agreed through ${agreedName(book.agreedThrough, page)}` : 'nothing agreed yet'}
            </td>
          </tr>
          {book.accounts.map((row) => (
            <AccountRow key={row.accountId} row={row} page={page} focus={focus} />
          ))}
          {book.cash.map((row) => (
            <CashRow key={row.accountId} row={row} months={page.months.length} />
          ))}
        </tbody>
      ))}
    </table>
  )
}

function agreedName(month: string, page: Page): string {
  return yearOf(month) === yearOf(page.month) ? monthName(month) : longMonth(month)
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
  const two = row.waiting > 0 || row.source === 'FEED' || Boolean(now?.difference)
  return (
    <tr className={two ? 'two' : undefined}>
      <th scope="row">
        <Link className="nm" to={`/accounts/${row.accountId}${search}`}>
          {row.name}
        </Link>{' '}
        {row.tail && <span className="qq s">..{row.tail}</span>}
        <span className="cur">{row.currency}</span>
      </th>
      {row.months.map((cell) => (
        <MonthCell
          key={cell.month}
          cell={cell}
          row={row}
          now={cell.month === page.month}
          focused={row.accountId === focus.account && cell.month === focus.month}
        />
      ))}
      <td className="src q s">
        {SOURCES[row.source]}
        {row.source === 'FEED' && row.bankOn && <span className="nt">{day(row.bankOn)}</span>}
      </td>
      <td className="n">{row.bankSays ? figure(row.bankSays) : '–'}</td>
      <td className="n">{figure(row.booksSay)}</td>
      <td className="n b">
        {row.apart ? <Apart amount={row.apart} /> : <span className="qq">–</span>}
        {row.waiting > 0 && <span className="nt">{counted(row.waiting, 'line')} to post</span>}
      </td>
    </tr>
  )
}

/** Cash: no bank says anything of it; what the books say is what should be in the purse. */
function CashRow({ row, months }: { row: Schemas['CashRowJson']; months: number }) {
  const search = useScopeSearch()
  return (
    <tr>
      <th scope="row">
        <Link className="nm" to={`/accounts/${row.accountId}${search}`}>
          {row.name}
        </Link>
        <span className="cur">{row.currency}</span>
      </th>
      <td colSpan={months} />
      <td className="src q s">cash</td>
      <td className="n">–</td>
      <td className="n">{figure(row.booksSay)}</td>
      <td className="n">
        <span className="qq">–</span>
      </td>
    </tr>
  )
}

function MonthCell({ cell, row, now, focused }: { cell: Cell; row: Row; now: boolean; focused: boolean }) {
  const search = useScopeSearch()
  const words = `${row.name}, ${longMonth(cell.month)}: ${stateInWords(cell.state, cell.share)}`
  const ring = <Ring state={cell.state} share={cell.share} label={cell.statementId ? null : words} />
  const classes = ['c', now && 'now', focused && 'foc'].filter(Boolean).join(' ')
  return (
    <td className={classes}>
      {cell.statementId ? (
        <Link to={`/reconcile/${cell.statementId}${search}`} aria-label={words} tabIndex={now ? 0 : -1}>
          {ring}
        </Link>
      ) : (
        ring
      )}
      {cell.difference && (
        <span className={cell.difference.length > 7 ? 'df long apart' : 'df apart'}>{signed(cell.difference)}</span>
      )}
    </td>
  )
}

/** The months agreed in all accounts of a book, as one line over their columns. */
function AgreedRun({ months, through }: { months: string[]; through: string | undefined }) {
  if (!through || !months[0] || through < months[0]) return null
  const count = months.filter((m) => m <= through).length
  const end = ((count - 0.5) / months.length) * 100
  const start = 0.5 * (100 / months.length)
  return (
    <svg width="100%" height="12" role="img" aria-label={`agreed through ${longMonth(through)}`}>
      <line x1={`${start}%`} x2={`${end}%`} y1="6" y2="6" stroke="var(--needle-2)" strokeWidth="1.5" />
      <circle cx={`${start}%`} cy="6" r="2.5" fill="var(--needle-2)" />
      <line x1={`${end}%`} x2={`${end}%`} y1="1.5" y2="10.5" stroke="var(--needle-2)" strokeWidth="1.5" />
    </svg>
  )
}
