import { type DragEvent, useState } from 'react'
import { day, figure } from '@/parts/figures'
import { Icon } from '@/parts/Icon'
import { Ring } from '@/parts/Ring'
import type { Line } from './lines'
import { type ChartRow, CLASS_NAMES, KIND_NAMES } from './types'

/** An account let go over another: beside it, or into it where that is a group. */
export interface Drop {
  id: string
  onto: ChartRow
  where: 'before' | 'into' | 'after'
}

interface Tree {
  selected: string | undefined
  select: (key: string) => void
  folded: Set<string>
  fold: (key: string, away: boolean) => void
  drop: (drop: Drop) => void
}

const ACCOUNT = 'application/x-yew-account'

export function ChartTable({ lines, ...tree }: { lines: Line[] } & Tree) {
  const [over, setOver] = useState<{ key: string; where: Drop['where'] }>()
  return (
    <table className="tb chart" aria-label="Chart of accounts">
      <colgroup>
        <col />
        <col className="w-[92px] narrow-off" />
        <col className="w-[104px]" />
        <col className="w-[112px]" />
        <col className="w-[112px]" />
        <col className="w-[108px]" />
        <col className="w-[84px]" />
      </colgroup>
      <thead>
        <tr>
          <th>Account</th>
          <th className="narrow-off">Kind</th>
          <th className="n">Own currency</th>
          <th className="n">Debit</th>
          <th className="n">Credit</th>
          <th className="pl">Agreed through</th>
          <th className="n">To place</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) =>
          line.at === 'account' ? (
            <AccountLine key={line.key} line={line} over={over} setOver={setOver} {...tree} />
          ) : (
            <HeadLine key={line.key} line={line} {...tree} />
          ),
        )}
      </tbody>
    </table>
  )
}

function HeadLine({ line, selected, select, folded, fold }: { line: Exclude<Line, { at: 'account' }> } & Tree) {
  const away = folded.has(line.key)
  const sums = line.at === 'book' ? line.book : line.of
  const name = line.at === 'book' ? line.book.name : CLASS_NAMES[line.of.accountClass]
  return (
    <tr
      className={`row ${line.at === 'book' ? 'book' : 'class'} ${line.key === selected ? 'sel' : ''}`}
      data-row={line.key}
      aria-selected={line.key === selected}
      onClick={() => select(line.key)}
    >
      <td className={line.at === 'book' ? 'd0' : 'd1'}>
        <Fold away={away} name={name} flip={() => fold(line.key, !away)} />
        <span className={line.at === 'book' ? 'serif' : 'b'}>{name}</span>{' '}
        <span className="q s">
          {line.at === 'book' ? `${line.book.accounts} accounts, ${line.book.currency}` : ''}
          {line.at === 'class' && away ? line.of.rows.length : ''}
        </span>
      </td>
      <td className="narrow-off" />
      <td className="n q s">{line.at === 'book' && sums.debit === sums.credit ? 'both sides equal' : ''}</td>
      <td className="n b">{sums.debit && figure(sums.debit)}</td>
      <td className="n b">{sums.credit && figure(sums.credit)}</td>
      <td />
      <td />
    </tr>
  )
}

function Fold({ away, name, flip }: { away: boolean; name: string; flip: () => void }) {
  return (
    <button
      type="button"
      className="fold"
      aria-expanded={!away}
      aria-label={`${away ? 'Open' : 'Fold'} ${name}`}
      tabIndex={-1}
      onClick={(e) => {
        e.stopPropagation()
        flip()
      }}
    >
      <Icon name={away ? 'right' : 'down'} size={12} />
    </button>
  )
}

function AccountLine({
  line,
  selected,
  select,
  folded,
  fold,
  drop,
  over,
  setOver,
}: {
  line: Extract<Line, { at: 'account' }>
  over: { key: string; where: Drop['where'] } | undefined
  setOver: (over: { key: string; where: Drop['where'] } | undefined) => void
} & Tree) {
  const { row } = line
  const away = folded.has(row.id)
  const mark = over?.key === row.id ? ` drop-${over.where}` : ''

  function place(event: DragEvent<HTMLTableRowElement>): Drop['where'] {
    const box = event.currentTarget.getBoundingClientRect()
    const share = (event.clientY - box.top) / box.height
    if (row.group && share > 0.25 && share < 0.75) return 'into'
    return share < 0.5 ? 'before' : 'after'
  }
  return (
    <tr
      className={`row ${row.id === selected ? 'sel' : ''}${mark}`}
      data-row={row.id}
      aria-selected={row.id === selected}
      draggable={!row.keptByCore}
      onClick={() => select(row.id)}
      onDragStart={(e) => {
        e.dataTransfer.setData(ACCOUNT, row.id)
        e.dataTransfer.effectAllowed = 'move'
      }}
      onDragOver={(e) => {
        if (!e.dataTransfer.types.includes(ACCOUNT)) return
        e.preventDefault()
        const where = place(e)
        if (over?.key !== row.id || over.where !== where) setOver({ key: row.id, where })
      }}
      onDragLeave={() => setOver(undefined)}
      onDrop={(e) => {
        e.preventDefault()
        const id = e.dataTransfer.getData(ACCOUNT)
        setOver(undefined)
        if (id && id !== row.id) drop({ id, onto: row, where: place(e) })
      }}
    >
      <td className={`d${Math.min(row.depth + 2, 6)}`}>
        {row.group && <Fold away={away} name={row.name} flip={() => fold(row.id, !away)} />}
        <span className={row.closedOn ? 'qq line-through' : undefined}>{row.name}</span>{' '}
        {row.tail && <span className="qq s">..{row.tail}</span>}
        {row.group && away && <span className="q s">{line.below}</span>}
        {row.pinned && <span className="qq s"> pinned</span>}
        {row.closedOn && <span className="qq s"> closed {day(row.closedOn)}</span>}
      </td>
      <td className="q s narrow-off">{!row.group && KIND_NAMES[row.kind]}</td>
      <td className="n q s">{row.own && `${row.currency} ${figure(row.own)}`}</td>
      <td className="n">{row.debit && figure(row.debit)}</td>
      <td className="n">{row.credit && figure(row.credit)}</td>
      <td className="pl q s">
        {row.agreedThrough && (
          <span className="inline-flex items-center gap-2">
            <Ring state="AGREED" size={12} label={null} />
            {day(row.agreedThrough)}
          </span>
        )}
      </td>
      <td className="n wait s">{row.waiting > 0 && `${row.waiting} ${row.waiting === 1 ? 'line' : 'lines'}`}</td>
    </tr>
  )
}
