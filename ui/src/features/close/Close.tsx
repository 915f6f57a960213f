import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { booksChanged, session } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { useScope, useScopeSearch } from '@/app/scope'
import { Button } from '@/parts/Button'
import { counted, longDay, longMonth, monthName } from '@/parts/figures'
import { type Column, Grid, type Item } from '@/parts/grid/Grid'
import { Icon } from '@/parts/Icon'
import { factList, noteBox, textLink } from '@/parts/look'
import { Ring } from '@/parts/Ring'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { Acts, Head, Inspector, InspectorHead, Leaf, View } from '@/parts/View'
import { ReopenMonth } from './ReopenMonth'

type Book = Schemas['BookToCloseJson']
type Check = Schemas['CloseCheckJson']

/** What the books must show before a month is closed, and the closing. */
export function Close() {
  const { book, month } = useScope()
  const books = useQuery({
    queryKey: ['closed-months', month, book],
    enabled: month !== undefined,
    queryFn: () => data(api.GET('/api/closed-months', { params: { query: { month: month ?? '', book } } })),
    placeholderData: (previous) => previous,
  })
  if (books.error && !books.data) return <Failed error={books.error} retry={books.refetch} />
  if (!books.data) return <Loading what="the checklist" />
  return <CloseView books={books.data} />
}

type Row = { book: Book; check: Check }

const COLUMNS: Column[] = [
  { head: <span className="sr-only">Met</span>, width: 'w-[44px]' },
  { head: 'What the books must show' },
  { head: 'What is left', width: 'w-[44%]' },
]

const NAMES: Record<Check['kind'], string> = {
  OVER: 'The month is over',
  ACCOUNTS_AGREE: 'Every account agrees',
  NOTHING_WAITS: 'No line waits to be posted',
  NOTHING_IN_SUSPENSE: 'Nothing in suspense',
  DIFFERENCES_EXPLAINED: 'Every difference explained',
}

/** Where what is left is settled. */
const WHERE: Partial<Record<Check['kind'], { to: string; label: string }>> = {
  ACCOUNTS_AGREE: { to: '/reconcile', label: 'Reconcile' },
  NOTHING_WAITS: { to: '/post', label: 'Post them' },
  NOTHING_IN_SUSPENSE: { to: '/journal', label: 'Find it in the journal' },
  DIFFERENCES_EXPLAINED: { to: '/journal', label: 'Find them in the journal' },
}

const keyOf = (row: Row) => `${row.book.bookId} ${row.check.kind}`

function CloseView({ books }: { books: Book[] }) {
  const rows = books.flatMap((book) => book.checks.map((check): Row => ({ book, check })))
  const selection = useSelection(rows.map(keyOf), 'check', rows[0] && keyOf(rows[0]))
  const row = rows.find((r) => keyOf(r) === selection.selected) ?? rows[0]
  const items = books.flatMap((book): Item<Row>[] => [
    { key: book.bookId, height: 36, band: <BookBand book={book} /> },
    ...rows.filter((r) => r.book === book).map((r) => ({ key: keyOf(r), row: r })),
  ])
  const ready = books.filter((book) => book.ready && !book.closed).length
  return (
    <View beside>
      <Leaf>
        <Head
          title={books[0] ? longMonth(books[0].month) : 'Close'}
          about={
            books.every((book) => book.closed)
              ? 'closed: nothing in it changes'
              : ready > 0
                ? `${counted(ready, 'book')} can be closed`
                : 'a month is closed when nothing in it is left to do'
          }
        />
        <Scroll grid label="Checks">
          <Grid
            label="What the books must show"
            columns={COLUMNS}
            items={items}
            selection={selection}
            cells={(r, state) => <CheckCells row={r} tabIndex={state.tabIndex} />}
          />
        </Scroll>
      </Leaf>
      {row && <BookInspector key={row.book.bookId} book={row.book} />}
    </View>
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

function CheckCells({ row: { book, check }, tabIndex }: { row: Row; tabIndex: 0 | -1 }) {
  const search = useScopeSearch()
  const where = check.met ? undefined : WHERE[check.kind]
  return (
    <>
      <td className={`text-clip ${check.met ? 'text-needle' : 'text-heartwood'}`}>
        <Icon name={check.met ? 'check' : 'circle'} />
        <span className="sr-only">{check.met ? 'met' : 'not met yet'}</span>
      </td>
      <td>
        <b className="font-medium">{NAMES[check.kind]}</b>{' '}
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

function BookInspector({ book }: { book: Book }) {
  const says = useSays()
  const { data: me } = useQuery(session)
  const [reopening, setReopening] = useState(false)
  const name = monthName(book.month)
  const isOwner = me?.role === 'OWNER'

  async function close() {
    try {
      await data(api.POST('/api/closed-months', { body: { bookId: book.bookId, month: book.month } }))
      says.done(`${book.bookName} is closed through ${longMonth(book.month)}.`)
    } catch (error) {
      says.failed(error)
    }
    await booksChanged()
  }
  useCommands([
    ...(book.closed
      ? []
      : [
          {
            keys: ['Enter'],
            label: `Close ${book.bookName} through ${longMonth(book.month)}`,
            changes: true,
            strip: `close ${name}`,
            run: close,
          },
        ]),
    ...(book.closed && isOwner
      ? [
          {
            keys: ['o'],
            label: `Open ${longMonth(book.month)} again`,
            changes: true,
            strip: `open ${name} again`,
            run: () => setReopening(true),
          },
        ]
      : []),
  ])
  return (
    <Inspector label={`Closing ${book.bookName}`}>
      <InspectorHead title={book.closed ? `${name} is closed` : `Closing ${name}`}>{book.bookName}</InspectorHead>
      <h3>{book.closed ? 'Locked' : 'It will lock'}</h3>
      <dl className={`${factList} mb-3`}>
        <dt>Entries</dt>
        <dd>{book.entries}</dd>
        <dt>Days</dt>
        <dd>
          {book.closed || book.from === book.month
            ? longMonth(book.month)
            : `${longMonth(book.from)} to ${longMonth(book.month)}`}
          , this book only
        </dd>
      </dl>
      <h3>Accounts</h3>
      <ul aria-label="Accounts" className="mb-3">
        {book.accounts.map((account) => (
          <li key={account.accountId} className="flex items-center gap-2 border-b border-hairline py-1">
            <Ring state={account.agrees ? 'AGREED' : 'NO_STATEMENT'} share={0} label={null} />
            <span className="flex-1">{account.name}</span>
            <span className="text-small text-ink-2">
              {account.agreedThrough ? `agreed through ${longDay(account.agreedThrough)}` : 'not agreed yet'}
            </span>
          </li>
        ))}
      </ul>
      <p className={noteBox()}>
        {book.closed
          ? 'No entry up to then can be added, changed or deleted. An owner opens it again, with a reason that history keeps.'
          : 'Afterwards no entry up to then can be added, changed or deleted, until an owner opens the month again with a reason.'}
      </p>
      <Acts>
        {book.closed ? (
          isOwner && (
            <Button className="col-span-full" onClick={() => setReopening(true)}>
              Open {name} again <kbd>O</kbd>
            </Button>
          )
        ) : (
          <MayChange>
            <Button
              tone="go"
              size="wide"
              whyNot={book.ready ? undefined : 'It can be closed when every check is met.'}
              onClick={close}
            >
              Close {name} <kbd>Enter</kbd>
            </Button>
          </MayChange>
        )}
      </Acts>
      {reopening && <ReopenMonth book={book} onClose={() => setReopening(false)} />}
    </Inspector>
  )
}
