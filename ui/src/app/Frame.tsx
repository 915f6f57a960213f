import { useQuery } from '@tanstack/react-query'
import { DropdownMenu, ToggleGroup } from 'radix-ui'
import { Suspense, useState } from 'react'
import { NavLink, Outlet, useLocation, useNavigate } from 'react-router'
import { api, type Schemas } from '@/api/client'
import { books as booksQuery, queryClient, session } from '@/api/queries'
import { figure, longMonth, shortMonth, yearInHand, yearOf } from '@/parts/figures'
import { floating, floatingRow } from '@/parts/look'
import { Mark, Ring, stateInWords } from '@/parts/Ring'
import { Loading } from '@/parts/States'
import { AllKeys } from './AllKeys'
import { useCommands } from './commands'
import { Explained, type Explaining } from './Explained'
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
  { to: '/plan', label: 'Plan' },
  { to: '/reports', label: 'Reports' },
]

/** Places that are seldom needed; find-or-do lists them too. */
const OF_THE_HOUSEHOLD = [
  { to: '/payees', label: 'Payees' },
  { to: '/tags', label: 'Tags' },
  { to: '/books', label: 'Books' },
  { to: '/currencies', label: 'Currencies' },
  { to: '/people', label: 'People' },
  { to: '/you', label: 'You' },
  { to: '/exports', label: 'Exports' },
  { to: '/api-document', label: 'For programs' },
]

/** What stands around every view: the work path, the books, book and month, find or do, the keys. */
export function Frame() {
  const { page, month } = useScope()
  const search = useScopeSearch()
  const navigate = useNavigate()
  const { pathname } = useLocation()
  const [finding, setFinding] = useState(false)
  const [keys, setKeys] = useState(false)
  const [explaining, setExplaining] = useState<Explaining>()
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
    {
      keys: ['F1'],
      label: 'What this view is for',
      strip: 'explain',
      run: () => setExplaining({ path: pathname }),
      whileTyping: true,
    },
    { keys: ['. a'], label: 'Go to the Almanac', run: go('/') },
    { keys: ['. g'], label: 'Go to Gather', run: go('/gather') },
    { keys: ['. p'], label: 'Go to Post', run: go('/post') },
    { keys: ['. r'], label: 'Go to Reconcile', run: go('/reconcile') },
    { keys: ['. e'], label: 'Go to Close', run: go('/close') },
    { keys: ['. j'], label: 'Go to the Journal', run: go('/journal') },
    { keys: ['. u'], label: 'Go to Rules', run: go('/rules') },
    { keys: ['. n'], label: 'Go to Plan', run: go('/plan') },
    { keys: ['. t'], label: 'Go to Reports', run: go('/reports') },
    { keys: ['. c'], label: 'Go to the Chart', run: go('/chart') },
    { keys: ['. w'], label: 'Go to Payees', run: go('/payees') },
    { keys: ['. k'], label: 'Go to Tags', run: go('/tags') },
    { keys: ['. b'], label: 'Go to Books', run: go('/books') },
    { keys: ['. x'], label: 'Go to Currencies', run: go('/currencies') },
    { keys: ['. o'], label: 'Go to People', run: go('/people') },
    { keys: ['. y'], label: 'Go to You', run: go('/you') },
    { keys: ['. m'], label: 'Go to what programs can ask', run: go('/api-document') },
    { keys: ['. l'], label: 'Light or dark', run: switchTheme },
    { keys: ['. q'], label: 'Sign out', run: signOut },
  ])

  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[52px_40px_minmax(0,1fr)_26px]">
      <header className="flex items-center gap-[30px] border-b border-hairline px-(--edge) narrow:gap-4">
        <NavLink
          className="flex items-center gap-2.5 font-serif text-[20px]/none font-medium tracking-[-0.005em] whitespace-nowrap [&_svg]:text-needle"
          to={`/${search}`}
          aria-label="Yew Ledger, Almanac"
        >
          <Mark />
          <span>Yew Ledger</span>
        </NavLink>
        <NavLink className={goTo} to={`/${search}`} end>
          Almanac
        </NavLink>
        <nav aria-label="Work path">
          <ol className="flex items-center">
            {page.data?.booksOpen === false && <Station to="/setup" label="Set up" left={page.data.missing.length} />}
            <Station to={`/gather${search}`} label="Gather" left={stations?.gather} />
            <Station to={`/post${search}`} label="Post" left={stations?.post} />
            <Station to={`/reconcile${search}`} label="Reconcile" left={stations?.reconcile} />
            <Station to={`/close${search}`} label="Close" left={stations?.close} />
          </ol>
        </nav>
        <nav className="ml-auto flex gap-6 text-ink-2 narrow:gap-3.5" aria-label="Books">
          {BOOKS.map((b) => (
            <NavLink key={b.to} className={of(b.to, pathname)} to={b.to + search}>
              {b.label}
            </NavLink>
          ))}
        </nav>
      </header>
      <div className="flex items-center border-b border-hairline px-(--edge)">
        <BookSwitch />
        <MonthReel cells={page.data?.reel ?? []} />
        <button
          type="button"
          className="ml-auto flex h-[26px] w-[226px] cursor-text items-center justify-between rounded-md border border-hairline-2 bg-leaf pr-[5px] pl-2.5 text-ink-3 hover:border-ink-3 narrow:w-28"
          onClick={() => setFinding(true)}
          aria-label="Find or do"
        >
          <span>Find or do…</span>
          <span aria-hidden="true" className="narrow:hidden">
            <kbd>Ctrl</kbd> <kbd>K</kbd>
          </span>
        </button>
        <Who />
      </div>
      <Suspense fallback={<Loading what="the view" />}>
        <Outlet />
      </Suspense>
      <KeyStrip />
      {finding && <FindOrDo open onClose={() => setFinding(false)} onExplain={setExplaining} />}
      {explaining && <Explained what={explaining} onClose={() => setExplaining(undefined)} />}
      {keys && <AllKeys open onClose={() => setKeys(false)} />}
    </div>
  )
}

const HERE = 'font-semibold text-ink after:absolute after:inset-x-0 after:-bottom-px after:h-0.5 after:bg-needle'
const goTo =
  'relative flex h-[52px] items-center px-0.5 whitespace-nowrap aria-[current]:font-semibold aria-[current]:text-ink aria-[current]:after:absolute aria-[current]:after:inset-x-0 aria-[current]:after:-bottom-px aria-[current]:after:h-0.5 aria-[current]:after:bg-needle'

/** An account's page belongs to the Chart. */
const of = (to: string, pathname: string) =>
  to === '/chart' && pathname.startsWith('/accounts/') ? `${goTo} ${HERE}` : goTo

function Station({ to, label, left }: { to: string; label: string; left: number | undefined }) {
  return (
    <li className="flex items-center before:h-px before:w-[26px] before:bg-ink-3 first:before:hidden narrow:before:w-2.5">
      <NavLink
        className="group flex h-7 items-baseline gap-[7px] rounded-md border border-hairline-2 bg-leaf px-[11px] leading-[26px] hover:border-ink-3 aria-[current]:border-needle aria-[current]:bg-needle aria-[current]:font-semibold aria-[current]:text-on-needle"
        to={to}
        aria-label={left === undefined ? label : `${label}, ${left} left`}
      >
        {label}{' '}
        <b className={`group-aria-[current]:text-inherit ${left ? 'text-heartwood' : 'font-normal text-ink-3'}`}>
          {left === undefined ? '' : figure(String(left))}
        </b>
      </NavLink>
    </li>
  )
}

function BookSwitch() {
  const { data: books = [] } = useQuery(booksQuery)
  const { book, set } = useScope()
  if (books.length < 2) return null
  return (
    <ToggleGroup.Root
      type="single"
      aria-label="Book"
      className="flex h-[26px] rounded-md border border-hairline-2 bg-leaf"
      value={book ?? ALL}
      onValueChange={(chosen) => chosen && set('book', chosen === ALL ? undefined : chosen)}
    >
      {[...books.map((b) => ({ id: b.id, name: b.name })), { id: ALL, name: books.length > 2 ? 'All' : 'Both' }].map(
        ({ id, name }) => (
          <ToggleGroup.Item
            key={id}
            value={id}
            className="h-6 border-0 border-hairline px-2.5 leading-6 whitespace-nowrap text-ink-2 not-first:border-l first:rounded-l-[5px] last:rounded-r-[5px] data-[state=on]:bg-dusk-tint data-[state=on]:font-semibold data-[state=on]:text-dusk"
          >
            {name}
          </ToggleGroup.Item>
        ),
      )}
    </ToggleGroup.Root>
  )
}

const ALL = 'all'

function MonthReel({ cells }: { cells: Schemas['CellJson'][] }) {
  const { month, set } = useScope()
  const first = cells.length - 8
  return (
    <ol className="ml-[26px] flex h-10 items-stretch narrow:ml-3" aria-label="Months">
      {cells.map((cell, i) => (
        <li key={cell.month} className={`flex ${i < first ? 'narrow:hidden' : ''}`}>
          {(i === 0 || cell.month.endsWith('-01')) && (
            <span className="flex w-[34px] items-end justify-end pr-[5px] pb-2 text-micro/[11px] text-ink-2">
              {yearOf(cell.month)}
            </span>
          )}
          <a
            className="my-0.5 flex w-[37px] flex-col items-center justify-center gap-[3px] rounded-md border-[1.5px] border-transparent text-micro/[11px] text-ink-2 hover:bg-leaf hover:text-ink aria-[current]:w-[43px] aria-[current]:border-dusk aria-[current]:bg-leaf aria-[current]:font-semibold aria-[current]:text-ink"
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
      <DropdownMenu.Trigger
        className="ml-3 size-[26px] flex-none rounded-full border-0 bg-dusk-tint p-0 text-center text-[12.5px] font-semibold text-dusk"
        aria-label={data.name}
      >
        {data.name.slice(0, 1)}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className={`${floating} w-56`} align="end" sideOffset={6}>
          <DropdownMenu.Label className="px-2 py-1.5">
            <b>{data.name}</b>
            <br />
            <span className="text-ink-2 text-small">
              {data.householdName}, {data.role.toLowerCase()}
            </span>
          </DropdownMenu.Label>
          {OF_THE_HOUSEHOLD.map((place) => (
            <DropdownMenu.Item key={place.to} className={floatingRow} onSelect={() => navigate(place.to + search)}>
              {place.label}
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Item className={floatingRow} onSelect={switchTheme}>
            Light or dark
          </DropdownMenu.Item>
          <DropdownMenu.Item className={floatingRow} onSelect={signOut}>
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
