import { type ReactNode, useState } from 'react'
import { Link } from 'react-router'
import type { Schemas } from '@/api/client'
import { useScopeSearch } from '@/app/scope'
import { Flow } from '@/parts/Amount'
import { day, figure } from '@/parts/figures'
import { Icon } from '@/parts/Icon'

type Sheet = Schemas['SheetJson']
type Posting = Schemas['TickableJson']

/** The two ledgers side by side: what the bank shows and the books have, and what only one of them has. */
export function TickTable({
  sheet,
  atBank,
  inBooks,
  selected,
  onSelect,
  onTick,
}: {
  sheet: Sheet
  atBank: Posting[]
  inBooks: Posting[]
  selected: string | undefined
  onSelect: (id: string) => void
  onTick: (ids: string[], ticked: boolean) => void
}) {
  const row = (p: Posting) => (
    <PostingRow
      key={p.postingId}
      posting={p}
      finished={sheet.finished}
      selected={p.postingId === selected}
      onSelect={() => onSelect(p.postingId)}
      onTick={() => onTick([p.postingId], !p.ticked)}
    />
  )
  return (
    <table className="tb rec" aria-label="Lines to tick">
      <colgroup>
        <col className="w-[44px]" />
        <col className="w-[60px]" />
        <col />
        <col className="w-[112px]" />
        <col className="w-[112px]" />
        <col className="w-[124px]" />
      </colgroup>
      <thead>
        <tr>
          <th>
            <span className="vh">Ticked</span>
          </th>
          <th>Date</th>
          <th>What</th>
          <th className="n">Statement</th>
          <th className="n">Books</th>
          <th className="n">Balance, ticked</th>
        </tr>
      </thead>
      {atBank.length > 0 && (
        <Band mark={<Icon name="equal" />} name="At the bank and in the books" count={atBank.length} calm>
          {atBank.map(row)}
        </Band>
      )}
      {sheet.unposted.length > 0 && (
        <Band mark={<span className="half" aria-hidden="true" />} name="Only at the bank" count={sheet.unposted.length}>
          {sheet.unposted.map((l) => (
            <UnpostedRow key={l.lineId} line={l} />
          ))}
        </Band>
      )}
      {inBooks.length > 0 && (
        <Band mark={<span className="half r" aria-hidden="true" />} name="Only in the books" count={inBooks.length}>
          {inBooks.map(row)}
        </Band>
      )}
      <tfoot>
        <tr>
          <td />
          <td colSpan={2} className="q">
            with the opening {figure(sheet.opening)}
          </td>
          <td className="n sum">{figure(sheet.closing)}</td>
          <td className="n sum">{figure(sheet.tickedBalance)}</td>
          <td />
        </tr>
      </tfoot>
    </table>
  )
}

function Band({
  mark,
  name,
  count,
  calm,
  children,
}: {
  mark: ReactNode
  name: string
  count: number
  calm?: boolean
  children: ReactNode
}) {
  const [open, setOpen] = useState(true)
  return (
    <tbody>
      <tr className={calm ? 'band calm' : 'band'}>
        <td colSpan={6}>
          <button type="button" aria-expanded={open} onClick={() => setOpen(!open)}>
            <Icon name={open ? 'down' : 'right'} />
            {mark}
            <span>
              <b>{name}</b>
              <span className="cnt">{count}</span>
            </span>
          </button>
        </td>
      </tr>
      {open && children}
    </tbody>
  )
}

function PostingRow({
  posting,
  finished,
  selected,
  onSelect,
  onTick,
}: {
  posting: Posting
  finished: boolean
  selected: boolean
  onSelect: () => void
  onTick: () => void
}) {
  const p = posting
  return (
    <tr className={selected ? 'row sel' : 'row'} data-row={p.postingId} aria-selected={selected} onClick={onSelect}>
      <td>
        {/* biome-ignore lint/a11y/useSemanticElements: drawn by us */}
        <button
          type="button"
          role="checkbox"
          className="tick"
          aria-checked={p.ticked}
          aria-label={`${p.payee}, ${day(p.date)}, ${figure(p.amount)}`}
          disabled={finished}
          onClick={(e) => {
            e.stopPropagation()
            onSelect()
            onTick()
          }}
        />
      </td>
      <td className="q">{day(p.date)}</td>
      <td>
        {p.payee} {p.note && <span className="q">{p.note}</span>}{' '}
        {p.bankText && p.bankText !== p.payee && <span className="raw">{p.bankText}</span>}{' '}
        <span className="qq s">no. {p.entryNo}</span>
      </td>
      {p.bankText === undefined ? (
        <td className="none" />
      ) : (
        <td className="n">
          <Flow amount={p.amount} />
        </td>
      )}
      <td className="n">
        <Flow amount={p.amount} />
      </td>
      <td className="n qq">{p.balance && figure(p.balance)}</td>
    </tr>
  )
}

function UnpostedRow({ line }: { line: Schemas['UnpostedJson'] }) {
  const search = useScopeSearch()
  return (
    <tr>
      <td />
      <td className="q">{day(line.date)}</td>
      <td>
        <span className="raw">{line.text}</span>{' '}
        <Link className="link s" to={`/post${search}`}>
          post it
        </Link>
      </td>
      <td className="n">
        <Flow amount={line.amount} />
      </td>
      <td className="none" />
      <td />
    </tr>
  )
}
