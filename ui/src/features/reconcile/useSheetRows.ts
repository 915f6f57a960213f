import { useState } from 'react'
import { useSelection } from '@/parts/useSelection'
import { inOrder, type Order } from './order'
import { type Group, type GroupName, postingsOf, type SheetRow } from './rows'

function isTicked(row: SheetRow): boolean {
  const postings = postingsOf(row)
  return postings.length > 0 && postings.every((p) => p.ticked)
}

/** Of a set-aside in the account, of which its bank knows nothing. */
const isSetAside = (row: SheetRow) => postingsOf(row).some((p) => p.setAside !== undefined)

/** The groups of a sheet as far as they are not folded or hidden, and which of their rows are selected. */
export function useSheetRows(all: Group[]) {
  const [flipped, setFlipped] = useState<ReadonlySet<GroupName>>(new Set())
  const [hides, setHides] = useState(false)
  const [ownOnly, setOwnOnly] = useState(false)
  const [order, setOrder] = useState<Order>('date')
  const groups = all.map((group) => ({
    ...group,
    rows: inOrder(
      group.rows.filter((row) => !(hides && isTicked(row)) && !(ownOnly && isSetAside(row))),
      order,
    ),
  }))
  const hasWork = all.some((group) => group.name !== 'agreed')
  // What is agreed is out of the way as long as there is anything else.
  const isOpen = (name: GroupName) => flipped.has(name) === (name === 'agreed' && hasWork)
  const shown = groups.flatMap((group) => (isOpen(group.name) ? group.rows : []))
  const selection = useSelection(
    shown.map((row) => row.key),
    'line',
  )
  function fold(name: GroupName) {
    setFlipped((old) => {
      const next = new Set(old)
      if (!next.delete(name)) next.add(name)
      return next
    })
  }
  return {
    groups,
    isOpen,
    fold,
    selection,
    selected: shown.find((row) => row.key === selection.selected),
    chosen: shown.filter((row) => selection.chosen.has(row.key)),
    order,
    sort: setOrder,
    hides,
    hide: () => setHides(!hides),
    /** Whether there are set-asides in it at all. */
    hasSetAsides: all.some((group) => group.rows.some(isSetAside)),
    ownOnly,
    leaveSetAsides: () => setOwnOnly(!ownOnly),
  }
}
