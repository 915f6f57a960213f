import { useInfiniteQuery, usePrefetchQuery, useQuery } from '@tanstack/react-query'
import { useCallback, useMemo, useRef, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useAddress, useScope, useScopeSearch } from '@/app/scope'
import { Receipts } from '@/features/attachments/Receipts'
import { JumpToDay } from '@/features/journal/JumpToDay'
import { QuickEntry } from '@/features/journal/QuickEntry'
import { ofSameAccount, RegisterSought, type Sought } from '@/features/journal/RegisterSought'
import { RegisterTable } from '@/features/journal/RegisterTable'
import { NEWEST_FIRST } from '@/features/journal/useSought'
import { Apart } from '@/parts/Amount'
import { Button } from '@/parts/Button'
import { Dialog } from '@/parts/Dialog'
import { day, figure, lastDay, longDay, signed } from '@/parts/figures'
import { ChosenSum } from '@/parts/grid/ChosenSum'
import { JournalEntry } from '@/parts/JournalEntry'
import { textLink } from '@/parts/look'
import { allPayees } from '@/parts/PayeePicker'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { Acts, Inspector, InspectorHead, Leaf, View } from '@/parts/View'
import { AccountFacts, AccountHistory, AccountRules, OpeningEntry } from './AccountFacts'
import { AccountForm } from './AccountForm'
import { accountPage } from './AccountInspector'
import { TimeLine } from './TimeLine'
import { CLASS_NAMES, KIND_NAMES, type AccountPage as Page } from './types'

type Row = Schemas['RegisterRowJson']

/** One account: what bank and books say, its statements over its balance, its register, its facts. */
export function AccountPage() {
  const { accountId = '' } = useParams()
  const { month } = useScope()
  const account = useQuery({ ...accountPage(accountId, month ? lastDay(month) : ''), enabled: month !== undefined })
  const { params, set } = useAddress()
  const sought: Sought = {
    text: params.get('text') ?? '',
    at: params.get('at') ?? undefined,
    order: params.get('order') ?? NEWEST_FIRST,
  }
  const register = useInfiniteQuery({
    queryKey: ['register', accountId, sought],
    initialPageParam: '',
    placeholderData: ofSameAccount(accountId),
    queryFn: ({ pageParam }) =>
      data(
        api.GET('/api/accounts/{id}/register', {
          params: { path: { id: accountId }, query: { ...sought, after: pageParam || undefined } },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  })
  const { hasNextPage, isFetching, fetchNextPage } = register
  const more = useCallback(() => {
    if (hasNextPage && !isFetching) void fetchNextPage()
  }, [hasNextPage, isFetching, fetchNextPage])
  const rows = useMemo(() => register.data?.pages.flatMap((p) => p.rows) ?? [], [register.data])
  const error = account.error ?? register.error
  if (error && !(account.data && register.data))
    return <Failed error={error} retry={() => account.refetch().then(() => register.refetch())} />
  if (!account.data || !register.data) return <Loading what="the account" />
  return (
    <>
      {register.error && <Failed error={register.error} retry={register.refetch} />}
      <AccountView key={accountId} page={account.data} rows={rows} more={more} sought={sought} set={set} />
    </>
  )
}

function AccountView({
  page,
  rows,
  more,
  sought,
  set,
}: {
  page: Page
  rows: Row[]
  more: () => void
  sought: Sought
  set: (changes: Record<string, string>) => void
}) {
  const field = useRef<HTMLInputElement>(null)
  const [jumping, setJumping] = useState(false)
  const navigate = useNavigate()
  const search = useScopeSearch()
  const [editing, setEditing] = useState(false)
  const [facts, setFacts] = useState(true)
  const [typing, setTyping] = useState(false)
  usePrefetchQuery(allPayees)
  const selection = useSelection(
    rows.map((r) => r.postingId),
    'posting',
  )
  const row = rows.find((r) => r.postingId === selection.selected)
  const chosen = rows.filter((r) => selection.chosen.has(r.postingId))
  useCommands([
    ...(page.closedOn
      ? []
      : [{ keys: ['n'], label: 'New entry', changes: true, strip: 'new entry', run: () => setTyping(true) }]),
    { keys: ['/'], label: 'Find in the register', strip: 'find', run: () => field.current?.focus() },
    { keys: ['g'], label: 'Go to a day', strip: 'go to a day', run: () => setJumping(true) },
    { keys: ['i'], label: 'Facts or entry', strip: facts ? 'entry' : 'facts', run: () => setFacts(!facts) },
    { keys: ['e'], label: 'Edit the account', changes: true, strip: 'edit', run: () => setEditing(true) },
    { keys: ['r'], label: 'Reconcile', strip: 'reconcile', run: () => navigate(`/reconcile${search}`) },
    { keys: ['Escape'], label: 'Back to the chart', strip: 'chart', run: () => navigate(`/chart${search}`) },
  ])
  return (
    <View beside>
      <Leaf>
        <AccountHead page={page} />
        <TimeLine page={page} />
        {typing && <QuickEntry bookId={page.bookId} fixedId={page.id} onClose={() => setTyping(false)} />}
        <RegisterSought accountId={page.id} field={field} sought={sought} set={set} />
        {rows.length === 0 ? (
          <Nothing title={sought.text || sought.at ? 'No posting is like that' : 'Nothing was posted here yet'} />
        ) : (
          <Scroll grid label="Postings">
            <RegisterTable
              name={page.name}
              rows={rows}
              filtered={sought.text !== ''}
              order={sought.order}
              onOrder={(order) => set({ order: order === NEWEST_FIRST ? '' : order, at: '' })}
              selection={selection}
              onPick={() => setFacts(false)}
              onEnd={more}
            />
          </Scroll>
        )}
        <ChosenSum
          what="posting"
          amounts={chosen.map((r) => ({ amount: r.in ?? `-${r.out ?? '0'}`, currency: page.currency }))}
        />
      </Leaf>
      <Inspector label={facts || !row ? 'The account' : 'The selected entry'}>
        {facts || !row ? (
          <>
            <Facts page={page} />
            {page.hasStatements && <BankLines accountId={page.id} />}
          </>
        ) : (
          <SelectedEntry row={row} />
        )}
        <Acts>
          {row && (
            <Button onClick={() => setFacts(!facts)}>
              {facts ? 'The entry' : 'The account'} <kbd>I</kbd>
            </Button>
          )}
          <MayChange>
            <Button onClick={() => setEditing(true)}>
              Edit <kbd>E</kbd>
            </Button>
          </MayChange>
        </Acts>
      </Inspector>
      {jumping && (
        <JumpToDay
          onDay={(day) => set({ at: day, order: '' })}
          onEnd={(order) => set({ at: '', order: order === NEWEST_FIRST ? '' : order })}
          onClose={() => setJumping(false)}
        />
      )}
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
    </View>
  )
}

/** What the bank sent, as a file in an open format. */
function BankLines({ accountId }: { accountId: string }) {
  const address = (format: string) => `/api/gather/accounts/${accountId}/lines?format=${format}`
  return (
    <p className="text-ink-2 mt-4">
      Bank lines as{' '}
      <a className={textLink()} href={address('OFX')} download>
        OFX
      </a>
      ,{' '}
      <a className={textLink()} href={address('CAMT')} download>
        camt.053
      </a>{' '}
      or{' '}
      <a className={textLink()} href={address('CSV')} download>
        CSV
      </a>
    </p>
  )
}

function AccountHead({ page }: { page: Page }) {
  return (
    <div className="flex flex-none items-start justify-between px-(--edge) pt-[13px] pb-2.5 [&_dd]:font-serif [&_dd]:text-[25px]/[31px] [&_dd]:tracking-[-0.01em] [&_dl]:text-right [&_dt]:text-small/[14px] [&_dt]:text-ink-2">
      <div>
        <h1>
          {page.name}{' '}
          <span className="text-ink-2">
            {page.facts.tail && `..${page.facts.tail}, `}
            {page.currency}
          </span>
        </h1>
        <p className="text-ink-2">
          {page.bookName}, {KIND_NAMES[page.kind]}
          {page.facts.institution && ` at ${page.facts.institution}`}
          {page.closedOn && `, closed ${longDay(page.closedOn)}`}
        </p>
      </div>
      {page.bank ? (
        <div className="flex gap-7">
          <dl>
            <dt>
              {page.kind === 'CASH' ? 'Counted' : 'Bank says'}, {day(page.bank.on)}
            </dt>
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
      <InspectorHead title={page.name} figure={figure(page.balance)}>
        {CLASS_NAMES[page.accountClass].toLowerCase()}, {KIND_NAMES[page.kind]}; books at {longDay(page.on)}
        {page.currency !== page.baseCurrency && `; in the book ${page.baseCurrency} ${figure(page.base)}`}
      </InspectorHead>
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
      <InspectorHead title={row.payee} figure={signed(amount)}>
        no. {row.entryNo}, {longDay(row.date)}
      </InspectorHead>
      {entry.data && (
        <JournalEntry title={`No. ${row.entryNo}`} books={entry.data.books} between={entry.data.betweenBooks} />
      )}
      <Receipts key={row.entryId} place={{ entryId: row.entryId }} />
    </>
  )
}
