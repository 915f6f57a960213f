import { useQuery } from '@tanstack/react-query'
import { DropdownMenu } from 'radix-ui'
import { type ReactNode, Suspense, useState } from 'react'
import { NavLink, Outlet, useLocation, useNavigate } from 'react-router'
import { api, type Schemas } from '@/api/client'
import { books as booksQuery, queryClient, session } from '@/api/queries'
import { longMonth, shortMonth, yearInHand, yearOf } from '@/parts/figures'
import { Mark, Ring, stateInWords } from '@/parts/Ring'
import { Loading } from '@/parts/States'
import { AllKeys } from './AllKeys'
import { useCommands } from './commands'
import { FindOrDo } from './FindOrDo'
import { KeyStrip } from './KeyStrip'
import { useScope, useScopeSearch } from './scope'
import { switchTheme } from './theme'
import { useUndo } from './undo'
import { useEvents } from './useEvents'
import { useViews } from './useViews'

const BOOKS = [
  { to: '/journal', label: 'Journal' },
  { to: '/chart', label: 'Chart' },
  { to: '/rules', label: 'Rules' },
  { to: '/trial-balance', label: 'Trial balance' },
]

/** Places that are seldom needed; find-or-do lists them too. */
const OF_THE_HOUSEHOLD = [
  { to: '/books', label: 'Books' },
  { to: '/currencies', label: 'Currencies' },
  { to: '/people', label: 'People' },
  { to: '/you', label: 'You' },
]

/** What stands around every view: the work path, the books, book and month, find or do, the keys. */
export function Frame() {
  const { page, month } = useScope()
  const search = useScopeSearch()
  const navigate = useNavigate()
  const { pathname } = useLocation()
  const [finding, setFinding] = useState(false)
  const [keys, setKeys] = useState(false)
  const stations = page.data?.stations
  // Set before the view is drawn, which says the year of every day that is of another one.
  if (month) yearInHand(yearOf(month))
  const go = (to: string) => () => navigate(to + search)

  const { data: me } = useQuery(session)
  useUndo()
  useEvents()
  useViews(me?.householdName)
  useCommands([
    { keys: ['mod+k'], label: 'Find or do', strip: 'find or do', run: () => setFinding(true), whileTyping: true },
    { keys: ['?'], label: 'Show all keys', strip: 'all keys', run: () => setKeys(true) },
    { keys: ['. a'], label: 'Go to the Almanac', run: go('/') },
    { keys: ['. g'], label: 'Go to Gather', run: go('/gather') },
    { keys: ['. p'], label: 'Go to Post', run: go('/post') },
    { keys: ['. r'], label: 'Go to Reconcile', run: go('/reconcile') },
    { keys: ['. j'], label: 'Go to the Journal', run: go('/journal') },
    { keys: ['. u'], label: 'Go to Rules', run: go('/rules') },
    { keys: ['. t'], label: 'Go to the Trial balance', run: go('/trial-balance') },
    { keys: ['. c'], label: 'Go to the Chart', run: go('/chart') },
    { keys: ['. b'], label: 'Go to Books', run: go('/books') },
    { keys: ['. x'], label: 'Go to Currencies', run: go('/currencies') },
    { keys: ['. o'], label: 'Go to People', run: go('/people') },
    { keys: ['. y'], label: 'Go to You', run: go('/you') },
    { keys: ['. l'], label: 'Light or dark', run: switchTheme },
    { keys: ['. q'], label: 'Sign out', run: signOut },
  ])

  return (
    <div className="frame">
      <header className="top">
        <NavLink className="mark" to={`/${search}`} aria-label="Yew Ledger, Almanac">
          <Mark />
          <span>Yew Ledger</span>
        </NavLink>
        <NavLink className="go-to" to={`/${search}`} end>
          Almanac
        </NavLink>
        <nav aria-label="Work path">
          <ol className="path">
            {page.data?.booksOpen === false && <Station to="/setup" label="Set up" left={page.data.missing.length} />}
            <Station to={`/gather${search}`} label="Gather" left={stations?.gather} />
            <Station to={`/post${search}`} label="Post" left={stations?.post} />
            <Station to={`/reconcile${search}`} label="Reconcile" left={stations?.reconcile} />
          </ol>
        </nav>
        <nav className="books" aria-label="Books">
          {BOOKS.map((b) => (
            <NavLink key={b.to} className={of(b.to, pathname)} to={b.to + search}>
              {b.label}
            </NavLink>
          ))}
        </nav>
      </header>
      <div className="sub">
        <BookSwitch />
        <MonthReel cells={page.data?.reel ?? []} />
        <button type="button" className="find" onClick={() => setFinding(true)} aria-label="Find or do">
          <span>Find or do…</span>
          <span aria-hidden="true">
            <kbd>Ctrl</kbd> <kbd>K</kbd>
          </span>
        </button>
        <Who />
      </div>
      <Suspense fallback={<Loading what="the view" />}>
        <Outlet />
      </Suspense>
      <KeyStrip />
      {finding && <FindOrDo open onClose={() => setFinding(false)} />}
      {keys && <AllKeys open onClose={() => setKeys(false)} />}
    </div>
  )
}

/** An account's page belongs to the Chart. */
const of = (to: string, pathname: string) =>
  to === '/chart' && pathname.startsWith('/accounts/') ? 'go-to here' : 'go-to'

function Station({ to, label, left }: { to: string; label: string; left: number | undefined }) {
  return (
    <li>
      <NavLink to={to} aria-label={left === undefined ? label : `${label}, ${left} left`}>
        {label} <b className={left ? undefined : 'none'}>{left ?? ''}</b>
      </NavLink>
    </li>
  )
}

function BookSwitch() {
  const { data: books = [] } = useQuery(booksQuery)
  const { book, set } = useScope()
  if (books.length < 2) return null
  return (
    <fieldset className="switch" aria-label="Book">
      {books.map((b) => (
        <SwitchButton key={b.id} on={book === b.id} choose={() => set('book', b.id)}>
          {b.name}
        </SwitchButton>
      ))}
      <SwitchButton on={book === undefined} choose={() => set('book', undefined)}>
        {books.length > 2 ? 'All' : 'Both'}
      </SwitchButton>
    </fieldset>
  )
}

function SwitchButton({ on, choose, children }: { on: boolean; choose: () => void; children: ReactNode }) {
  return (
    <button type="button" aria-pressed={on} onClick={choose}>
      {children}
    </button>
  )
}

function MonthReel({ cells }: { cells: Schemas['CellJson'][] }) {
  const { month, set } = useScope()
  const first = cells.length - 8
  return (
    <ol className="reel" aria-label="Months">
      {cells.map((cell, i) => (
        <li key={cell.month} className={i < first ? 'early' : undefined}>
          {(i === 0 || cell.month.endsWith('-01')) && <span className="yr flex">{yearOf(cell.month)}</span>}
          <a
            href={`?month=${cell.month}`}
            aria-current={cell.month === month ? 'date' : undefined}
            aria-label={`${longMonth(cell.month)}: ${stateInWords(cell.state, cell.share)}`}
            onClick={(e) => {
              e.preventDefault()
              set('month', cell.month)
            }}
          >
            <Ring state={cell.state} share={cell.share} size={12} label={null} />
            {shortMonth(cell.month)}
          </a>
        </li>
      ))}
    </ol>
  )
}

function Who() {
  const { data } = useQuery(session)
  const navigate = useNavigate()
  const search = useScopeSearch()
  if (!data) return null
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="who" aria-label={data.name}>
        {data.name.slice(0, 1)}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="menu w-56" align="end" sideOffset={6}>
          <DropdownMenu.Label className="px-2 py-1.5">
            <b>{data.name}</b>
            <br />
            <span className="q s">
              {data.householdName}, {data.role.toLowerCase()}
            </span>
          </DropdownMenu.Label>
          {OF_THE_HOUSEHOLD.map((place) => (
            <DropdownMenu.Item key={place.to} className="item" onSelect={() => navigate(place.to + search)}>
              {place.label}
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Item className="item" onSelect={switchTheme}>
            Light or dark
          </DropdownMenu.Item>
          <DropdownMenu.Item className="item" onSelect={signOut}>
            Sign out
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

async function signOut() {
  await api.DELETE('/api/session')
  queryClient.clear()
  window.location.assign('/')
}
