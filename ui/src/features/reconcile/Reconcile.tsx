import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { books } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useScope, useScopeSearch } from '@/app/scope'
import { Apart } from '@/parts/Amount'
import { counted, day, figure, longDay } from '@/parts/figures'
import { Ring } from '@/parts/Ring'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { NewStatement } from './NewStatement'
import './reconcile.css'

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
  const { selected, select } = useSelection(
    rows.map((r) => r.accountId),
    'account',
    first,
  )
  const row = rows.find((r) => r.accountId === selected)
  const inProgress = rows.reduce((sum, r) => sum + r.statements.length, 0)
  const openStatement = (r: Row | undefined) => {
    const [statement] = r?.statements ?? []
    if (statement) navigate(`/reconcile/${statement.id}${search}`)
    else setBeginning(true)
  }
  useCommands([
    { keys: ['Enter'], label: 'Open the statement', strip: 'open statement', run: () => openStatement(row) },
    {
      keys: ['n'],
      label: 'Enter a statement from paper',
      changes: true,
      strip: 'new statement',
      run: () => setBeginning(true),
    },
  ])

  return (
    <main className="split" tabIndex={-1}>
      <section className="sheet">
        <div className="head">
          <h1>{inProgress ? `${counted(inProgress, 'statement')} to reconcile` : 'No statement in progress'}</h1>
          <span className="q">agreed when nothing is apart, and not before</span>
        </div>
        <Scroll label="Accounts">
          <table className="tb" aria-label="Accounts to reconcile">
            <colgroup>
              <col />
              <col className="w-[110px] narrow-off" />
              <col className="w-[130px] narrow-off" />
              <col className="w-[150px]" />
              <col className="w-[120px]" />
              <col className="w-[130px]" />
            </colgroup>
            <thead>
              <tr>
                <th>Account</th>
                <th className="narrow-off">Agreed through</th>
                <th className="n narrow-off">Balance then</th>
                <th>In progress</th>
                <th className="n">Statement says</th>
                <th className="n">Apart</th>
              </tr>
            </thead>
            {allBooks
              .filter((b) => rows.some((r) => r.bookId === b.id))
              .map((b) => (
                <tbody key={b.id}>
                  <tr className="band calm">
                    <td colSpan={6} className="serif text-lead">
                      {b.name}
                    </td>
                  </tr>
                  {rows
                    .filter((r) => r.bookId === b.id)
                    .map((r) => (
                      <AccountRow
                        key={r.accountId}
                        row={r}
                        selected={r.accountId === selected}
                        select={() => {
                          select(r.accountId)
                          setBeginning(false)
                        }}
                        open={(id) => navigate(`/reconcile/${id}${search}`)}
                      />
                    ))}
                </tbody>
              ))}
          </table>
        </Scroll>
      </section>
      <aside className="insp" aria-label="Selected account">
        {row && (
          <>
            <div className="ih">
              <h2>{row.accountName}</h2>
              <span className="big">{figure(row.agreedBalance)}</span>
            </div>
            <p className="q s ihs">
              {row.agreedThrough ? `agreed through ${longDay(row.agreedThrough)}` : 'opening balance'}, {row.currency}
            </p>
            {row.statements.length > 0 && !beginning ? (
              <>
                {row.statements.map((statement) => (
                  <Figures key={statement.id} statement={statement} />
                ))}
                <div className="acts">
                  <button type="button" className="btn go wide" onClick={() => openStatement(row)}>
                    Open the statement of {day(row.statements[0]?.closesOn ?? '')} <kbd>Enter</kbd>
                  </button>
                  <MayChange>
                    <button type="button" className="btn full" onClick={() => setBeginning(true)}>
                      Enter another from paper <kbd>N</kbd>
                    </button>
                  </MayChange>
                </div>
              </>
            ) : (
              <NewStatement
                key={row.accountId}
                row={row}
                autoFocus={beginning}
                onBegun={(id) => navigate(`/reconcile/${id}${search}`)}
              />
            )}
          </>
        )}
      </aside>
    </main>
  )
}

/** A statement in progress, as the sum that its difference comes from. */
function Figures({ statement }: { statement: Row['statements'][number] }) {
  const { ticked, toTick } = statement
  return (
    <table className="entry mb-4" aria-label={`Statement of ${longDay(statement.closesOn)}`}>
      <colgroup>
        <col />
        <col className="w-[110px]" />
      </colgroup>
      <tbody>
        <tr>
          <td>Statement says, {day(statement.closesOn)}</td>
          <td className="n">{figure(statement.closing)}</td>
        </tr>
        <tr>
          <td>
            Ticked{' '}
            <span className="q">
              {ticked} of {counted(ticked + toTick, 'line')}
            </span>
          </td>
          <td className="n">{figure(statement.tickedBalance)}</td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <td>Apart</td>
          <td className="n">
            <Apart amount={statement.difference} />
          </td>
        </tr>
      </tfoot>
    </table>
  )
}

function AccountRow({
  row,
  selected,
  select,
  open,
}: {
  row: Row
  selected: boolean
  select: () => void
  open: (id: string) => void
}) {
  const [statement] = row.statements
  const all = statement ? statement.ticked + statement.toTick : 0
  return (
    <tr className={selected ? 'row sel' : 'row'} data-row={row.accountId} aria-selected={selected} onClick={select}>
      <td>
        <b className="font-medium">{row.accountName}</b> {row.tail && <span className="qq s">..{row.tail}</span>}
      </td>
      <td className="q narrow-off">{row.agreedThrough ? day(row.agreedThrough) : '–'}</td>
      <td className="n narrow-off">{figure(row.agreedBalance)}</td>
      <td>
        {statement ? (
          <span className="flex items-center gap-2">
            <Ring state="IN_PROGRESS" share={statement.agreedShare} size={18} label={null} />
            <button type="button" className="link" onClick={() => open(statement.id)}>
              {day(statement.closesOn)}
            </button>
            <span className="q s">
              {statement.ticked} of {all}
            </span>
            {row.statements.length > 1 && <span className="q s">+{row.statements.length - 1}</span>}
          </span>
        ) : (
          <span className="qq">no statement yet</span>
        )}
      </td>
      <td className="n">{statement ? figure(statement.closing) : '–'}</td>
      <td className="n b">{statement ? <Apart amount={statement.difference} /> : <span className="qq">–</span>}</td>
    </tr>
  )
}
