import { useInfiniteQuery, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useScope, useScopeSearch } from '@/app/scope'
import { RegisterTable } from '@/features/journal/RegisterTable'
import { Apart } from '@/parts/Amount'
import { Dialog } from '@/parts/Dialog'
import { day, figure, lastDay, longDay, signed } from '@/parts/figures'
import { JournalEntry } from '@/parts/JournalEntry'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { AccountFacts, AccountHistory, AccountRules, OpeningEntry } from './AccountFacts'
import { AccountForm } from './AccountForm'
import { accountPage } from './AccountInspector'
import { TimeLine } from './TimeLine'
import { CLASS_NAMES, KIND_NAMES, type AccountPage as Page } from './types'
import './chart.css'
import '@/features/journal/journal.css'

type Row = Schemas['RegisterRowJson']

/** One account: what bank and books say, its statements over its balance, its register, its facts. */
export function AccountPage() {
  const { accountId = '' } = useParams()
  const { month } = useScope()
  const account = useQuery({ ...accountPage(accountId, month ? lastDay(month) : ''), enabled: month !== undefined })
  const register = useInfiniteQuery({
    queryKey: ['register', accountId],
    initialPageParam: '',
    queryFn: ({ pageParam }) =>
      data(
        api.GET('/api/accounts/{id}/register', {
          params: { path: { id: accountId }, query: { after: pageParam || undefined } },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  })
  const error = account.error ?? register.error
  if (error) return <Failed error={error} retry={() => account.refetch().then(() => register.refetch())} />
  if (!account.data || !register.data) return <Loading what="the account" />
  return (
    <AccountView
      key={accountId}
      page={account.data}
      rows={register.data.pages.flatMap((p) => p.rows)}
      more={register.hasNextPage ? () => register.fetchNextPage() : undefined}
    />
  )
}

function AccountView({ page, rows, more }: { page: Page; rows: Row[]; more: (() => void) | undefined }) {
  const navigate = useNavigate()
  const search = useScopeSearch()
  const [editing, setEditing] = useState(false)
  const [facts, setFacts] = useState(true)
  const { selected, select } = useSelection(
    rows.map((r) => r.postingId),
    'posting',
  )
  const row = rows.find((r) => r.postingId === selected)
  useCommands([
    ...(more ? [{ keys: ['m'], label: 'Show older postings', strip: 'older', run: more }] : []),
    { keys: ['i'], label: 'Facts or entry', strip: facts ? 'entry' : 'facts', run: () => setFacts(!facts) },
    { keys: ['e'], label: 'Edit the account', changes: true, strip: 'edit', run: () => setEditing(true) },
    { keys: ['r'], label: 'Reconcile', strip: 'reconcile', run: () => navigate(`/reconcile${search}`) },
    { keys: ['Escape'], label: 'Back to the chart', strip: 'chart', run: () => navigate(`/chart${search}`) },
  ])
  return (
    <main className="split" tabIndex={-1}>
      <section className="sheet">
        <AccountHead page={page} />
        <TimeLine page={page} />
        {rows.length === 0 ? (
          <Nothing title="Nothing was posted here yet" />
        ) : (
          <Scroll label="Postings">
            <RegisterTable
              name={page.name}
              rows={rows}
              selected={selected}
              select={(id) => {
                select(id)
                setFacts(false)
              }}
              more={more}
            />
          </Scroll>
        )}
      </section>
      <aside className="insp" aria-label={facts || !row ? 'The account' : 'The selected entry'}>
        {facts || !row ? (
          <>
            <Facts page={page} />
            <BankLines accountId={page.id} />
          </>
        ) : (
          <SelectedEntry row={row} />
        )}
        <div className="acts">
          {row && (
            <button type="button" className="btn" onClick={() => setFacts(!facts)}>
              {facts ? 'The entry' : 'The account'} <kbd>I</kbd>
            </button>
          )}
          <MayChange>
            <button type="button" className="btn" onClick={() => setEditing(true)}>
              Edit <kbd>E</kbd>
            </button>
          </MayChange>
        </div>
      </aside>
      {editing && (
        <Dialog title={`Edit ${page.name}`} open wide onClose={() => setEditing(false)}>
          <AccountForm
            accountId={page.id}
            bookId={page.bookId}
            onClose={() => setEditing(false)}
            onSaved={() => setEditing(false)}
          />
        </Dialog>
      )}
    </main>
  )
}

/** What the bank sent, as a file in an open format. */
function BankLines({ accountId }: { accountId: string }) {
  const address = (format: string) => `/api/gather/accounts/${accountId}/lines?format=${format}`
  return (
    <p className="q mt-4">
      Bank lines as{' '}
      <a className="link" href={address('OFX')} download>
        OFX
      </a>
      ,{' '}
      <a className="link" href={address('CAMT')} download>
        camt.053
      </a>{' '}
      or{' '}
      <a className="link" href={address('CSV')} download>
        CSV
      </a>
    </p>
  )
}

function AccountHead({ page }: { page: Page }) {
  return (
    <div className="ahd">
      <div>
        <h1 className="title">
          {page.name}{' '}
          <span className="q">
            {page.facts.tail && `..${page.facts.tail}, `}
            {page.currency}
          </span>
        </h1>
        <p className="q">
          {page.bookName}, {KIND_NAMES[page.kind]}
          {page.facts.institution && ` at ${page.facts.institution}`}
          {page.closedOn && `, closed ${longDay(page.closedOn)}`}
        </p>
      </div>
      {page.bank ? (
        <div className="flex gap-7">
          <dl>
            <dt>Bank says, {day(page.bank.on)}</dt>
            <dd>{figure(page.bank.says)}</dd>
          </dl>
          <dl>
            <dt>Books say</dt>
            <dd>{figure(page.bank.booksSay)}</dd>
          </dl>
          <dl>
            <dt>Apart</dt>
            <dd>
              <Apart amount={page.bank.apart} />
            </dd>
          </dl>
        </div>
      ) : (
        <dl>
          <dt>Books say, {day(page.on)}</dt>
          <dd>{figure(page.balance)}</dd>
        </dl>
      )}
    </div>
  )
}

function Facts({ page }: { page: Page }) {
  return (
    <>
      <div className="ih">
        <h2>{page.name}</h2>
        <span className="big">{figure(page.balance)}</span>
      </div>
      <p className="q s ihs">
        {CLASS_NAMES[page.accountClass].toLowerCase()}, {KIND_NAMES[page.kind]}; books at {longDay(page.on)}
        {page.currency !== page.baseCurrency && `; in the book ${page.baseCurrency} ${figure(page.base)}`}
      </p>
      <AccountFacts page={page} />
      <OpeningEntry page={page} />
      <AccountRules page={page} />
      <AccountHistory page={page} />
    </>
  )
}

function SelectedEntry({ row }: { row: Row }) {
  const entry = useQuery({
    queryKey: ['entry', row.entryId],
    queryFn: () => data(api.GET('/api/entries/{id}', { params: { path: { id: row.entryId } } })),
  })
  const amount = row.in ?? `-${row.out ?? '0'}`
  return (
    <>
      <div className="ih">
        <h2>{row.payee}</h2>
        <span className="big">{signed(amount)}</span>
      </div>
      <p className="q s ihs">
        no. {row.entryNo}, {longDay(row.date)}
      </p>
      {entry.data && (
        <JournalEntry title={`No. ${row.entryNo}`} books={entry.data.books} between={entry.data.betweenBooks} />
      )}
    </>
  )
}
