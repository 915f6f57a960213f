import { type DragEvent, useState } from 'react'
import { day, figure } from '@/parts/figures'
import { type Column, Grid, LINE, type RowState } from '@/parts/grid/Grid'
import { Icon } from '@/parts/Icon'
import { Ring } from '@/parts/Ring'
import type { Selection } from '@/parts/useSelection'
import type { Line } from './lines'
import { type ChartRow, CLASS_NAMES, KIND_NAMES } from './types'

/** An account let go over another: beside it, or into it where that is a group. */
export interface Drop {
  id: string
  onto: ChartRow
  where: 'before' | 'into' | 'after'
}

interface Folding {
  folded: Set<string>
  fold: (key: string, away: boolean) => void
}

const ACCOUNT = 'application/x-yew-account'
const NARROW = 'narrow:hidden'
/** How far in a line stands, by its level. */
const INDENT = ['pl-[42px]', 'pl-[58px]', 'pl-[74px]', 'pl-[92px]', 'pl-[110px]', 'pl-[128px]', 'pl-[146px]']
const DROPS = {
  before: '[&>td]:shadow-[inset_0_2px_0_var(--dusk)]',
  after: '[&>td]:shadow-[inset_0_-2px_0_var(--dusk)]',
  into: '[&>td]:bg-dusk-tint [&>td]:outline-1 [&>td]:outline-offset-[-1px] [&>td]:outline-dusk',
}
const BOOK = '[&>td]:h-7 [&>td]:border-t [&>td]:border-t-hairline [&>td]:border-hairline-2'

const columns = (currency: string | undefined): Column[] => [
  { head: 'Account' },
  { head: 'Kind', width: 'w-[92px]', off: NARROW },
  { head: 'Own currency', width: 'w-[104px]', end: true },
  { head: currency ? `Debit, ${currency}` : 'Debit', width: 'w-[112px]', end: true },
  { head: currency ? `Credit, ${currency}` : 'Credit', width: 'w-[112px]', end: true },
  { head: 'Agreed through', width: 'w-[108px]' },
  { head: 'To place', width: 'w-[84px]', end: true },
]

const levelOf = (line: Line) => (line.at === 'book' ? 0 : line.at === 'class' ? 1 : Math.min(line.row.depth + 2, 6))

/** The accounts of all books as a tree; the order is changed by dragging too. */
export function ChartTable({
  lines,
  selection,
  onOpen,
  drop,
  ...folding
}: {
  lines: Line[]
  selection: Selection
  onOpen: () => void
  drop: (drop: Drop) => void
} & Folding) {
  const [over, setOver] = useState<{ key: string; where: Drop['where'] }>()
  const currencies = new Set(lines.map((line) => line.book.currency))

  function attributes(line: Line) {
    const opens = line.at !== 'account' || line.row.group
    const place = {
      'aria-level': levelOf(line) + 1,
      'aria-expanded': opens ? !folding.folded.has(line.key) : undefined,
    }
    if (line.at !== 'account') return { ...place, className: line.at === 'book' ? BOOK : undefined }
    const { row } = line
    return {
      ...place,
      className: over?.key === row.id ? DROPS[over.where] : undefined,
      draggable: !row.keptByCore,
      onDragStart: (event: DragEvent<HTMLTableRowElement>) => {
        event.dataTransfer.setData(ACCOUNT, row.id)
        event.dataTransfer.effectAllowed = 'move'
      },
      onDragOver: (event: DragEvent<HTMLTableRowElement>) => {
        if (!event.dataTransfer.types.includes(ACCOUNT)) return
        event.preventDefault()
        const where = placeOf(event, row)
        if (over?.key !== row.id || over.where !== where) setOver({ key: row.id, where })
      },
      onDragLeave: () => setOver(undefined),
      onDrop: (event: DragEvent<HTMLTableRowElement>) => {
        event.preventDefault()
        const id = event.dataTransfer.getData(ACCOUNT)
        setOver(undefined)
        if (id && id !== row.id) drop({ id, onto: row, where: placeOf(event, row) })
      },
    }
  }
  return (
    <Grid
      tree
      size="dense"
      label="Chart of accounts"
      columns={columns(currencies.size === 1 ? lines[0]?.book.currency : undefined)}
      items={lines.map((row) => ({
        key: row.key,
        height: row.at === 'book' ? LINE - 6 : 26,
        row,
        attributes: attributes(row),
      }))}
      selection={selection}
      onOpen={onOpen}
      cells={(line, state) =>
        line.at === 'account' ? (
          <AccountCells line={line} {...folding} />
        ) : (
          <HeadCells line={line} state={state} {...folding} />
        )
      }
    />
  )
}

function placeOf(event: DragEvent<HTMLTableRowElement>, row: ChartRow): Drop['where'] {
  const box = event.currentTarget.getBoundingClientRect()
  const share = (event.clientY - box.top) / box.height
  if (row.group && share > 0.25 && share < 0.75) return 'into'
  return share < 0.5 ? 'before' : 'after'
}

function HeadCells({
  line,
  state,
  folded,
  fold,
}: { line: Exclude<Line, { at: 'account' }>; state: RowState } & Folding) {
  const away = folded.has(line.key)
  const ofBook = line.at === 'book'
  const sums = ofBook ? line.book : line.of
  const name = ofBook ? line.book.name : CLASS_NAMES[line.of.accountClass]
  const ground = ofBook && !state.chosen ? 'bg-paper' : ''
  return (
    <>
      <td className={`${ground} ${INDENT[levelOf(line)]}`}>
        <FoldMark away={away} name={name} flip={() => fold(line.key, !away)} />
        <span className={ofBook ? 'font-serif text-[16px]' : 'font-semibold'}>{name}</span>{' '}
        <span className="text-small text-ink-2">
          {ofBook ? `${line.book.accounts} accounts, ${line.book.currency}` : away ? line.of.rows.length : ''}
        </span>
      </td>
      <td className={`${ground} ${NARROW}`} />
      <td className={`${ground} text-right text-small text-ink-2`}>
        {ofBook && sums.debit === sums.credit ? 'both sides equal' : ''}
      </td>
      <td className={`${ground} text-right font-semibold`}>{sums.debit && figure(sums.debit)}</td>
      <td className={`${ground} text-right font-semibold`}>{sums.credit && figure(sums.credit)}</td>
      <td className={ground} />
      <td className={ground} />
    </>
  )
}

function FoldMark({ away, name, flip }: { away: boolean; name: string; flip: () => void }) {
  return (
    <button
      type="button"
      className="-ml-5 h-5 w-[18px] border-0 bg-transparent p-0 text-ink-2"
      aria-expanded={!away}
      aria-label={`${away ? 'Open' : 'Fold'} ${name}`}
      tabIndex={-1}
      onClick={(event) => {
        event.stopPropagation()
        flip()
      }}
    >
      <Icon name={away ? 'right' : 'down'} size={12} />
    </button>
  )
}

function AccountCells({ line, folded, fold }: { line: Extract<Line, { at: 'account' }> } & Folding) {
  const { row } = line
  const away = folded.has(row.id)
  return (
    <>
      <td className={INDENT[levelOf(line)]}>
        {row.group && <FoldMark away={away} name={row.name} flip={() => fold(row.id, !away)} />}
        <span className={row.closedOn ? 'text-ink-3 line-through' : undefined}>{row.name}</span>{' '}
        {row.tail && <span className="text-small text-ink-3">..{row.tail}</span>}
        {row.group && away && <span className="text-small text-ink-2">{line.below}</span>}
        {row.pinned && <span className="text-small text-ink-3"> pinned</span>}
        {row.closedOn && <span className="text-small text-ink-3"> closed {day(row.closedOn)}</span>}
      </td>
      <td className={`text-small text-ink-2 ${NARROW}`}>{!row.group && KIND_NAMES[row.kind]}</td>
      <td className="text-right text-small text-ink-2">{row.own && `${row.currency} ${figure(row.own)}`}</td>
      <td className="text-right">{row.debit && figure(row.debit)}</td>
      <td className="text-right">{row.credit && figure(row.credit)}</td>
      <td className="text-small text-ink-2">
        {row.agreedThrough && (
          <span className="flex items-center gap-2">
            <Ring state="AGREED" size={12} label={null} />
            {day(row.agreedThrough)}
          </span>
        )}
      </td>
      <td className="text-right text-small text-heartwood">
        {row.waiting > 0 && `${row.waiting} ${row.waiting === 1 ? 'line' : 'lines'}`}
      </td>
    </>
  )
}
