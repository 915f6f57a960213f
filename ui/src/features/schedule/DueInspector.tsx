import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { api, data } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { Button } from '@/parts/Button'
import { counted, day, dayInWords, figure } from '@/parts/figures'
import { entryTable, textLink } from '@/parts/look'
import { Failed, Loading } from '@/parts/States'
import { Acts, InspectorHead } from '@/parts/View'
import { type DueItem, daysBetween, isExpected, type Schedule } from './schedule'

export type Doing = 'enter' | 'skip' | 'move' | 'is entry' | 'change'

/** A due item: what it would become, how often it comes, how it came so far, and what can be done with it. */
export function DueInspector({
  item,
  today,
  onDo,
  onExpect,
}: {
  item: DueItem
  today: string
  onDo: (what: Doing) => void
  onExpect: () => void
}) {
  const schedule = useQuery({
    queryKey: ['schedule', item.scheduleId],
    queryFn: () => data(api.GET('/api/schedules/{id}', { params: { path: { id: item.scheduleId } } })),
  })
  const expected = isExpected(item)
  return (
    <>
      <InspectorHead title={item.payee} figure={figure(item.amount)}>
        {howDue(item, today)}, {item.currency}
      </InspectorHead>
      {schedule.error && <Failed error={schedule.error} retry={schedule.refetch} />}
      {schedule.isPending && <Loading what="its schedule" />}
      {schedule.data && <Becomes schedule={schedule.data} item={item} />}
      <LastTimes item={item} />
      <Acts>
        <MayChange>
          {expected ? (
            <>
              <Button tone="go" className="col-span-full" onClick={() => onDo('enter')}>
                Enter it <kbd>Enter</kbd>
              </Button>
              <Button onClick={() => onDo('skip')}>
                Skip this one <kbd>X</kbd>
              </Button>
              <Button onClick={() => onDo('move')}>
                Move the day <kbd>D</kbd>
              </Button>
              <Button onClick={() => onDo('is entry')}>
                It is an entry <kbd>I</kbd>
              </Button>
            </>
          ) : (
            <Button onClick={onExpect}>
              Expect it again <kbd>A</kbd>
            </Button>
          )}
          <Button onClick={() => onDo('change')}>
            {schedule.data?.varies ? 'The loan’s terms' : 'Change schedule'} <kbd>E</kbd>
          </Button>
        </MayChange>
      </Acts>
    </>
  )
}

function howDue(item: DueItem, today: string): string {
  if (item.state === 'SKIPPED') return `skipped, ${item.reason}`
  if (item.state === 'ENTERED') return `entered as no. ${item.entryNo} of ${day(item.entryDate ?? item.due)}`
  if (item.state === 'OVERDUE')
    return `due ${dayInWords(item.due)}, ${counted(daysBetween(item.due, today), 'day')} overdue`
  return `due ${dayInWords(item.due)}`
}

function Becomes({ schedule, item }: { schedule: Schedule; item: DueItem }) {
  const from = schedule.pays ? `from ${schedule.accountName}` : `to ${schedule.accountName}`
  return (
    <>
      <p className="mb-1 text-small text-ink-2">Schedule</p>
      <p className="mb-3 font-serif text-lead">
        {schedule.inWords.charAt(0).toUpperCase() + schedule.inWords.slice(1)}
        {schedule.until && `, until ${day(schedule.until)}`}
        {schedule.times && `, ${counted(schedule.times, 'time')}`}, {schedule.pays ? 'pay' : 'receive'}{' '}
        {!/^0[.0]*$/.test(schedule.about) && 'about '}
        {figure(item.usual.replace('-', ''))} {from}.
      </p>
      <table className={`${entryTable} mb-4`} aria-label="Where it goes">
        <colgroup>
          <col />
          <col className="w-[96px]" />
        </colgroup>
        <tbody>
          {item.parts.map((part, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: two parts may be alike in all but their place
            <tr key={i}>
              <td>
                {schedule.pays ? '' : 'from '}
                {part.accountName} <span className="text-small text-ink-3">{part.note}</span>
              </td>
              <td className="text-right">{figure(part.amount)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}

/** So many of the last ones are told. */
const TOLD = 6

function LastTimes({ item }: { item: DueItem }) {
  const items = useQuery({
    queryKey: ['due items of', item.scheduleId],
    queryFn: () => data(api.GET('/api/schedules/{id}/due-items', { params: { path: { id: item.scheduleId } } })),
  })
  const entered =
    items.data?.items
      .filter((one) => one.state === 'ENTERED')
      .slice(-TOLD)
      .reverse() ?? []
  if (entered.length === 0) return null
  return (
    <table className={entryTable} aria-label="Last times">
      <colgroup>
        <col className="w-[96px]" />
        <col />
        <col className="w-[96px]" />
      </colgroup>
      <thead>
        <tr>
          <th scope="col" colSpan={3} className="text-left font-normal">
            Last times
          </th>
        </tr>
      </thead>
      <tbody>
        {entered.map((one) => (
          <tr key={one.day}>
            <td>{day(one.entryDate ?? one.due)}</td>
            <td>
              <Link
                className={textLink({ size: 'small' })}
                to={`/journal?${new URLSearchParams({ every: '1', text: `no:${one.entryNo}` })}`}
              >
                no. {one.entryNo}
              </Link>
            </td>
            <td className="text-right">{figure(one.amount)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
