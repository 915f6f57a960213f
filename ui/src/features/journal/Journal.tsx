import { useInfiniteQuery, useQuery } from '@tanstack/react-query'
import { useVirtualizer } from '@tanstack/react-virtual'
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { api, data, messageOf, type Schemas } from '@/api/client'
import { books } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { useScope, useScopeSearch } from '@/app/scope'
import { day, figure, inSentence, longMonth, moment, signed } from '@/parts/figures'
import { Icon, StateMark } from '@/parts/Icon'
import { Failed, Loading, Nothing } from '@/parts/States'
import './journal.css'

type Entry = Schemas['EntryJson']

/** More are not counted. */
const MOST_COUNTED = 1_000

/** All entries, newest first, each opening in place to its postings. */
export function Journal() {
  const { book, month } = useScope()
  const [params, setParams] = useSearchParams()
  const text = params.get('text') ?? ''
  const everyMonth = params.has('every')
  const looked = useDeferredValue(text)
  const field = useRef<HTMLInputElement>(null)
  const wanted = everyMonth ? undefined : month
  const journal = useInfiniteQuery({
    queryKey: ['journal', book, wanted, looked],
    enabled: everyMonth || month !== undefined,
    initialPageParam: '',
    queryFn: ({ pageParam }) =>
      data(
        api.GET('/api/entries', {
          params: { query: { book, month: wanted, text: looked, after: pageParam || undefined } },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  })
  const set = (name: string, value: string) =>
    setParams(
      (old) => {
        const next = new URLSearchParams(old)
        if (value) next.set(name, value)
        else next.delete(name)
        return next
      },
      { replace: true },
    )
  useCommands([
    { keys: ['/'], label: 'Find entries', strip: 'find', run: () => field.current?.focus() },
    {
      keys: ['e'],
      label: everyMonth ? 'Only the chosen month' : 'Every month',
      strip: everyMonth ? 'one month' : 'every month',
      run: () => set('every', everyMonth ? '' : '1'),
    },
  ])
  const entries = useMemo(() => journal.data?.pages.flatMap((p) => p.entries) ?? [], [journal.data])
  const count = journal.data?.pages[0]?.count ?? 0

  return (
    <main tabIndex={-1}>
      <section className="sheet">
        <div className="head jh">
          <h1>Journal</h1>
          <search className="query">
            <Icon name="search" />
            {!everyMonth && month && (
              <span className="chip dusk">
                month <b>{longMonth(month)}</b>
                <button type="button" aria-label="Every month" onClick={() => set('every', '1')}>
                  <Icon name="close" size={10} />
                </button>
              </span>
            )}
            <input
              ref={field}
              aria-label="Find entries"
              placeholder="payee, note, account or number"
              value={text}
              onChange={(e) => set('text', e.target.value)}
              onKeyDown={(e) => e.key === 'Escape' && e.currentTarget.blur()}
            />
            <kbd>/</kbd>
          </search>
          <span className="end q s">
            {journal.data && count > MOST_COUNTED
              ? `over ${figure(String(MOST_COUNTED))} entries`
              : `${figure(String(count))} ${count === 1 ? 'entry' : 'entries'}`}
          </span>
        </div>
        {journal.isPending && <Loading what="the journal" />}
        {journal.error && <Failed error={journal.error} retry={journal.refetch} />}
        {journal.data && count === 0 && (
          <Nothing title="No entry is like that">
            <p>
              {everyMonth ? 'Look for something else.' : 'Look for something else, or in '}
              {!everyMonth && (
                <button type="button" className="link" onClick={() => set('every', '1')}>
                  every month
                </button>
              )}
              {!everyMonth && '.'}
            </p>
          </Nothing>
        )}
        {count > 0 && (
          <EntryRows
            entries={entries}
            more={journal.hasNextPage}
            onMore={() => !journal.isFetching && journal.fetchNextPage()}
          />
        )}
      </section>
    </main>
  )
}

/** Rows as tall as they are drawn; only those in sight are in the page, so a million scroll alike. */
function EntryRows({ entries, more, onMore }: { entries: Entry[]; more: boolean; onMore: () => void }) {
  const box = useRef<HTMLDivElement>(null)
  const { data: allBooks = [] } = useQuery(books)
  // Named once at the head; a line that is in another currency names its own.
  const usual = allBooks[0]?.currency ?? ''
  const [selected, setSelected] = useState(0)
  const [open, setOpen] = useState<Set<string>>(new Set())
  const at = Math.min(selected, entries.length - 1)
  const rows = useVirtualizer({
    count: entries.length,
    getScrollElement: () => box.current,
    getItemKey: (i) => entries[i]?.id ?? i,
    estimateSize: (i) => {
      const entry = entries[i]
      return entry && open.has(entry.id) ? 34 + 24 * lines(entry) : 34
    },
    overscan: 12,
  })
  // biome-ignore lint/correctness/useExhaustiveDependencies: opening a row changes its height
  useEffect(() => rows.measure(), [open])

  const items = rows.getVirtualItems()
  const last = items.at(-1)?.index ?? 0
  useEffect(() => {
    if (more && last > entries.length - 20) onMore()
  }, [last, more, entries.length, onMore])

  function select(next: number) {
    const to = Math.min(Math.max(next, 0), entries.length - 1)
    setSelected(to)
    rows.scrollToIndex(to)
  }
  function toggle(entry: Entry | undefined) {
    if (!entry) return
    setOpen((old) => {
      const next = new Set(old)
      if (!next.delete(entry.id)) next.add(entry.id)
      return next
    })
  }
  useCommands([
    { keys: ['ArrowUp', 'k'], label: 'Previous entry', strip: 'entry', run: () => select(at - 1) },
    { keys: ['ArrowDown', 'j'], label: 'Next entry', strip: 'entry', run: () => select(at + 1) },
    {
      keys: ['Enter', 'ArrowRight'],
      label: 'Open or fold the postings',
      strip: 'open postings',
      run: () => toggle(entries[at]),
    },
  ])

  return (
    <>
      <div className="jr-head" aria-hidden="true">
        <span />
        <span>Date</span>
        <span className="n">No.</span>
        <span>Payee, note</span>
        <span className="n">Amount, {usual}</span>
        <span>From</span>
        <span>To</span>
      </div>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling box has to be reachable by keyboard */}
      <section className="scroll" ref={box} tabIndex={0} aria-label="Entries">
        <ol className="jr" style={{ height: rows.getTotalSize() }}>
          {items.map((item) => {
            const entry = entries[item.index]
            if (!entry) return null
            return (
              <li key={item.key} style={{ transform: `translateY(${item.start}px)` }}>
                <EntryRow
                  usual={usual}
                  entry={entry}
                  selected={item.index === at}
                  open={open.has(entry.id)}
                  onSelect={() => {
                    setSelected(item.index)
                    toggle(entry)
                  }}
                />
              </li>
            )
          })}
        </ol>
      </section>
    </>
  )
}

function EntryRow({
  usual,
  entry,
  selected,
  open,
  onSelect,
}: {
  usual: string
  entry: Entry
  selected: boolean
  open: boolean
  onSelect: () => void
}) {
  return (
    <>
      <button type="button" className={selected ? 'jr-row sel' : 'jr-row'} aria-expanded={open} onClick={onSelect}>
        <StateMark state={entry.state} />
        <span className="q">{day(entry.date)}</span>
        <span className="n q s">{entry.no}</span>
        <span>
          {entry.payee} {entry.note && <span className="q">{entry.note}</span>}
        </span>
        <span className={!entry.transfer && !entry.amount.startsWith('-') ? 'n in' : 'n'}>
          {entry.currency !== usual && <span className="q s">{entry.currency} </span>}
          {entry.transfer ? figure(entry.amount) : signed(entry.amount)}
        </span>
        <span className="q">{entry.from}</span>
        <span>
          <Icon name="arrow" size={13} /> {entry.to}
        </span>
      </button>
      {open && <Postings entry={entry} />}
      {open && <History entry={entry} />}
    </>
  )
}

/** How many lines an open entry takes: its postings, a head, its history, and for each book its sums and name. */
function lines(entry: Entry): number {
  const postings = entry.books.reduce((sum, book) => sum + book.postings.length, 0)
  return 2 + postings + entry.books.length * (entry.books.length > 1 ? 2 : 1)
}

/** What happened to the entry, newest first, on one line; the newest acts matter most. */
function History({ entry }: { entry: Entry }) {
  const { data: page, error } = useQuery({
    queryKey: ['acts', 'of', entry.id],
    queryFn: () => data(api.GET('/api/acts', { params: { query: { entry: entry.id } } })),
  })
  const told = page?.acts.map((act) => `${inSentence(act.words)}, ${act.who}, ${moment(act.at)}`).join('; ')
  return (
    <p className="jr-history" title={told}>
      {error ? messageOf(error) : (told ?? 'Reading its history…')}
    </p>
  )
}

function Postings({ entry }: { entry: Entry }) {
  const search = useScopeSearch()
  return (
    <table className="jr-postings" aria-label={`Postings of no. ${entry.no}`}>
      <colgroup>
        <col />
        <col className="w-[112px]" />
        <col className="w-[112px]" />
        <col className="w-[44%]" />
      </colgroup>
      <thead>
        <tr>
          <th>Posting</th>
          <th className="n">Debit</th>
          <th className="n">Credit</th>
          <th />
        </tr>
      </thead>
      {entry.books.map((book) => (
        <tbody key={book.bookId}>
          {entry.books.length > 1 && (
            <tr>
              <th scope="rowgroup" className="serif">
                {book.bookName}
              </th>
              <td colSpan={3} />
            </tr>
          )}
          {book.postings.map((p, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: two postings of an entry may be alike in all but their place
            <tr key={i}>
              <td className={p.credit ? 'cr' : undefined}>
                <Link className="hover:underline" to={`/accounts/${p.accountId}${search}`}>
                  {p.accountName}
                </Link>{' '}
                <span className="q">{p.note}</span>{' '}
                {p.own && (
                  <span className="qq s">
                    {p.ownCurrency} {figure(p.own)}
                  </span>
                )}
              </td>
              <td className="n">{p.debit && figure(p.debit)}</td>
              <td className="n">{p.credit && figure(p.credit)}</td>
              <td />
            </tr>
          ))}
          <tr className="sums">
            <td className="q">balances, {book.currency}</td>
            <td className="n sum">{figure(book.total)}</td>
            <td className="n sum">{figure(book.total)}</td>
            <td />
          </tr>
        </tbody>
      ))}
    </table>
  )
}
