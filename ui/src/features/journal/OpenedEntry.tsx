import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { api, data, messageOf, type Schemas } from '@/api/client'
import { useScopeSearch } from '@/app/scope'
import { AttachmentStrip } from '@/features/attachments/AttachmentStrip'
import type { Attachment } from '@/features/attachments/useAttachments'
import { figure, inSentence, longMonth, moment } from '@/parts/figures'

type Entry = Schemas['EntryJson']

const ROW = 24
const THUMBNAILS = 76

/** How tall an opened entry is: its postings, a head, its history, its files, and for each book its sums and name. */
export function openedHeight(entry: Entry): number {
  const postings = entry.books.reduce((sum, book) => sum + book.postings.length, 0)
  const lines = 2 + (entry.servesFrom ? 1 : 0) + postings + entry.books.length * (entry.books.length > 1 ? 2 : 1)
  return ROW * lines + (entry.attachments > 0 ? THUMBNAILS : ROW)
}

/** What an entry opens to: its postings, its files, and what happened to it. */
export function OpenedEntry({
  entry,
  columns,
  beside,
  onLook,
}: {
  entry: Entry
  columns: number
  beside: boolean
  onLook: (file: Attachment) => void
}) {
  return (
    <td
      colSpan={columns}
      className={`bg-dusk-tint/45 p-0 narrow:[--opened:calc(var(--edge)+20px)] ${beside ? '[--opened:calc(var(--edge)+20px)]' : '[--opened:calc(var(--edge)+178px)]'}`}
    >
      <Postings entry={entry} beside={beside} />
      {entry.servesFrom && entry.servesTo && (
        <p className="h-6 truncate border-b border-hairline pr-(--edge) pl-(--opened) text-small/6 text-ink-2">
          Serves {longMonth(entry.servesFrom)} to {longMonth(entry.servesTo)}, spread over them in budgets.
        </p>
      )}
      <AttachmentStrip
        place={{ entryId: entry.id }}
        count={entry.attachments}
        onLook={onLook}
        className={`border-b border-hairline pr-(--edge) pl-(--opened) ${entry.attachments > 0 ? 'h-[76px]' : 'h-6'}`}
      />
      <History entry={entry} />
    </td>
  )
}

/** What happened to the entry, newest first, on one line; the newest acts matter most. */
function History({ entry }: { entry: Entry }) {
  const { data: page, error } = useQuery({
    queryKey: ['acts', 'of', entry.id],
    queryFn: () => data(api.GET('/api/acts', { params: { query: { entry: entry.id } } })),
  })
  const told = page?.acts.map((act) => `${inSentence(act.words)}, ${act.who}, ${moment(act.at)}`).join('; ')
  return (
    <p className="truncate border-b border-hairline pr-(--edge) pl-(--opened) text-small/6 text-ink-2" title={told}>
      {error ? messageOf(error) : (told ?? 'Reading its history…')}
    </p>
  )
}

function Postings({ entry, beside }: { entry: Entry; beside: boolean }) {
  const search = useScopeSearch()
  return (
    <table
      className="cells:h-6 cells:border-b cells:border-hairline starts:pl-(--opened) heads:text-small heads:text-ink-2"
      aria-label={`Postings of no. ${entry.no}`}
    >
      <colgroup>
        <col />
        <col className="w-[112px]" />
        <col className="w-[112px]" />
        <col className={beside ? 'w-(--edge)' : 'w-[44%]'} />
      </colgroup>
      <thead>
        <tr>
          <th>Posting</th>
          <th className="text-right">Debit</th>
          <th className="text-right">Credit</th>
          <th />
        </tr>
      </thead>
      {entry.books.map((book) => (
        <tbody key={book.bookId}>
          {entry.books.length > 1 && (
            <tr>
              <th scope="rowgroup" className="font-serif">
                {book.bookName}
              </th>
              <td colSpan={3} />
            </tr>
          )}
          {book.postings.map((p, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: two postings of an entry may be alike in all but their place
            <tr key={i}>
              <td className={p.credit ? 'pl-[calc(var(--opened)+16px)]' : undefined}>
                <Link className="hover:underline" to={`/accounts/${p.accountId}${search}`}>
                  {p.accountName}
                </Link>{' '}
                <span className="text-ink-2">{p.note}</span>{' '}
                {p.own && (
                  <span className="text-ink-3 text-small">
                    {p.ownCurrency} {figure(p.own)}
                  </span>
                )}
              </td>
              <td className="text-right">{p.debit && figure(p.debit)}</td>
              <td className="text-right">{p.credit && figure(p.credit)}</td>
              <td />
            </tr>
          ))}
          <tr>
            <td className="text-ink-2">balances, {book.currency}</td>
            <td className="border-t border-b-3 border-double border-ink-2 text-right font-semibold">
              {figure(book.total)}
            </td>
            <td className="border-t border-b-3 border-double border-ink-2 text-right font-semibold">
              {figure(book.total)}
            </td>
            <td />
          </tr>
        </tbody>
      ))}
    </table>
  )
}
