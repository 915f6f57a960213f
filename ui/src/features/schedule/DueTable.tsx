import { counted, day, figure, signed } from '@/parts/figures'
import { type Column, Grid, type Item } from '@/parts/grid/Grid'
import { Icon } from '@/parts/Icon'
import type { Selection } from '@/parts/useSelection'
import type { Ahead } from './AheadLines'
import { type DueItem, daysBetween, isExpected, keyOf } from './schedule'
import { standsAfter } from './useAhead'

const NARROW = 'narrow:hidden'

const COLUMNS: Column[] = [
  { head: <span className="sr-only">How it stands</span>, width: 'w-[48px]' },
  { head: 'Day', width: 'w-[64px]' },
  { head: 'Due' },
  { head: 'Schedule', width: 'w-[166px]', off: NARROW },
  { head: 'Account', width: 'w-[112px]' },
  { head: 'Out', width: 'w-[100px]', end: true },
  { head: 'In', width: 'w-[78px]', end: true },
  { head: 'Due alone', width: 'w-[78px]', end: true, off: NARROW },
  { head: 'As usual', width: 'w-[96px]', end: true, off: NARROW },
]

/** What is due as lines of a ledger, by the day it is due on. */
export function DueTable({
  items,
  today,
  ahead,
  selection,
  onOpen,
}: {
  items: DueItem[]
  today: string
  /** The account whose balance stands beside what moves it. */
  ahead?: Ahead
  selection: Selection
  onOpen: () => void
}) {
  const stands = ahead ? standsAfter(ahead, items, today) : new Map<DueItem, Ahead['days'][number]>()
  const rows: Item<DueItem>[] = items.map((item) => ({ key: keyOf(item), row: item }))
  return (
    <Grid
      label="What is due"
      columns={COLUMNS}
      items={rows}
      selection={selection}
      onOpen={onOpen}
      size="dense"
      cells={(item) => <Cells item={item} today={today} stands={stands.get(item)} />}
    />
  )
}

const STATES = {
  COMING: { icon: 'circle', name: 'is to come', tone: 'text-ink-3' },
  OVERDUE: { icon: 'circle', name: 'overdue', tone: 'text-heartwood' },
  ENTERED: { icon: 'check', name: 'entered', tone: 'text-needle' },
  SKIPPED: { icon: 'close', name: 'skipped', tone: 'text-ink-3' },
} as const

function Cells({ item, today, stands }: { item: DueItem; today: string; stands?: Ahead['days'][number] }) {
  const { icon, name, tone } = STATES[item.state]
  const out = item.amount.startsWith('-')
  const quiet = isExpected(item) ? '' : 'text-ink-2'
  const amount = (
    <>
      {item.about && isExpected(item) && <span className="text-small text-ink-3">about </span>}
      {out ? figure(item.amount.slice(1)) : signed(item.amount)}
    </>
  )
  const struck = item.state === 'SKIPPED' ? 'line-through text-ink-3' : quiet
  return (
    <>
      <td className={tone}>
        <Icon name={icon} title={name} />
      </td>
      <td className={quiet}>{day(item.due)}</td>
      <td className={quiet}>
        {item.payee} <span className="text-small text-ink-3">{item.note || item.places}</span>
      </td>
      <td className={`text-ink-2 ${NARROW}`}>
        <Standing item={item} today={today} />
      </td>
      <td className="text-ink-2">{item.accountName}</td>
      <td className={`text-right ${struck}`}>{out && amount}</td>
      <td className={`text-right ${struck}`}>{!out && amount}</td>
      <td className={`text-right ${NARROW}`}>{stands && figure(stands.due)}</td>
      <td className={`text-right text-ink-2 ${NARROW}`}>{stands && figure(stands.usual)}</td>
    </>
  )
}

/** How late it is, why it does not come, which entry it is; else how often it comes. */
function Standing({ item, today }: { item: DueItem; today: string }) {
  if (item.state === 'OVERDUE')
    return (
      <>
        <b className="font-semibold text-heartwood">{counted(daysBetween(item.due, today), 'day')} overdue</b>,{' '}
        {item.inWords}
      </>
    )
  if (item.state === 'SKIPPED') return <>skipped, {item.reason}</>
  if (item.state === 'ENTERED' && item.entryDate)
    return (
      <>
        no. {item.entryNo}
        {late(item.due, item.entryDate)}
      </>
    )
  return (
    <>
      {item.moved && 'moved, '}
      {item.inWords}
    </>
  )
}

function late(due: string, entered: string): string {
  const days = daysBetween(due, entered)
  if (days === 0) return ', on its day'
  return days > 0 ? `, ${counted(days, 'day')} late` : `, ${counted(-days, 'day')} early`
}
