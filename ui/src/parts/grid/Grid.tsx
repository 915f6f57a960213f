import { type MouseEvent, type ReactNode, type TableHTMLAttributes, useEffect, useRef } from 'react'
import { bandRow, rowLook, ruled } from '@/parts/look'
import type { Pick, Selection } from '@/parts/useSelection'
import { RowMenu } from './RowMenu'
import { useFollow } from './useFollow'
import { useWindow } from './useWindow'

export interface Column {
  head: ReactNode
  /** A class for its width; left out where it takes what remains. */
  width?: string
  /** Whether it holds figures, which end where others begin. */
  end?: boolean
  /** A class for what is not shown in a narrow window; the cells need it too. */
  off?: string
  /** How the rows are sorted by it, if they are. */
  sort?: 'ascending' | 'descending'
}

/** A row to select, or a band between rows: the name of what follows, or what a row opened to. */
export type Item<T> = { key: string; height?: number } & (
  | { row: T; attributes?: TableHTMLAttributes<HTMLTableRowElement> }
  | { band: ReactNode; look?: string }
)

/** What a row is told of itself. */
export interface RowState {
  /** Whether keys act on it. */
  now: boolean
  chosen: boolean
  /** For what can be pressed in it: reached by Tab in the row that keys act on only. */
  tabIndex: 0 | -1
}

export const LINE = 34

/**
 * A table whose rows are selected by keyboard and pointer, one or several, with a menu of what can be done to them.
 * Only the rows in sight are in the page, so that many thousand scroll alike; it stands in a Scroll.
 */
export function Grid<T>({
  label,
  columns,
  items,
  selection,
  cells,
  onPick,
  onEnd,
  onOpen,
  size = 'line',
  tree,
  foot,
  className,
}: {
  label: string
  columns: Column[]
  items: Item<T>[]
  selection: Selection
  cells: (row: T, state: RowState) => ReactNode
  /** Told after a row was picked by the pointer. */
  onPick?: (row: T, how: Pick) => void
  /** Told when the last rows come in sight, so that more can be fetched. */
  onEnd?: () => void
  /** What a double click does. */
  onOpen?: (row: T) => void
  size?: 'line' | 'dense'
  /** Whether rows stand below each other as a tree; they then tell their level. */
  tree?: boolean
  foot?: ReactNode
  className?: string
}) {
  const body = useRef<HTMLTableSectionElement>(null)
  const { chosen } = selection
  const nowAt = items.findIndex((item) => item.key === selection.selected)
  const shown = useWindow(body, items, nowAt, size === 'line' ? LINE : 26)
  const wasAt = useRef(-1)
  useFollow(body, selection.selected, () => {
    if (nowAt < 0) return
    // Who comes from below, or begins, sees the band over the row too: it says what the row is one of.
    const above = items[nowAt - 1]
    const under = (wasAt.current < 0 || nowAt < wasAt.current) && above !== undefined && 'band' in above
    shown.scrollTo(under ? nowAt - 1 : nowAt)
    wasAt.current = nowAt
  })
  const last = shown.rows.reduce((most, at) => ('index' in at && at.index !== nowAt ? at.index : most), 0)
  useEffect(() => {
    if (last > items.length - 20) onEnd?.()
  }, [last, items.length, onEnd])
  const reachable = nowAt >= 0 ? nowAt : items.findIndex((item) => 'row' in item)

  function press(event: MouseEvent, key: string, row: T) {
    const how: Pick = event.shiftKey ? 'through' : event.ctrlKey || event.metaKey ? 'beside' : 'alone'
    if (how !== 'alone') window.getSelection()?.removeAllRanges()
    selection.pick(key, how)
    onPick?.(row, how)
  }
  return (
    // biome-ignore lint/a11y/useAriaPropsSupportedByRole: its role is that of a grid
    <table
      role={tree ? 'treegrid' : 'grid'}
      aria-label={label}
      aria-multiselectable
      aria-rowcount={items.length + 1}
      className={ruled({ size, className })}
    >
      <colgroup>
        {columns.map((column, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: columns stay in their order
          <col key={i} className={`${column.width ?? ''} ${column.off ?? ''}`} />
        ))}
      </colgroup>
      <thead>
        <tr>
          {columns.map((column, i) => (
            <th
              // biome-ignore lint/suspicious/noArrayIndexKey: columns stay in their order
              key={i}
              scope="col"
              aria-sort={column.sort}
              className={`${column.end ? 'text-right' : ''} ${column.off ?? ''}`}
            >
              {column.head}
            </th>
          ))}
        </tr>
      </thead>
      <RowMenu>
        <tbody ref={body}>
          {shown.rows.map((at) => {
            if ('gap' in at) return <Gap key={at.key} height={at.gap} />
            const item = items[at.index]
            if (!item) return null
            const place = { ref: shown.measure, 'data-index': at.index, 'aria-rowindex': at.index + 2 }
            if ('band' in item) {
              return (
                <tr key={item.key} {...place} className={item.look ?? bandRow}>
                  {item.band}
                </tr>
              )
            }
            const now = at.index === nowAt
            const state: RowState = { now, chosen: chosen.has(item.key), tabIndex: now ? 0 : -1 }
            return (
              <tr
                key={item.key}
                {...place}
                {...item.attributes}
                data-row={item.key}
                data-now={now || undefined}
                aria-selected={state.chosen}
                tabIndex={at.index === reachable ? 0 : -1}
                className={`${rowLook({ is: now ? 'now' : state.chosen ? 'chosen' : 'plain' })} ${item.attributes?.className ?? ''}`}
                onClick={(event) => press(event, item.key, item.row)}
                onContextMenu={() => state.chosen || selection.pick(item.key, 'alone')}
                onDoubleClick={() => onOpen?.(item.row)}
              >
                {cells(item.row, state)}
              </tr>
            )
          })}
        </tbody>
      </RowMenu>
      {foot && <tfoot>{foot}</tfoot>}
    </table>
  )
}

/** Stands for rows that are out of sight. It spans no columns: those that a narrow window hides would come back. */
function Gap({ height }: { height: number }) {
  return (
    // biome-ignore lint/a11y/noAriaHiddenOnFocusable: a row without role or focus
    <tr aria-hidden="true">
      <td className="border-0 p-0" style={{ height }} />
    </tr>
  )
}
