import { counted, day, figure, signed } from '@/parts/figures'
import { type Column, Grid, type Item } from '@/parts/grid/Grid'
import { Icon } from '@/parts/Icon'
import type { Selection } from '@/parts/useSelection'
import { type DueItem, daysBetween, isExpected, keyOf } from './schedule'

const NARROW = 'narrow:hidden'

const COLUMNS: Column[] = [
  { head: <span className="sr-only">How it stands</span>, width: 'w-[48px]' },
  { head: 'Day', width: 'w-[88px]' },
  { head: 'Due' },
  { head: 'Schedule', width: 'w-[270px]', off: NARROW },
  { head: 'Account', width: 'w-[128px]' },
  { head: 'Out', width: 'w-[96px]', end: true },
  { head: 'In', width: 'w-[96px]', end: true },
]

/** What is due as lines of a ledger, by the day it is due on. */
export function DueTable({
  items,
  today,
  selection,
  onOpen,
}: {
  items: DueItem[]
  today: string
  selection: Selection
  onOpen: () => void
}) {
  const rows: Item<DueItem>[] = items.map((item) => ({ key: keyOf(item), row: item }))
  return (
    <Grid
      label="What is due"
      columns={COLUMNS}
      items={rows}
      selection={selection}
      onOpen={onOpen}
      size="dense"
      cells={(item) => <Cells item={item} today={today} />}
    />
  )
}

const STATES = {
  COMING: { icon: 'circle', name: 'is to come', tone: 'text-ink-3' },
  OVERDUE: { icon: 'circle', name: 'overdue', tone: 'text-heartwood' },
  ENTERED: { icon: 'check', name: 'entered', tone: 'text-needle' },
  SKIPPED: { icon: 'close', name: 'skipped', tone: 'text-ink-3' },
} as const

function Cells({ item, today }: { item: DueItem; today: string }) {
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
