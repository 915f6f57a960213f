import { Link, useNavigate } from 'react-router'
import type { Schemas } from '@/api/client'
import { useCommands } from '@/app/commands'
import { useScopeSearch } from '@/app/scope'
import { Apart } from '@/parts/Amount'
import { figure, longDay, longMonth } from '@/parts/figures'
import { type Column, Grid, type Item } from '@/parts/grid/Grid'
import { Icon } from '@/parts/Icon'
import { textLink } from '@/parts/look'
import { Ring } from '@/parts/Ring'
import type { Selection } from '@/parts/useSelection'

type Book = Schemas['BookToCloseJson']
type Check = Schemas['CloseCheckJson']
type AccountRow = Schemas['AccountRowJson']

/** One line of the checklist: a check of a book, or one of the accounts that a check is about. */
export type CheckRow =
  | { book: Book; check: Check; account?: undefined }
  | { book: Book; account: Schemas['CloseAccountJson']; says: AccountRow | undefined; place: string; check?: undefined }

/** The checks of each book, every account below the check that all of them agree. */
export function rowsOf(books: Book[], accounts: AccountRow[]): CheckRow[] {
  return books.flatMap((book) =>
    book.checks.flatMap((check): CheckRow[] => [
      { book, check },
      ...(check.kind === 'ACCOUNTS_AGREE'
        ? book.accounts.map((account) => {
            const says = accounts.find((row) => row.accountId === account.accountId)
            return { book, account, says, place: placeOf(book, account.accountId, says) }
          })
        : []),
    ]),
  )
}

export const keyOf = ({ book, check, account }: CheckRow) => `${book.bookId} ${check?.kind ?? account?.accountId}`

const COLUMNS: Column[] = [
  { head: <span className="sr-only">Met</span>, width: 'w-[44px]' },
  { head: 'What the books must show' },
  { head: 'Bank says', width: 'w-[108px]', end: true },
  { head: 'Books say', width: 'w-[108px]', end: true },
  { head: 'Apart', width: 'w-[90px]', end: true },
  { head: 'To settle it', width: 'w-[34%]' },
]

/** Where what is left is settled. */
const WHERE: Partial<Record<Check['kind'], { to: string; label: string }>> = {
  ACCOUNTS_AGREE: { to: '/reconcile', label: 'Reconcile' },
  NOTHING_WAITS: { to: '/post', label: 'Post them' },
  NOTHING_IN_SUSPENSE: { to: '/journal', label: 'Find it in the journal' },
  DIFFERENCES_EXPLAINED: { to: '/journal', label: 'Find them in the journal' },
  DUE_SETTLED: { to: '/plan/ahead', label: 'See what is due' },
  TAX_RETURNED: { to: '/reports/sales-tax', label: 'Look at it and record it' },
}

/** What the books must show, worked out from them, with what bank and books say of each account. */
export function Checklist({ books, rows, selection }: { books: Book[]; rows: CheckRow[]; selection: Selection }) {
  const navigate = useNavigate()
  const search = useScopeSearch()
  const open = (row: CheckRow | undefined) => {
    if (row?.account) navigate(row.place + search)
    else if (row?.check && !row.check.met) navigate((WHERE[row.check.kind]?.to ?? '/close') + search)
  }
  useCommands([
    {
      keys: ['v'],
      label: 'Go where it is settled',
      strip: 'settle it',
      onRow: true,
      run: () => open(rows.find((row) => keyOf(row) === selection.selected)),
    },
  ])
  const items = books.flatMap((book): Item<CheckRow>[] => [
    { key: book.bookId, height: 36, band: <BookBand book={book} /> },
    ...rows.filter((row) => row.book === book).map((row) => ({ key: keyOf(row), row })),
  ])
  return (
    <Grid
      label="What the books must show"
      columns={COLUMNS}
      items={items}
      selection={selection}
      onOpen={open}
      cells={(row, { tabIndex }) =>
        row.check ? (
          <CheckCells book={row.book} check={row.check} tabIndex={tabIndex} />
        ) : (
          <AccountCells row={row} tabIndex={tabIndex} />
        )
      }
    />
  )
}

function BookBand({ book }: { book: Book }) {
  const met = book.checks.filter((check) => check.met).length
  return (
    <td colSpan={COLUMNS.length}>
      <span className="font-serif text-lead">{book.bookName}</span>{' '}
      <span className="text-ink-2">
        {book.closed
          ? `closed through ${longMonth(book.closedThrough ?? book.month)}`
          : `${met} of ${book.checks.length} checks are met`}
      </span>
    </td>
  )
}

function CheckCells({ book, check, tabIndex }: { book: Book; check: Check; tabIndex: 0 | -1 }) {
  const search = useScopeSearch()
  const where = check.met ? undefined : WHERE[check.kind]
  return (
    <>
      <td className={`text-clip ${check.met ? 'text-needle' : 'text-heartwood'}`}>
        <Icon name={check.met ? 'check' : 'circle'} />
        <span className="sr-only">{check.met ? 'met' : 'not met yet'}</span>
      </td>
      <td colSpan={4}>
        <b className="font-medium">{check.name}</b>{' '}
        {check.kind === 'ACCOUNTS_AGREE' && (
          <span className="text-ink-2">
            {book.accounts.filter((account) => account.agrees).length} of {book.accounts.length}
          </span>
        )}
      </td>
      <td className="text-ink-2" title={check.open}>
        {where && (
          <>
            <Link className={textLink()} tabIndex={tabIndex} to={where.to + search}>
              {where.label}
            </Link>
            :{' '}
          </>
        )}
        {check.met ? 'nothing to do' : check.open}
      </td>
    </>
  )
}

/** The statement that agrees or does not, where one closes in the month; the account's page otherwise. */
function placeOf(book: Book, accountId: string, says: AccountRow | undefined) {
  const statement = says?.months.find((cell) => cell.month === book.month)?.statementId
  return statement ? `/reconcile/${statement}` : `/accounts/${accountId}`
}

function AccountCells({
  row: { account, says, place },
  tabIndex,
}: {
  row: Extract<CheckRow, { place: string }>
  tabIndex: 0 | -1
}) {
  const search = useScopeSearch()
  return (
    <>
      <td />
      <td>
        <span className="flex items-center gap-2">
          <Ring state={account.agrees ? 'AGREED' : 'NO_STATEMENT'} share={0} size={14} label={null} />
          <Link className="truncate underline-offset-[2.5px] hover:underline" tabIndex={tabIndex} to={place + search}>
            {account.name}
          </Link>
          {says && <span className="text-small text-ink-3">{says.currency}</span>}
        </span>
      </td>
      <td className="text-right">{says?.bankSays ? figure(says.bankSays) : '–'}</td>
      <td className="text-right">{says ? figure(says.booksSay) : '–'}</td>
      <td className="text-right">{says?.apart ? <Apart amount={says.apart} /> : '–'}</td>
      <td className="text-small text-ink-2">
        {account.agreedThrough ? `agreed through ${longDay(account.agreedThrough)}` : 'not agreed yet'}
      </td>
    </>
  )
}
