import type { BookChart, ChartPage, ChartRow, ClassChart } from './types'
import { CLASS_NAMES } from './types'

/** A line of the chart as it is shown: a book, a class of it, or an account. */
export type Line =
  | { key: string; at: 'book'; book: BookChart }
  | { key: string; at: 'class'; book: BookChart; of: ClassChart }
  | { key: string; at: 'account'; book: BookChart; row: ChartRow; below: number }

/** The key under which a line is folded and selected. */
const classKey = (book: BookChart, of: ClassChart) => `${book.bookId}/${of.accountClass}`

/** The lines in sight: what is folded is left out; while searching, only what fits and its groups. */
export function linesOf(page: ChartPage, folded: Set<string>, typed: string): Line[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  return page.books.flatMap((book): Line[] => {
    const classes = book.classes.flatMap((of) => ofClass(book, of, words.length ? new Set() : folded, words))
    if (words.length && classes.length === 0) return []
    const head: Line = { key: book.bookId, at: 'book', book }
    return folded.has(book.bookId) && !words.length ? [head] : [head, ...classes]
  })
}

function ofClass(book: BookChart, of: ClassChart, folded: Set<string>, words: string[]): Line[] {
  const key = classKey(book, of)
  const shown = words.length ? fitting(of, words) : unfolded(of.rows, folded)
  if (of.rows.length === 0 || (words.length > 0 && shown.length === 0)) return []
  const head: Line = { key, at: 'class', book, of }
  if (folded.has(key)) return [head]
  return [head, ...shown.map((row): Line => ({ key: row.id, at: 'account', book, row, below: below(of.rows, row.id) }))]
}

const below = (rows: ChartRow[], id: string) => rows.filter((r) => r.parentId === id).length

function unfolded(rows: ChartRow[], folded: Set<string>): ChartRow[] {
  const hidden = new Set<string>()
  return rows.filter((row) => {
    const away = row.parentId !== undefined && (hidden.has(row.parentId) || folded.has(row.parentId))
    if (away) hidden.add(row.id)
    return !away
  })
}

/** Every word has to stand in the name, the last digits, or the name of a group above. */
function fitting(of: ClassChart, words: string[]): ChartRow[] {
  const byId = new Map(of.rows.map((r) => [r.id, r]))
  const kept = new Set<string>()
  for (const row of of.rows) {
    const path: ChartRow[] = []
    for (let at: ChartRow | undefined = row; at; at = at.parentId ? byId.get(at.parentId) : undefined) path.push(at)
    const text = `${path.map((p) => `${p.name} ${p.tail}`).join(' ')} ${CLASS_NAMES[of.accountClass]}`.toLowerCase()
    if (words.every((w) => text.includes(w))) for (const p of path) kept.add(p.id)
  }
  return of.rows.filter((r) => kept.has(r.id))
}
