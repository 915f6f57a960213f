import { useQuery } from '@tanstack/react-query'
import { api, data, type Schemas } from '@/api/client'
import { useScope } from '@/app/scope'
import { counted, longMonth } from '@/parts/figures'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { Head, Leaf, View } from '@/parts/View'
import { Checklist, keyOf, rowsOf } from './Checklist'
import { ClosingBook } from './ClosingBook'

type Book = Schemas['BookToCloseJson']

/** What the books must show before a month is closed, and the closing. */
export function Close() {
  const { book, month, page } = useScope()
  const books = useQuery({
    queryKey: ['closed-months', month, book],
    enabled: month !== undefined,
    queryFn: () => data(api.GET('/api/closed-months', { params: { query: { month: month ?? '', book } } })),
    placeholderData: (previous) => previous,
  })
  if (books.error && !books.data) return <Failed error={books.error} retry={books.refetch} />
  if (!books.data) return <Loading what="the checklist" />
  const months = page.data?.month === month ? (page.data?.books ?? []) : []
  return <CloseView books={books.data} accounts={months.flatMap((of) => of.accounts)} />
}

function CloseView({ books, accounts }: { books: Book[]; accounts: Schemas['AccountRowJson'][] }) {
  const rows = rowsOf(books, accounts)
  const first = rows.find((row) => !row.book.closed) ?? rows[0]
  const selection = useSelection(rows.map(keyOf), 'check', first && keyOf(first))
  const row = rows.find((r) => keyOf(r) === selection.selected) ?? first
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
          <Checklist books={books} rows={rows} selection={selection} />
        </Scroll>
      </Leaf>
      {row && <ClosingBook key={row.book.bookId} book={row.book} />}
    </View>
  )
}
