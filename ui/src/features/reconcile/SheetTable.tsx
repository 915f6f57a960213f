import type { ReactNode } from 'react'
import type { Schemas } from '@/api/client'
import { Apart } from '@/parts/Amount'
import { Fold } from '@/parts/Fold'
import { figure, signed } from '@/parts/figures'
import { type Column, Grid, type Item } from '@/parts/grid/Grid'
import { Icon } from '@/parts/Icon'
import type { Order } from './order'
import { type Group, type GroupName, hasLines, type SheetRow } from './rows'
import { type SheetActs, SheetCells } from './SheetCells'
import type { useSheetRows } from './useSheetRows'

type Sheet = Schemas['SheetJson']

const TICK: Column = { head: <span className="sr-only">Ticked</span>, width: 'w-[44px]' }
const DAY: Column = { head: 'Date', width: 'w-[60px]' }
const COMPARED: Column[] = [
  TICK,
  DAY,
  { head: 'What' },
  { head: 'Statement', width: 'w-[100px] tight:w-[84px]', end: true },
  { head: 'Books', width: 'w-[100px] tight:w-[84px]', end: true },
  { head: 'Apart', width: 'w-[92px] tight:w-[72px]', end: true },
  { head: 'To settle it', width: 'w-[188px] narrow:w-[150px] tight:w-[112px]' },
]
const ON_PAPER: Column[] = [
  TICK,
  DAY,
  { head: 'What' },
  { head: 'Books', width: 'w-[112px]', end: true },
  { head: 'Balance, ticked', width: 'w-[124px]', end: true },
]

/** The heads sort: by day, by amount, or by the reference that stands on the paper. */
function columns(compared: boolean, order: Order, sort: (order: Order) => void): Column[] {
  const by: Partial<Record<number, Order>> = { 1: 'date', 2: 'reference', 3: 'amount' }
  return (compared ? COMPARED : ON_PAPER).map((column, place) => {
    const own = by[place]
    if (own === undefined) return column
    return {
      ...column,
      sort: order === own ? 'ascending' : undefined,
      head: (
        <button
          type="button"
          className={`border-0 bg-transparent p-0 text-inherit hover:text-ink ${order === own ? 'font-semibold text-ink' : ''}`}
          title={`sort by ${own}`}
          onClick={() => sort(own)}
        >
          {column.head}
          {order === own && <Icon name="up" size={9} />}
        </button>
      ),
    }
  })
}

const NAMES: Record<GroupName, { name: string; mark: ReactNode; says?: string }> = {
  disagree: { name: 'Amount or day disagrees', mark: <span className="text-aril">≠</span> },
  same: { name: 'The same, not paired yet', mark: <Icon name="equal" /> },
  atBank: { name: 'Only on the statement', mark: <Half side="left" /> },
  inBooks: { name: 'Only in the books', mark: <Half side="right" />, says: 'only what is ticked counts' },
  agreed: { name: 'Agreed', mark: <Icon name="equal" /> },
}

/** A statement and its account's postings: compared line by line, or ticked beside the paper. */
export function SheetTable({
  sheet,
  rows: { groups, isOpen, fold, selection, order, sort },
  ...acts
}: { sheet: Sheet; rows: ReturnType<typeof useSheetRows> } & SheetActs) {
  const compared = hasLines(sheet)
  const items = groups.flatMap((group): Item<SheetRow>[] => [
    ...(compared
      ? [
          {
            key: group.name,
            height: 32,
            band: <Band group={group} open={isOpen(group.name)} flip={() => fold(group.name)} />,
          },
        ]
      : []),
    ...(isOpen(group.name) ? group.rows.map((row) => ({ key: row.key, row })) : []),
  ])
  return (
    <Grid
      label="Lines to tick"
      columns={columns(compared, order, sort)}
      items={items}
      selection={selection}
      onOpen={acts.onSettle}
      cells={(row, state) => (
        <SheetCells row={row} sheet={sheet} compared={compared} byDay={order === 'date'} state={state} {...acts} />
      )}
      foot={<Foot sheet={sheet} compared={compared} />}
    />
  )
}

function Band({ group: { name, rows, sides }, open, flip }: { group: Group; open: boolean; flip: () => void }) {
  const of = NAMES[name]
  const unticked = name === 'agreed' && rows.some((row) => 'posting' in row && !row.posting.ticked)
  return (
    <>
      <td colSpan={3}>
        <Fold open={open} flip={flip}>
          {of.mark}
          <b>{of.name}</b>
          <b className={name === 'agreed' ? 'text-ink-2' : 'text-heartwood'}>{rows.length}</b>
        </Fold>
      </td>
      <td className="text-right text-ink-2">{sides && name !== 'inBooks' && signed(sides.bank)}</td>
      <td className="text-right text-ink-2">{sides && name !== 'atBank' && signed(sides.books)}</td>
      <td className="text-right">{sides && <Apart amount={sides.apart} />}</td>
      <td className="text-small text-ink-2">{of.says ?? (unticked ? 'not all ticked yet' : '')}</td>
    </>
  )
}

function Foot({ sheet, compared }: { sheet: Sheet; compared: boolean }) {
  const sum = 'border-b-3 border-double border-ink-2 text-right font-semibold'
  return (
    <tr>
      <td />
      <td colSpan={2} className="text-ink-2">
        with the opening {figure(sheet.opening)}
      </td>
      {compared && <td className={sum}>{figure(sheet.closing)}</td>}
      <td className={sum}>{figure(sheet.tickedBalance)}</td>
      {compared ? (
        <>
          <td className={sum}>
            <Apart amount={sheet.difference} />
          </td>
          <td />
        </>
      ) : (
        <td />
      )}
    </tr>
  )
}

/** A leaf of which one half is filled: only one of the two ledgers has it. */
function Half({ side }: { side: 'left' | 'right' }) {
  return (
    <svg width="14" height="12" viewBox="0 0 14 12" aria-hidden="true" className="fill-none stroke-ink-2 stroke-[1.4]">
      <rect x="0.7" y="0.7" width="12.6" height="10.6" rx="2" />
      <path d={side === 'left' ? 'M1 1h6v10H1z' : 'M7 1h6v10H7z'} className="fill-ink-2 stroke-none" />
    </svg>
  )
}
