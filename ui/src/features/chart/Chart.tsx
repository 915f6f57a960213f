import { useQuery } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { api, data } from '@/api/client'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useScope, useScopeSearch } from '@/app/scope'
import { Button } from '@/parts/Button'
import { Dialog } from '@/parts/Dialog'
import { FindBox } from '@/parts/FindBox'
import { day, lastDay } from '@/parts/figures'
import { textLink } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useSaidAct } from '@/parts/useSaidAct'
import { useSelection } from '@/parts/useSelection'
import { Head, Inspector, Leaf, View } from '@/parts/View'
import { AccountForm } from './AccountForm'
import { AccountInspector } from './AccountInspector'
import { ChartTable, type Drop } from './ChartTable'
import { linesOf } from './lines'
import { MergeAccount } from './MergeAccount'
import { MoveAccount } from './MoveAccount'
import type { ChartPage, ChartRow } from './types'

type Asking = 'new' | 'edit' | 'move' | 'merge'

/** The chart of accounts: a tree whose debits and credits foot in every book. */
export function Chart() {
  const { book, month } = useScope()
  const on = month && lastDay(month)
  const chart = useQuery({
    queryKey: ['chart', on, book],
    enabled: on !== undefined,
    queryFn: () => data(api.GET('/api/chart', { params: { query: { on: on ?? '', book } } })),
    placeholderData: (previous) => previous,
  })
  if (chart.error && !chart.data) return <Failed error={chart.error} retry={chart.refetch} />
  if (!chart.data || !on) return <Loading what="the chart" />
  if (chart.data.books.length === 0)
    return <Nothing title="There is no book yet">Set up the household first: the Almanac leads there.</Nothing>
  return <ChartView page={chart.data} />
}

function ChartView({ page }: { page: ChartPage }) {
  const navigate = useNavigate()
  const search = useScopeSearch()
  const act = useSaidAct()
  const find = useRef<HTMLInputElement>(null)
  const [typed, setTyped] = useState('')
  const [folded, setFolded] = useState<Set<string>>(new Set())
  const [asking, setAsking] = useState<Asking>()
  const lines = linesOf(page, folded, typed)
  const first = lines.find((l) => l.at === 'account' && !l.row.group)?.key
  const selection = useSelection(
    lines.map((l) => l.key),
    'account',
    first,
  )
  const { selected, select } = selection
  const line = lines.find((l) => l.key === selected)
  const row = line?.at === 'account' ? line.row : undefined
  const book = line?.book ?? page.books[0]

  function fold(key: string, away: boolean) {
    setFolded((old) => {
      const next = new Set(old)
      if (away) next.add(key)
      else next.delete(key)
      return next
    })
  }
  const move = (id: string, parentId: string | undefined, place: number | undefined, said: string) =>
    act(() => api.POST('/api/accounts/{id}/move', { params: { path: { id } }, body: { parentId, place } }), said)
  function step(by: number) {
    if (!row || !book) return
    const siblings = siblingsOf(row, book)
    const at = siblings.findIndex((s) => s.id === row.id)
    if (siblings[at + by]) move(row.id, row.parentId, at + by, `${row.name} moved ${by < 0 ? 'up' : 'down'}.`)
  }
  function drop({ id, onto, where }: Drop) {
    if (!book) return
    const dragged = lines.find((l) => l.key === id)
    const name = dragged?.at === 'account' ? dragged.row.name : 'The account'
    if (where === 'into') {
      move(id, onto.id, undefined, `${name} is in ${onto.name} now.`)
    } else {
      const siblings = siblingsOf(onto, book).filter((s) => s.id !== id)
      const at = siblings.findIndex((s) => s.id === onto.id)
      move(id, onto.parentId, at + (where === 'after' ? 1 : 0), `${name} moved.`)
    }
  }
  function open() {
    if (row && !row.group) navigate(`/accounts/${row.id}${search}`)
  }

  useCommands([
    ...(line && (line.at !== 'account' || line.row.group)
      ? [
          { keys: ['ArrowLeft'], label: 'Fold the group', strip: 'fold, open', run: () => fold(line.key, true) },
          { keys: ['ArrowRight'], label: 'Open the group', strip: 'fold, open', run: () => fold(line.key, false) },
        ]
      : []),
    ...(row && !row.group
      ? [{ keys: ['Enter'], label: 'Open the register', strip: 'register', onRow: true, run: open }]
      : []),
    ...(row
      ? [
          {
            keys: ['e'],
            label: 'Edit the account',
            changes: true,
            strip: 'edit',
            onRow: true,
            run: () => setAsking('edit'),
          },
          {
            keys: ['v'],
            label: 'Move to a group',
            changes: true,
            strip: 'move',
            onRow: true,
            run: () => setAsking('move'),
          },
          {
            keys: ['m'],
            label: 'Merge into another account',
            changes: true,
            strip: 'merge',
            onRow: true,
            run: () => setAsking('merge'),
          },
          { keys: ['Alt+ArrowUp'], label: 'Move up', changes: true, onRow: true, run: () => step(-1) },
          { keys: ['Alt+ArrowDown'], label: 'Move down', changes: true, onRow: true, run: () => step(1) },
        ]
      : []),
    { keys: ['n'], label: 'New account', changes: true, strip: 'new', run: () => setAsking('new') },
    {
      keys: ['o'],
      label: 'Opening balances',
      strip: 'opening balances',
      run: () => navigate(`/chart/opening${search}`),
    },
    { keys: ['/'], label: 'Find an account', strip: 'find', run: () => find.current?.focus() },
  ])

  return (
    <View beside>
      <Leaf>
        <Head
          title="Chart"
          about={
            <FindBox
              ref={find}
              className="w-[330px]"
              label="Find an account"
              placeholder="Type to find an account"
              value={typed}
              onChange={setTyped}
            />
          }
        >
          <Button onClick={() => navigate(`/chart/opening${search}`)}>
            Opening balances <kbd>O</kbd>
          </Button>
          <MayChange>
            <Button onClick={() => setAsking('new')}>
              New account <kbd>N</kbd>
            </Button>
          </MayChange>
        </Head>
        {lines.length === 0 ? (
          <Nothing title={`No account has “${typed}” in its name or group`}>
            <button type="button" className={textLink()} onClick={() => setTyped('')}>
              Show all accounts
            </button>
          </Nothing>
        ) : (
          <Scroll grid label="Chart">
            <ChartTable lines={lines} selection={selection} folded={folded} fold={fold} drop={drop} onOpen={open} />
          </Scroll>
        )}
      </Leaf>
      <Inspector label="The selected account">
        {row ? (
          <AccountInspector
            key={row.id}
            row={row}
            on={page.on}
            ask={setAsking}
            open={open}
            onGone={() => select(book?.bookId)}
          />
        ) : (
          <p className="text-ink-2">
            {line?.at === 'class' || line?.at === 'book'
              ? 'Select an account to see what is known of it.'
              : 'Nothing is selected.'}{' '}
            Balances are those at the end of {day(page.on)}.
          </p>
        )}
      </Inspector>
      {asking === 'new' && book && (
        <Dialog title="New account" open wide onClose={() => setAsking(undefined)}>
          <AccountForm
            bookId={book.bookId}
            near={row}
            onClose={() => setAsking(undefined)}
            onSaved={(id) => {
              setAsking(undefined)
              select(id)
            }}
          />
        </Dialog>
      )}
      {asking === 'edit' && row && (
        <Dialog title={`Edit ${row.name}`} open wide onClose={() => setAsking(undefined)}>
          <AccountForm
            accountId={row.id}
            bookId={book?.bookId ?? ''}
            onClose={() => setAsking(undefined)}
            onSaved={() => setAsking(undefined)}
          />
        </Dialog>
      )}
      {asking === 'move' && row && (
        <Dialog title={`Move ${row.name}`} open onClose={() => setAsking(undefined)}>
          <MoveAccount row={row} bookId={book?.bookId ?? ''} onClose={() => setAsking(undefined)} />
        </Dialog>
      )}
      {asking === 'merge' && row && (
        <Dialog title={`Merge ${row.name}`} open onClose={() => setAsking(undefined)}>
          <MergeAccount
            row={row}
            bookId={book?.bookId ?? ''}
            onClose={() => setAsking(undefined)}
            onMerged={(into) => {
              setAsking(undefined)
              select(into)
            }}
          />
        </Dialog>
      )}
    </View>
  )
}

/** What stands beside an account in its group; at the top of a book, in all of the book. */
function siblingsOf(row: ChartRow, book: ChartPage['books'][number]): ChartRow[] {
  return book.classes
    .flatMap((c) => c.rows)
    .filter((r) => r.parentId === row.parentId)
    .sort((a, b) => a.place - b.place)
}
