import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { api, data } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { useScope } from '@/app/scope'
import { Button } from '@/parts/Button'
import { counted, lastDay, longMonth } from '@/parts/figures'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { Head, Inspector, Leaf, View } from '@/parts/View'
import { type Book, BudgetTable, leftInWords, type Row } from './BudgetTable'
import { Goals } from './Goals'
import { PlanMonths, type Planned } from './PlanMonths'
import { PlanNav } from './PlanNav'
import { PlannedYear } from './PlannedYear'

/** What may be spent in the month, category by category, and what is left of it. */
export function Budgets() {
  const { book, month } = useScope()
  const page = useQuery({
    queryKey: ['budgets', month, book],
    enabled: month !== undefined,
    queryFn: () => data(api.GET('/api/budgets', { params: { query: { month: month ?? '', book } } })),
    placeholderData: (previous) => previous,
  })
  if (page.error && !page.data) return <Failed error={page.error} retry={page.refetch} />
  if (!page.data) return <Loading what="the budgets" />
  const { today } = page.data
  return (
    <BudgetsOf
      books={page.data.books}
      without={page.data.without}
      month={page.data.month}
      today={today.startsWith(page.data.month) ? today : undefined}
    />
  )
}

const rowsOf = (book: Book) => book.groups.flatMap((group) => group.rows)

const planned = (row: Row): Planned => ({
  accountId: row.accountId,
  name: row.name,
  planned: row.planned ? row.month.planned : undefined,
})

/** The group that a category stands in, as it is planned. */
function groupOf(book: Book, row: Row): Planned | undefined {
  const group = book.groups.find((one) => one.rows.includes(row))
  if (!group?.accountId) return undefined
  const own = group.rows.find((one) => one.accountId === group.accountId)
  return own ? planned(own) : { accountId: group.accountId, name: group.name, planned: undefined }
}

/** Due items whose amount no rate tells. */
const leftOut = (payees: string[]) =>
  payees.length > 0 ? [`to come without ${payees.join(', ')}, for want of a rate`] : []

function BudgetsOf({
  books,
  without,
  month,
  today,
}: {
  books: Book[]
  without: string[]
  month: string
  today: string | undefined
}) {
  const says = useSays()
  const navigate = useNavigate()
  const [planning, setPlanning] = useState<'category' | 'group'>()
  const all = books.flatMap((book) => rowsOf(book).map((row) => ({ book, row })))
  const selection = useSelection(
    all.map(({ row }) => row.accountId),
    'category',
    all[0]?.row.accountId,
  )
  const now = all.find(({ row }) => row.accountId === selection.selected)
  const group = now && groupOf(now.book, now.row)

  async function act(send: () => Promise<unknown>, said: (answer: unknown) => string) {
    try {
      says.done(said(await send()))
    } catch (error) {
      says.failed(error)
    }
    await booksChanged()
  }
  const carry = ({ accountId, name, carries }: Row) =>
    act(
      () =>
        data(
          api.PUT('/api/budgets/{id}/carrying', { params: { path: { id: accountId } }, body: { carries: !carries } }),
        ),
      () => (carries ? `${name} begins anew each month.` : `What is left of ${name} is carried over.`),
    )
  const fromLastYear = (book: Book) =>
    act(
      () => data(api.POST('/api/budgets/from-last-year', { body: { bookId: book.bookId, month } })),
      (answer) =>
        `${counted((answer as { categories: number }).categories, 'category', 'categories')} of ${book.bookName} planned from the year before.`,
    )
  const book = now?.book ?? books[0]
  useCommands([
    ...(now
      ? [
          {
            keys: ['Enter'],
            label: `Plan ${now.row.name}`,
            changes: true,
            strip: 'plan it',
            onRow: true,
            run: () => setPlanning('category'),
          },
          ...(group
            ? [
                {
                  keys: ['t'],
                  label: `Plan ${group.name} together`,
                  changes: true,
                  strip: 'plan its group',
                  run: () => setPlanning('group'),
                },
              ]
            : []),
          ...(now.row.planned
            ? [
                {
                  keys: ['c'],
                  label: now.row.carries ? 'Begin anew each month' : 'Carry over what is left',
                  changes: true,
                  strip: now.row.carries ? 'begin anew' : 'carry over',
                  run: () => void carry(now.row),
                },
              ]
            : []),
          {
            keys: ['o'],
            label: 'The entries behind it',
            strip: 'entries',
            run: () =>
              navigate(
                `/accounts/${now.row.accountId}?${new URLSearchParams({ month, text: `date:${month}-01..${lastDay(month)}` })}`,
              ),
          },
        ]
      : []),
    ...(book
      ? [
          {
            keys: ['f'],
            label: `Plan the year of ${book.bookName} from the year before`,
            changes: true,
            strip: 'from last year',
            run: () => void fromLastYear(book),
          },
        ]
      : []),
  ])
  return (
    <View beside={now !== undefined} above={<PlanNav />}>
      <Leaf>
        <Head
          title={`Budgets, ${longMonth(month)}`}
          about={[...books.map((one) => `${one.bookName} ${leftInWords(one.all.left)}`), ...leftOut(without)].join(
            '; ',
          )}
        >
          {book && (
            <MayChange>
              <Button onClick={() => void fromLastYear(book)}>
                From the year before <kbd>F</kbd>
              </Button>
            </MayChange>
          )}
        </Head>
        {all.length === 0 ? (
          <Scroll label="Budgets">
            <Nothing title="Nothing is planned for this month, and nothing was spent">
              Plan the year from what was spent in the year before, or look at a month in which something was spent.
            </Nothing>
            <Goals month={month} />
          </Scroll>
        ) : (
          <Scroll grid label="Budgets">
            {books
              .filter((one) => one.groups.length > 0)
              .map((one) => (
                <div key={one.bookId} className="pb-6">
                  <BudgetTable book={one} selection={selection} today={today} onOpen={() => setPlanning('category')} />
                </div>
              ))}
            <Goals month={month} />
          </Scroll>
        )}
      </Leaf>
      {now && (
        <Inspector label={planning ? 'Planning' : 'The selected category'}>
          {planning ? (
            <PlanMonths
              key={`${planning} ${now.row.accountId}`}
              book={now.book}
              row={planning === 'group' && group ? group : planned(now.row)}
              month={month}
              onClose={() => setPlanning(undefined)}
            />
          ) : (
            <PlannedYear
              row={now.row}
              month={month}
              onPlan={() => setPlanning('category')}
              onPlanGroup={group && group.accountId !== now.row.accountId ? () => setPlanning('group') : undefined}
              onCarry={() => void carry(now.row)}
            />
          )}
        </Inspector>
      )}
    </View>
  )
}
