import { useQuery } from '@tanstack/react-query'
import { type ReactNode, useState } from 'react'
import { Navigate } from 'react-router'
import { api, data } from '@/api/client'
import { session } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useScope } from '@/app/scope'
import { PlanNav } from '@/features/plan/PlanNav'
import { Button } from '@/parts/Button'
import { longDay } from '@/parts/figures'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { Scroll } from '@/parts/Scroll'
import { Select } from '@/parts/Select'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useSaidAct } from '@/parts/useSaidAct'
import { useSelection } from '@/parts/useSelection'
import { Head, Inspector, Leaf, View } from '@/parts/View'
import { AheadLines } from './AheadLines'
import { type Doing, DueInspector } from './DueInspector'
import { DueTable } from './DueTable'
import { Holidays } from './Holidays'
import { RegularPayments } from './RegularPayments'
import { ScheduleForm } from './ScheduleForm'
import { EnterDue, IsEntry, MoveDue, SkipDue, settle } from './SettleDue'
import { type Begun, type DueItem, daysAfter, isExpected, keyOf } from './schedule'
import { useAhead } from './useAhead'
import { useLikeEntry } from './useLikeEntry'

const REACHES = [
  { value: '31', name: 'a month ahead' },
  { value: '92', name: 'three months ahead' },
  { value: '366', name: 'a year ahead' },
  { value: '549', name: 'eighteen months ahead' },
]

/** What is due, day by day: overdue, to come, just entered, skipped. */
export function YearAhead() {
  const { book } = useScope()
  const [reach, setReach] = useState('92')
  const { data: me } = useQuery(session)
  const through = me && daysAfter(me.today, Number(reach))
  const due = useQuery({
    queryKey: ['due items', through, book],
    enabled: through !== undefined,
    queryFn: () => data(api.GET('/api/due-items', { params: { query: { through: through ?? '', book } } })),
    placeholderData: (previous) => previous,
  })
  if (due.error && !due.data) return <Failed error={due.error} retry={due.refetch} />
  if (!due.data || !through) return <Loading what="what is due" />
  return (
    <Ahead items={due.data.items} today={due.data.today} through={through} book={book}>
      <Select aria-label="How far" value={reach} options={REACHES} onChange={setReach} />
    </Ahead>
  )
}

function Ahead({
  items,
  today,
  through,
  book,
  children,
}: {
  items: DueItem[]
  today: string
  through: string
  book: string | undefined
  children: ReactNode
}) {
  const act = useSaidAct()
  const [doing, setDoing] = useState<Doing | 'new' | 'holidays' | 'regular'>()
  const [like, setLike] = useState<Begun>()
  const begun = useLikeEntry()
  const ahead = useAhead(items, through, book)
  function close() {
    setDoing(undefined)
    setLike(undefined)
    begun.forget()
  }
  const first = items.find(isExpected) ?? items[0]
  const selection = useSelection(items.map(keyOf), 'due item', first && keyOf(first))
  const now = items.find((item) => keyOf(item) === selection.selected)
  const expect = (item: DueItem) => act(() => settle(item, { how: 'EXPECT' }), `${item.payee} is expected again.`)
  const overdue = items.filter((item) => item.state === 'OVERDUE').length
  const open = () => now && setDoing(isExpected(now) ? 'enter' : 'change')
  useCommands([
    { keys: ['n'], label: 'New schedule', changes: true, strip: 'new schedule', run: () => setDoing('new') },
    { keys: ['r'], label: 'Payments that came regularly', strip: 'regular', run: () => setDoing('regular') },
    { keys: ['h'], label: 'Holidays', strip: 'holidays', run: () => setDoing('holidays') },
    ...(now ? [...keysOf(now, setDoing, () => void expect(now))] : []),
  ])
  const newLike = like ?? begun.schedule
  const forms = doing === 'new' || doing === 'change' || newLike !== undefined
  return (
    <View beside={now !== undefined || forms} above={<PlanNav />}>
      <Leaf>
        <Head title="The year ahead" about={`${overdue > 0 ? `${overdue} overdue, ` : ''}through ${longDay(through)}`}>
          {children}
          <Button onClick={() => setDoing('regular')}>
            Regular payments <kbd>R</kbd>
          </Button>
          <MayChange>
            <Button onClick={() => setDoing('new')}>
              New schedule <kbd>N</kbd>
            </Button>
          </MayChange>
        </Head>
        {begun.error && (
          <div className="px-(--edge) pb-2">
            <ProblemNote error={begun.error} />
          </div>
        )}
        {items.length === 0 ? (
          <Nothing title="Nothing is expected">
            A schedule says what comes again and again: the rent, the pay, a club. Make one with <kbd>N</kbd>, or from
            an entry in the journal with <kbd>X</kbd>.
          </Nothing>
        ) : (
          <>
            {ahead.shown && (
              <AheadLines
                accounts={ahead.moved}
                shown={ahead.shown}
                today={today}
                through={through}
                onShow={ahead.show}
              />
            )}
            <Scroll grid label="What is due">
              <DueTable items={items} today={today} ahead={ahead.shown} selection={selection} onOpen={open} />
            </Scroll>
          </>
        )}
      </Leaf>
      {forms ? (
        <Inspector label="Schedule">
          {newLike ? (
            <ScheduleForm key={`${newLike.payee} ${newLike.first}`} like={newLike} onClose={close} />
          ) : doing === 'new' ? (
            <ScheduleForm onClose={close} />
          ) : (
            now && <ChangeSchedule item={now} onClose={close} />
          )}
        </Inspector>
      ) : (
        now && (
          <Inspector label="The selected due item">
            <DueInspector item={now} today={today} onDo={setDoing} onExpect={() => void expect(now)} />
          </Inspector>
        )
      )}
      {now && doing === 'enter' && <EnterDue item={now} onClose={close} />}
      {now && doing === 'skip' && <SkipDue item={now} onClose={close} />}
      {now && doing === 'move' && <MoveDue item={now} onClose={close} />}
      {now && doing === 'is entry' && <IsEntry item={now} onClose={close} />}
      {doing === 'holidays' && <Holidays onClose={close} />}
      {doing === 'regular' && (
        <RegularPayments
          onExpect={(found) => {
            setDoing(undefined)
            setLike(found)
          }}
          onClose={close}
        />
      )}
    </View>
  )
}

function keysOf(item: DueItem, onDo: (what: Doing) => void, onExpect: () => void) {
  const expected = [
    { keys: ['Enter'], label: 'Enter it', strip: 'enter it', run: () => onDo('enter') },
    { keys: ['x'], label: 'Skip this one', strip: 'skip', run: () => onDo('skip') },
    { keys: ['d'], label: 'Move the day', strip: 'move the day', run: () => onDo('move') },
    { keys: ['i'], label: 'It is an entry', strip: 'is an entry', run: () => onDo('is entry') },
  ]
  const settled = [{ keys: ['a'], label: 'Expect it again', strip: 'expect again', run: onExpect }]
  return [
    ...(isExpected(item) ? expected : settled),
    { keys: ['e'], label: 'Change the schedule', strip: 'change', run: () => onDo('change') },
  ].map((command) => ({ ...command, changes: true, onRow: true }) as const)
}

/** The schedule of an item as it is now, changed or ended. */
function ChangeSchedule({ item, onClose }: { item: DueItem; onClose: () => void }) {
  const act = useSaidAct()
  const schedule = useQuery({
    queryKey: ['schedule', item.scheduleId],
    queryFn: () => data(api.GET('/api/schedules/{id}', { params: { path: { id: item.scheduleId } } })),
  })
  if (schedule.error) return <Failed error={schedule.error} retry={schedule.refetch} />
  if (!schedule.data) return <Loading what="the schedule" />
  const { id, version, payee, varies } = schedule.data
  if (varies) return <Navigate to="/plan/loans" />
  return (
    <>
      <ScheduleForm key={`${id} ${version}`} schedule={schedule.data} onClose={onClose} />
      <MayChange>
        <Button
          className="mb-3"
          onClick={async () => {
            onClose()
            await act(
              () => data(api.DELETE('/api/schedules/{id}', { params: { path: { id }, query: { version } } })),
              `${payee} is expected no more.`,
            )
          }}
        >
          End the schedule
        </Button>
      </MayChange>
    </>
  )
}
