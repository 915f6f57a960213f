import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { books } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useScope, useScopeSearch } from '@/app/scope'
import { Apart } from '@/parts/Amount'
import { Button } from '@/parts/Button'
import { counted, day, figure, longDay } from '@/parts/figures'
import { type Column, Grid, type Item, type RowState } from '@/parts/grid/Grid'
import { entryTable, sumRow, textLink } from '@/parts/look'
import { Ring } from '@/parts/Ring'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { Acts, Head, Inspector, InspectorHead, Leaf, View } from '@/parts/View'
import { CountCash } from './CountCash'
import { NewStatement } from './NewStatement'

type Row = Schemas['AccountToReconcileJson']

/** Every account with its statements in progress; where none is, one can be begun from paper. */
export function Reconcile() {
  const { book } = useScope()
  const list = useQuery({
    queryKey: ['statements', book],
    queryFn: () => data(api.GET('/api/statements', { params: { query: { book } } })),
  })
  if (list.error && !list.data) return <Failed error={list.error} retry={list.refetch} />
  if (!list.data) return <Loading what="statements" />
  return <ReconcilePage rows={list.data} />
}

function ReconcilePage({ rows }: { rows: Row[] }) {
  const { data: allBooks = [] } = useQuery(books)
  const navigate = useNavigate()
  const search = useScopeSearch()
  const [beginning, setBeginning] = useState(false)
  const first = rows.find((r) => r.statements.length > 0)?.accountId
  const shown = allBooks
    .map((book) => ({ book, accounts: rows.filter((r) => r.bookId === book.id) }))
    .filter(({ accounts }) => accounts.length > 0)
  const selection = useSelection(
    shown.flatMap(({ accounts }) => accounts.map((r) => r.accountId)),
    'account',
    first,
  )
  const row = rows.find((r) => r.accountId === selection.selected)
  const items = shown.flatMap(({ book, accounts }): Item<Row>[] => [
    { key: book.id, height: 32, band: <BookBand name={book.name} /> },
    ...accounts.map((r) => ({ key: r.accountId, row: r })),
  ])
  const inProgress = rows.reduce((sum, r) => sum + r.statements.length, 0)
  const openStatement = (r: Row | undefined) => {
    const [statement] = r?.statements ?? []
    if (statement) navigate(`/reconcile/${statement.id}${search}`)
    else setBeginning(true)
  }
  useCommands([
    {
      keys: ['Enter'],
      label: 'Open the statement',
      strip: 'open statement',
      onRow: true,
      run: () => openStatement(row),
    },
    {
      keys: ['n'],
      label: row?.counted ? 'Count the cash' : 'Enter a statement from paper',
      changes: true,
      strip: row?.counted ? 'count' : 'new statement',
      onRow: true,
      run: () => setBeginning(true),
    },
  ])

  return (
    <View beside>
      <Leaf>
        <Head
          title={inProgress ? `${counted(inProgress, 'statement')} to reconcile` : 'No statement in progress'}
          about="agreed when nothing is apart, and not before"
        />
        <Scroll grid label="Accounts">
          <Grid
            label="Accounts to reconcile"
            columns={COLUMNS}
            items={items}
            selection={selection}
            onPick={() => setBeginning(false)}
            onOpen={openStatement}
            cells={(r, state) => (
              <AccountCells row={r} state={state} open={(id) => navigate(`/reconcile/${id}${search}`)} />
            )}
          />
        </Scroll>
      </Leaf>
      <Inspector label="Selected account">
        {row && (
          <>
            <InspectorHead title={row.accountName} figure={figure(row.agreedBalance)}>
              {row.agreedThrough ? `agreed through ${longDay(row.agreedThrough)}` : 'opening balance'}, {row.currency}
            </InspectorHead>
            {row.statements.length > 0 && !beginning ? (
              <>
                {row.statements.map((statement) => (
                  <Figures key={statement.id} statement={statement} />
                ))}
                <Acts>
                  <Button tone="go" size="wide" onClick={() => openStatement(row)}>
                    Open the statement of {day(row.statements[0]?.closesOn ?? '')} <kbd>Enter</kbd>
                  </Button>
                  <MayChange>
                    <Button className="col-span-full" onClick={() => setBeginning(true)}>
                      {row.counted ? 'Count it again' : 'Enter another from paper'} <kbd>N</kbd>
                    </Button>
                  </MayChange>
                </Acts>
              </>
            ) : (
              <Begin
                key={row.accountId}
                row={row}
                autoFocus={beginning}
                onBegun={(id) => navigate(`/reconcile/${id}${search}`)}
              />
            )}
          </>
        )}
      </Inspector>
    </View>
  )
}

/** A statement is begun from paper, that of cash by counting it. */
function Begin(props: { row: Row; autoFocus: boolean; onBegun: (id: string) => void }) {
  return props.row.counted ? <CountCash {...props} /> : <NewStatement {...props} />
}

/** A statement in progress, as the sum that its difference comes from. */
function Figures({ statement }: { statement: Row['statements'][number] }) {
  const { ticked, toTick } = statement
  return (
    <table className={`${entryTable} mb-4`} aria-label={`Statement of ${longDay(statement.closesOn)}`}>
      <colgroup>
        <col />
        <col className="w-[110px]" />
      </colgroup>
      <tbody>
        <tr>
          <td>Statement says, {day(statement.closesOn)}</td>
          <td className="text-right">{figure(statement.closing)}</td>
        </tr>
        <tr>
          <td>
            Ticked{' '}
            <span className="text-ink-2">
              {ticked} of {counted(ticked + toTick, 'line')}
            </span>
          </td>
          <td className="text-right">{figure(statement.tickedBalance)}</td>
        </tr>
      </tbody>
      <tfoot>
        <tr className={sumRow}>
          <td>Apart</td>
          <td className="text-right">
            <Apart amount={statement.difference} />
          </td>
        </tr>
      </tfoot>
    </table>
  )
}

const NARROW = 'narrow:hidden'
const COLUMNS: Column[] = [
  { head: 'Account' },
  { head: 'Agreed through', width: 'w-[110px]', off: NARROW },
  { head: 'Balance then', width: 'w-[130px]', end: true, off: NARROW },
  { head: 'In progress', width: 'w-[150px]' },
  { head: 'Statement says', width: 'w-[120px]', end: true },
  { head: 'Apart', width: 'w-[130px]', end: true },
]

const ALWAYS_SHOWN = COLUMNS.filter((column) => !column.off).length

function BookBand({ name }: { name: string }) {
  return (
    <>
      <td colSpan={ALWAYS_SHOWN} className="font-serif text-lead">
        {name}
      </td>
      {/* Those that a narrow window hides are not spanned: they would come back. */}
      <td colSpan={COLUMNS.length - ALWAYS_SHOWN} className={NARROW} />
    </>
  )
}

function AccountCells({ row, state, open }: { row: Row; state: RowState; open: (id: string) => void }) {
  const [statement] = row.statements
  const all = statement ? statement.ticked + statement.toTick : 0
  return (
    <>
      <td>
        <b className="font-medium">{row.accountName}</b>{' '}
        {row.tail && <span className="text-small text-ink-3">..{row.tail}</span>}
      </td>
      <td className={`text-ink-2 ${NARROW}`}>{row.agreedThrough ? day(row.agreedThrough) : '–'}</td>
      <td className={`text-right ${NARROW}`}>{figure(row.agreedBalance)}</td>
      <td>
        {statement ? (
          <span className="flex items-center gap-2">
            <Ring state="IN_PROGRESS" share={statement.agreedShare} size={18} label={null} />
            <button type="button" tabIndex={state.tabIndex} className={textLink()} onClick={() => open(statement.id)}>
              {day(statement.closesOn)}
            </button>
            <span className="text-small text-ink-2">
              {statement.ticked} of {all}
            </span>
            {row.statements.length > 1 && <span className="text-small text-ink-2">+{row.statements.length - 1}</span>}
          </span>
        ) : (
          <span className="text-ink-3">{row.counted ? 'not counted yet' : 'no statement yet'}</span>
        )}
      </td>
      <td className="text-right">{statement ? figure(statement.closing) : '–'}</td>
      <td className="text-right font-semibold">
        {statement ? <Apart amount={statement.difference} /> : <span className="text-ink-3">–</span>}
      </td>
    </>
  )
}
