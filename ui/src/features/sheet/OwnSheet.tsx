import { useQuery } from '@tanstack/react-query'
import { useRef } from 'react'
import { useNavigate } from 'react-router'
import { books as booksQuery } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { useScope, useScopeSearch } from '@/app/scope'
import { Button } from '@/parts/Button'
import { ruled } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading } from '@/parts/States'
import { useDrop } from '@/parts/useDrop'
import { Head, Leaf, LeafFoot, View } from '@/parts/View'
import { SheetInHand } from './SheetInHand'
import { useSheetInHand } from './sheet'

/** Entries that come from a person's own sheet, as of the years before these books. */
export function OwnSheet() {
  const { book } = useScope()
  const books = useQuery(booksQuery)
  const [file, setFile] = useSheetInHand()
  const bookId = book ?? books.data?.[0]?.id
  if (books.error) return <Failed error={books.error} retry={books.refetch} />
  if (!bookId) return <Loading what="the books" />
  const name = books.data?.find((b) => b.id === bookId)?.name ?? ''
  if (file) {
    return (
      <SheetInHand
        key={`${bookId} ${file.name} ${file.lastModified}`}
        file={file}
        bookId={bookId}
        book={name}
        onClose={() => setFile(undefined)}
      />
    )
  }
  return <ChooseSheet book={name} several={(books.data?.length ?? 0) > 1} onFile={setFile} />
}

function ChooseSheet({ book, several, onFile }: { book: string; several: boolean; onFile: (file: File) => void }) {
  const chooser = useRef<HTMLInputElement>(null)
  const drop = useDrop(([file]) => file && onFile(file))
  const navigate = useNavigate()
  const search = useScopeSearch()
  useCommands([
    { keys: ['f'], label: 'Choose a sheet', changes: true, strip: 'choose', run: () => chooser.current?.click() },
    { keys: ['Escape'], label: 'Back to the Journal', strip: 'journal', run: () => navigate(`/journal${search}`) },
  ])
  return (
    <View className="relative" {...drop.target}>
      <Leaf>
        <Head title="A sheet of entries" about={`into ${book}`}>
          <Button tone="go" onClick={() => chooser.current?.click()}>
            Choose a sheet <kbd>F</kbd>
          </Button>
        </Head>
        <Scroll label="About sheets">
          <div className="max-w-[760px] px-(--edge) py-2">
            <p className="mb-3 max-w-[62ch]">
              Bring the entries of past years from a table of your own, CSV or XLSX. Each row becomes an entry as if you
              had typed it; nothing is kept before you have seen what it becomes, and all rows come or none.
            </p>
            <table className={ruled({ size: 'dense', className: 'mb-3 table-auto' })} aria-label="An example">
              <thead>
                <tr>
                  <th>Date</th>
                  <th>Payee</th>
                  <th>Category</th>
                  <th className="text-right">Amount</th>
                  <th>Account</th>
                  <th>Tax</th>
                  <th>Note</th>
                  <th>Tags</th>
                </tr>
              </thead>
              <tbody>
                <tr>
                  <td>2025-03-04</td>
                  <td>Corner Shop</td>
                  <td>Groceries</td>
                  <td className="text-right">-12.50</td>
                  <td>Cash</td>
                  <td />
                  <td>for the feast</td>
                  <td>feast, guests</td>
                </tr>
              </tbody>
            </table>
            <p className="max-w-[62ch] text-ink-2">
              A date, an amount and who it was are enough; the columns may be in any order and have any names. What is
              not in the sheet, or is called otherwise there, you say once.{' '}
              {several && 'The entries come into the book that is chosen above.'}
            </p>
          </div>
        </Scroll>
        <LeafFoot>
          <span className="text-ink-2">Or drop the file on this page.</span>
        </LeafFoot>
      </Leaf>
      <input
        ref={chooser}
        type="file"
        hidden
        aria-label="A sheet of entries"
        accept=".csv,.xlsx,.txt,.tsv"
        onChange={(event) => {
          const [file] = event.target.files ?? []
          event.target.value = ''
          if (file) onFile(file)
        }}
      />
    </View>
  )
}
