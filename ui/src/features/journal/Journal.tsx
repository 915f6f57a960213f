import { keepPreviousData, useInfiniteQuery, usePrefetchQuery, useQuery } from '@tanstack/react-query'
import { useCallback, useDeferredValue, useMemo, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useScopeSearch } from '@/app/scope'
import { FileInput } from '@/features/attachments/AttachmentStrip'
import { type Beside, ReceiptsBeside } from '@/features/attachments/ReceiptsBeside'
import { useAttach, useAttachments, usePasted } from '@/features/attachments/useAttachments'
import { Button } from '@/parts/Button'
import { counted, figure, longDay, longMonth, signed } from '@/parts/figures'
import { textLink } from '@/parts/look'
import { allPayees } from '@/parts/PayeePicker'
import { Failed, Loading, Nothing } from '@/parts/States'
import { Head, Leaf, View } from '@/parts/View'
import { Arrange } from './Arrange'
import { EntryRows } from './EntryRows'
import { JumpToDay } from './JumpToDay'
import { KeptViews } from './KeptViews'
import { QueryBox, SetChip } from './QueryBox'
import { QuickEntry } from './QuickEntry'
import { type Template, Templates } from './Templates'
import { NEWEST_FIRST, useSought } from './useSought'

/** All entries, sought and sorted as one likes, each opening in place to its postings. */
export function Journal() {
  const sought = useSought()
  const { book, month, everyMonth, order, at, set } = sought
  const looked = useDeferredValue(sought.text)
  const field = useRef<HTMLInputElement>(null)
  const query = { book, month, text: looked }
  const journal = useInfiniteQuery({
    queryKey: ['journal', query, order, at],
    enabled: sought.ready,
    initialPageParam: '',
    placeholderData: keepPreviousData,
    queryFn: ({ pageParam }) =>
      data(api.GET('/api/entries', { params: { query: { ...query, order, at, after: pageParam || undefined } } })),
    getNextPageParam: (page) => page.next ?? undefined,
  })
  const totals = useQuery({
    queryKey: ['journal', 'totals', query],
    enabled: sought.ready,
    placeholderData: keepPreviousData,
    queryFn: () => data(api.GET('/api/entries/totals', { params: { query } })),
  })
  const [typing, setTyping] = useState(false)
  usePrefetchQuery(allPayees)
  const [template, setTemplate] = useState<Template>()
  const [beside, setBeside] = useState<Beside>()
  const [only, setOnly] = useState<Schemas['EntryJson']>()
  const chosen = only && { entryId: only.id, no: only.no }
  const waiting = useAttachments({}).data?.length ?? 0
  const { attach } = useAttach({ entryId: only?.id })
  usePasted((files) => void attach(files))
  const file = useRef<HTMLInputElement>(null)
  const navigate = useNavigate()
  const search = useScopeSearch()
  const [asking, setAsking] = useState<'arrange' | 'views' | 'day' | 'templates'>()
  const close = () => setAsking(undefined)
  function closeEntry() {
    setTyping(false)
    setTemplate(undefined)
  }
  useCommands([
    { keys: ['n'], label: 'New entry', changes: true, strip: 'new entry', run: () => setTyping(true) },
    {
      keys: ['t'],
      label: 'Begin from a template',
      changes: true,
      strip: 'template',
      run: () => setAsking('templates'),
    },
    { keys: ['/'], label: 'Find entries', strip: 'find', run: () => field.current?.focus() },
    {
      keys: ['y'],
      label: everyMonth ? 'Only the chosen month' : 'Every month',
      strip: everyMonth ? 'one month' : 'every month',
      run: () => set({ every: everyMonth ? '' : '1', at: '' }),
    },
    { keys: ['g'], label: 'Go to a day', strip: 'day', run: () => setAsking('day') },
    { keys: ['l'], label: 'Kept views', strip: 'views', run: () => setAsking('views') },
    {
      keys: ['f'],
      label: only ? `Attach a file to no. ${only.no}` : 'Keep a receipt that waits',
      changes: true,
      strip: 'attach',
      run: () => file.current?.click(),
    },
    {
      keys: ['r'],
      label: 'Receipts that wait',
      strip: 'receipts',
      run: () => setBeside(beside === 'waiting' ? undefined : 'waiting'),
    },
    {
      keys: ['i'],
      label: 'Take in a sheet of entries',
      changes: true,
      strip: 'sheet',
      run: () => navigate(`/journal/sheet${search}`),
    },
    { keys: ['o'], label: 'Columns and order', run: () => setAsking('arrange') },
  ])
  const { hasNextPage, isFetching, fetchNextPage } = journal
  const more = useCallback(() => {
    if (hasNextPage && !isFetching) void fetchNextPage()
  }, [hasNextPage, isFetching, fetchNextPage])
  const entries = useMemo(() => journal.data?.pages.flatMap((p) => p.entries) ?? [], [journal.data])

  return (
    <View beside={beside !== undefined} className="[--insp:min(520px,42vw)]">
      <Leaf>
        <Head title="Journal" about={<Totals totals={totals.data} />}>
          <Button onClick={() => setBeside('waiting')}>
            {waiting > 0 ? counted(waiting, 'receipt') : 'Receipts'} <kbd>R</kbd>
          </Button>
          <MayChange>
            <Button whyNot={typing ? 'It is being typed.' : undefined} onClick={() => setTyping(true)}>
              New entry <kbd>N</kbd>
            </Button>
          </MayChange>
        </Head>
        <search className="flex-none px-(--edge) pb-2.5">
          <QueryBox
            ref={field}
            label="Find entries"
            text={sought.text}
            onText={(text) => set({ text })}
            onDays={sought.setNamesDays}
          >
            {month && (
              <SetChip words="the month" onDrop={() => set({ every: '1' })}>
                month <b>{longMonth(month)}</b>
              </SetChip>
            )}
            {at && (
              <SetChip words="the day it begins with" onDrop={() => set({ at: '' })}>
                from <b>{longDay(at)}</b> {order === NEWEST_FIRST ? 'back' : 'on'}
              </SetChip>
            )}
          </QueryBox>
        </search>
        {typing && <QuickEntry bookId={book} template={template} onClose={closeEntry} />}
        {journal.isPending && <Loading what="the journal" />}
        {journal.error && <Failed error={journal.error} retry={journal.refetch} />}
        {journal.data && entries.length === 0 && (
          <Nothing title="No entry is like that">
            <p>
              {month ? 'Look for something else, or in ' : 'Look for something else.'}
              {month && (
                <button type="button" className={textLink()} onClick={() => set({ every: '1' })}>
                  every month
                </button>
              )}
              {month && '.'}
            </p>
          </Nothing>
        )}
        {entries.length > 0 && (
          <EntryRows
            entries={entries}
            sought={query}
            order={order}
            onOrder={(next) => set({ order: next, at: '' })}
            onEnd={more}
            beside={beside !== undefined}
            onLook={(file) => setBeside({ file })}
            onChosen={setOnly}
          />
        )}
      </Leaf>
      {beside && <ReceiptsBeside beside={beside} chosen={chosen} onBeside={setBeside} />}
      <FileInput ref={file} onFiles={(files) => void attach(files)} />
      {asking === 'arrange' && (
        <Arrange order={order} onOrder={(next) => set({ order: next, at: '' })} onClose={close} />
      )}
      {asking === 'views' && (
        <KeptViews
          now={{ query: sought.text, everyMonth, order }}
          onOpen={(view) => {
            set({ text: view.query, every: view.everyMonth ? '1' : '', order: view.order, at: '' })
            close()
          }}
          onClose={close}
        />
      )}
      {asking === 'templates' && (
        <Templates
          onBegin={(chosen) => {
            // A new one each time, so that it begins again.
            setTemplate({ ...chosen })
            setTyping(true)
            close()
          }}
          onClose={close}
        />
      )}
      {asking === 'day' && (
        <JumpToDay
          onEnd={(order) => set({ at: '', every: '1', order })}
          onDay={(day) => set({ at: day, every: '1', order: order.endsWith('date') ? order : NEWEST_FIRST })}
          onClose={close}
        />
      )}
    </View>
  )
}

/** How many entries fit and what they moved, by currency. */
function Totals({ totals }: { totals: Schemas['MovedJson'][] | undefined }) {
  if (!totals) return null
  const count = totals.reduce((sum, t) => sum + t.count, 0)
  return (
    <>
      {figure(String(count))} {count === 1 ? 'entry' : 'entries'}
      {totals.map((t) => (
        <span key={t.currency} className="ml-5">
          {totals.length > 1 && `${t.currency} `}in {signed(t.in)} <span className="ml-2">out {signed(t.out)}</span>
          {t.transfers > 0 && <span className="ml-2">besides {counted(t.transfers, 'transfer')}</span>}
        </span>
      ))}
    </>
  )
}
