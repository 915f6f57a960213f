import type { ReactNode } from 'react'
import { nameOf } from '../columns'
import type { Draw, ReportTableOf } from '../reportAsked'
import { ColumnBars, RowBars } from './Bars'
import { Lines } from './Lines'
import { Parts } from './Parts'

type Drawing = Exclude<Draw, 'SUITS'>

/** What an own report comes to, drawn above the table that has its figures. */
export function OwnDrawing({ table, beside, draw }: { table: ReportTableOf; beside: boolean; draw: Draw }) {
  const { drawn, columns } = table
  if (!drawn || drawn.rows.length === 0) return null
  const how = draw === 'SUITS' ? suited(table, beside) : draw
  const names = columns.map((column) => nameOf(column, true, true))
  const totals = table.rows.at(-1)?.amounts ?? []
  if (how === 'TABLE') return null
  if (how === 'PARTS' && !drawn.whole) return <Instead>{noWhole(drawn.apart, beside)}</Instead>
  if (how === 'LINES' && (beside || columns.length < 3))
    return <Instead>A line needs three columns at least. Show more months, or smaller parts of them.</Instead>
  return (
    <figure className="mb-3 max-w-[860px]">
      {how === 'LINES' && <Lines rows={drawn.rows} names={names} />}
      {how === 'BARS' && columns.length > 2 && <ColumnBars totals={totals} names={names} />}
      {how === 'BARS' && columns.length < 3 && <RowBars rows={drawn.rows} />}
      {how === 'PARTS' && <Parts rows={drawn.rows} />}
      <figcaption className="text-small text-ink-2">{caption(how, table, beside)}</figcaption>
    </figure>
  )
}

/** Columns are seen beside each other; a single one by its parts, where it has such. */
function suited({ columns, drawn }: ReportTableOf, beside: boolean): Drawing {
  if (columns.length > 1) return 'BARS'
  return drawn?.whole && !beside ? 'PARTS' : 'BARS'
}

function noWhole(apart: boolean, beside: boolean): string {
  if (!apart) return 'An entry with two tags stands in both rows, so they are no parts of a whole.'
  if (beside) return 'Two times beside each other are no parts of a whole. See one alone.'
  return 'Some rows take from the others, so they are no parts of a whole. The table has each.'
}

function caption(how: Drawing, { bookName, columns }: ReportTableOf, beside: boolean): string {
  const [, before] = columns
  if (how === 'PARTS') return `${bookName}: the parts of the whole.`
  if (how === 'BARS' && columns.length > 2) return `${bookName}: what each column comes to; outlined where below zero.`
  return before && beside
    ? `${bookName}: the greatest first, with ${nameOf(before, true, false)} in outline.`
    : `${bookName}: the greatest first.`
}

function Instead({ children }: { children: ReactNode }) {
  return <p className="mb-3 text-ink-2">{children}</p>
}
