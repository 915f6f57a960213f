import { useInfiniteQuery, useQuery } from '@tanstack/react-query'
import { useCallback, useDeferredValue, useMemo, useRef, useState } from 'react'
import { useSearchParams } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { books } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useScope } from '@/app/scope'
import { Flow } from '@/parts/Amount'
import { Button } from '@/parts/Button'
import { FindBox } from '@/parts/FindBox'
import { counted, day, figure, longMonth } from '@/parts/figures'
import { ChosenSum } from '@/parts/grid/ChosenSum'
import { Grid, type Item } from '@/parts/grid/Grid'
import { Icon, StateMark } from '@/parts/Icon'
import { chip, textLink } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { Head, Leaf, View } from '@/parts/View'
import { CopyEntry } from './CopyEntry'
import { EntryEditor } from './EntryEditor'
import { MergeEntries } from './MergeEntries'
import { OpenedEntry, openedHeight } from './OpenedEntry'
import { QuickEntry } from './QuickEntry'
import { TakeBackEntry } from './TakeBackEntry'

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
  const [typing, setTyping] = useState(false)
  useCommands([
    { keys: ['n'], label: 'New entry', changes: true, strip: 'new entry', run: () => setTyping(true) },
    { keys: ['/'], label: 'Find entries', strip: 'find', run: () => field.current?.focus() },
    {
      keys: ['y'],
      label: everyMonth ? 'Only the chosen month' : 'Every month',
      strip: everyMonth ? 'one month' : 'every month',
      run: () => set('every', everyMonth ? '' : '1'),
    },
  ])
  const { hasNextPage, isFetching, fetchNextPage } = journal
  const more = useCallback(() => {
    if (hasNextPage && !isFetching) void fetchNextPage()
  }, [hasNextPage, isFetching, fetchNextPage])
  const entries = useMemo(() => journal.data?.pages.flatMap((p) => p.entries) ?? [], [journal.data])
  const count = journal.data?.pages[0]?.count ?? 0

  return (
    <View>
      <Leaf>
        <Head
          title="Journal"
          about={
            journal.data &&
            (count > MOST_COUNTED
              ? `over ${figure(String(MOST_COUNTED))} entries`
              : `${figure(String(count))} ${count === 1 ? 'entry' : 'entries'}`)
          }
        >
          <MayChange>
            <Button whyNot={typing ? 'It is being typed.' : undefined} onClick={() => setTyping(true)}>
              New entry <kbd>N</kbd>
            </Button>
          </MayChange>
          <search>
            <FindBox
              ref={field}
              className="w-[min(620px,50vw)]"
              label="Find entries"
              placeholder="payee, note, account or number"
              value={text}
              onChange={(typed) => set('text', typed)}
            >
              {!everyMonth && month && (
                <span className={chip({ tone: 'dusk', className: 'flex-none' })}>
                  month <b>{longMonth(month)}</b>
                  <button
                    type="button"
                    className="border-0 bg-transparent p-0.5"
                    aria-label="Every month"
                    onClick={() => set('every', '1')}
                  >
                    <Icon name="close" size={10} />
                  </button>
                </span>
              )}
            </FindBox>
          </search>
        </Head>
        {typing && <QuickEntry bookId={book} onClose={() => setTyping(false)} />}
        {journal.isPending && <Loading what="the journal" />}
        {journal.error && <Failed error={journal.error} retry={journal.refetch} />}
        {journal.data && count === 0 && (
          <Nothing title="No entry is like that">
            <p>
              {everyMonth ? 'Look for something else.' : 'Look for something else, or in '}
              {!everyMonth && (
                <button type="button" className={textLink()} onClick={() => set('every', '1')}>
                  every month
                </button>
              )}
              {!everyMonth && '.'}
            </p>
          </Nothing>
        )}
        {count > 0 && <EntryRows entries={entries} onEnd={more} />}
      </Leaf>
    </View>
  )
}

/** The entries as rows, each opening in place to its postings. */
function EntryRows({ entries, onEnd }: { entries: Entry[]; onEnd: () => void }) {
  const { data: allBooks = [] } = useQuery(books)
  // Named once at the head; a line that is in another currency names its own.
  const usual = allBooks[0]?.currency ?? ''
  const [open, setOpen] = useState<Set<string>>(new Set())
  const selection = useSelection(
    entries.map((e) => e.id),
    'entry',
  )
  const chosen = entries.filter((e) => selection.chosen.has(e.id))
  const only = chosen.length === 1 ? chosen[0] : undefined
  const flows = chosen.filter((e) => !e.transfer)
  const [merging, setMerging] = useState<Entry[]>([])
  const [doing, setDoing] = useState<{ what: 'change' | 'copy' | 'take back'; entry: Entry }>()
  function toggle(entry: Entry | undefined) {
    if (!entry) return
    setOpen((old) => {
      const next = new Set(old)
      if (!next.delete(entry.id)) next.add(entry.id)
      return next
    })
  }
  useCommands([
    {
      keys: ['Enter', 'ArrowRight'],
      label: 'Open or fold the postings',
      strip: 'open postings',
      onRow: true,
      run: () => toggle(entries.find((e) => e.id === selection.selected)),
    },
    ...(only
      ? [
          {
            keys: ['e'],
            label: 'Change the entry',
            strip: 'change',
            run: () => setDoing({ what: 'change', entry: only }),
          },
          {
            keys: ['d'],
            label: 'Copy it to another day',
            strip: 'copy',
            run: () => setDoing({ what: 'copy', entry: only }),
          },
          {
            keys: ['v'],
            label: 'Void, reverse or delete it',
            strip: 'take back',
            run: () => setDoing({ what: 'take back', entry: only }),
          },
        ].map((command) => ({ ...command, changes: true, onRow: true }) as const)
      : []),
    ...(chosen.length > 2
      ? []
      : [
          {
            keys: ['m'],
            label: chosen.length === 2 ? 'These two are one, booked twice' : 'Merge a doubled entry',
            strip: 'merge',
            changes: true,
            onRow: true,
            run: () => setMerging(chosen),
          },
        ]),
  ])
  const items = entries.flatMap((entry): Item<Entry>[] => {
    const isOpen = open.has(entry.id)
    const row = { key: entry.id, row: entry, attributes: { 'aria-level': 1, 'aria-expanded': isOpen } }
    if (!isOpen) return [row]
    return [
      row,
      {
        key: `${entry.id} opened`,
        look: '',
        height: openedHeight(entry),
        band: <OpenedEntry entry={entry} columns={COLUMNS} />,
      },
    ]
  })
  return (
    <>
      <Scroll grid label="Entries">
        <Grid
          tree
          label="Entries of the journal"
          columns={[
            { head: <span className="sr-only">State</span>, width: 'w-[58px] narrow:w-[50px]' },
            { head: 'Date', width: 'w-[80px]' },
            { head: 'No.', width: 'w-[56px]', end: true },
            { head: 'Payee, note' },
            { head: `Amount, ${usual}`, width: 'w-[126px]', end: true },
            { head: 'From', width: 'w-[22%]' },
            { head: 'To', width: 'w-[24%]' },
          ]}
          items={items}
          selection={selection}
          onPick={(entry, how) => how === 'alone' && toggle(entry)}
          onEnd={onEnd}
          cells={(entry) => <EntryCells entry={entry} usual={usual} />}
        />
      </Scroll>
      {doing?.what === 'change' && <EntryEditor entry={doing.entry} onClose={() => setDoing(undefined)} />}
      {doing?.what === 'copy' && <CopyEntry entry={doing.entry} onClose={() => setDoing(undefined)} />}
      {doing?.what === 'take back' && <TakeBackEntry entry={doing.entry} onClose={() => setDoing(undefined)} />}
      {merging[0] && <MergeEntries entry={merging[0]} with={merging[1]} onClose={() => setMerging([])} />}
      <ChosenSum
        what="entry"
        many="entries"
        count={chosen.length}
        amounts={flows.map((e) => ({ amount: e.amount, currency: e.currency }))}
        besides={flows.length < chosen.length ? `besides ${counted(chosen.length - flows.length, 'transfer')}` : ''}
      />
    </>
  )
}

const COLUMNS = 7

function EntryCells({ entry, usual }: { entry: Entry; usual: string }) {
  return (
    <>
      <td>
        <StateMark state={entry.state} />
      </td>
      <td className="text-ink-2">{day(entry.date)}</td>
      <td className="text-right text-small text-ink-2">{entry.no}</td>
      <td>
        {entry.payee} {entry.note && <span className="text-ink-2">{entry.note}</span>}
      </td>
      <td className="text-right">
        {entry.currency !== usual && <span className="text-small text-ink-2">{entry.currency} </span>}
        {entry.transfer ? figure(entry.amount) : <Flow amount={entry.amount} />}
      </td>
      <td className="text-ink-2">{entry.from}</td>
      <td>
        <Icon name="arrow" size={13} /> {entry.to}
      </td>
    </>
  )
}
