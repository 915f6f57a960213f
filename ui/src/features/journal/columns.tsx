import { useQuery } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { Flow } from '@/parts/Amount'
import { counted, day, figure } from '@/parts/figures'
import type { Column } from '@/parts/grid/Grid'
import { Icon, StateMark } from '@/parts/Icon'
import { METHODS } from '@/parts/MethodPick'

type Entry = Schemas['EntryJson']

/** A column that the journal can have; its name is also what it is sorted by. */
export interface JournalColumn {
  name: string
  head: string
  width?: string
  end?: boolean
  cell: (entry: Entry, usual: string) => ReactNode
}

const quiet = (text: ReactNode) => <span className="text-ink-2">{text}</span>

export const JOURNAL_COLUMNS: JournalColumn[] = [
  { name: 'state', head: 'State', width: 'w-[58px] narrow:w-[50px]', cell: (e) => <StateMark state={e.state} /> },
  { name: 'date', head: 'Date', width: 'w-[80px]', cell: (e) => quiet(day(e.date)) },
  {
    name: 'no',
    head: 'No.',
    width: 'w-[60px]',
    end: true,
    cell: (e) => <span className="text-small text-ink-2">{e.no}</span>,
  },
  {
    name: 'payee',
    head: 'Payee, note',
    cell: (e) => (
      <>
        {e.payee} {e.note && quiet(e.note)}{' '}
        {e.attachments > 0 && (
          <span className="text-ink-2">
            <Icon name="clip" size={12} title={counted(e.attachments, 'attachment')} />
          </span>
        )}
      </>
    ),
  },
  {
    name: 'amount',
    head: 'Amount',
    width: 'w-[126px]',
    end: true,
    cell: (e, usual) => (
      <>
        {e.currency !== usual && <span className="text-small text-ink-2">{e.currency} </span>}
        {e.transfer ? figure(e.amount) : <Flow amount={e.amount} />}
      </>
    ),
  },
  { name: 'from', head: 'From', width: 'w-[18%]', cell: (e) => quiet(e.from) },
  {
    name: 'to',
    head: 'To',
    width: 'w-[19%]',
    cell: (e) => (
      <>
        <Icon name="arrow" size={13} /> {e.to}
      </>
    ),
  },
  { name: 'tax', head: 'Tax', width: 'w-[72px]', end: true, cell: (e) => e.tax && quiet(figure(e.tax)) },
  {
    name: 'tags',
    head: 'Tags',
    width: 'w-[110px]',
    cell: (e) =>
      e.tags.map((tag) => (
        <span key={tag} className="mr-1 rounded border border-hairline-2 px-1 text-small">
          {tag}
        </span>
      )),
  },
  { name: 'method', head: 'Method', width: 'w-[96px]', cell: (e) => e.method && quiet(METHODS[e.method]) },
  { name: 'reference', head: 'Reference', width: 'w-[110px]', cell: (e) => quiet(e.reference) },
  {
    name: 'attachments',
    head: 'Attached',
    width: 'w-[76px]',
    end: true,
    cell: (e) => e.attachments > 0 && quiet(e.attachments),
  },
  { name: 'book', head: 'Book', width: 'w-[130px]', cell: (e) => quiet(e.books.map((b) => b.bookName).join(', ')) },
  { name: 'currency', head: 'Currency', width: 'w-[76px]', cell: (e) => quiet(e.currency) },
]

/** What is shown until somebody chooses. */
export const USUAL_COLUMNS = ['state', 'date', 'no', 'payee', 'amount', 'from', 'to', 'tags']

export const ownColumns = {
  queryKey: ['journal columns'],
  queryFn: () => data(api.GET('/api/journal/columns')),
}

/** What is left of them where something else stands beside the journal. */
const BESIDE = ['state', 'date', 'payee', 'amount', 'to']

/** The columns that the person sees, in their order; fewer where something stands beside. */
export function useColumns(beside: boolean): JournalColumn[] {
  const { data: own } = useQuery(ownColumns)
  const chosen = own?.columns.length ? own.columns : USUAL_COLUMNS
  const names = beside ? BESIDE.filter((name) => chosen.includes(name) || name === 'payee') : chosen
  return names.flatMap((name) => JOURNAL_COLUMNS.find((c) => c.name === name) ?? [])
}

/** How the journal is sorted, as the address and the API have it: a column, with a minus for the greatest first. */
export const sortedBy = (order: string) => ({ name: order.replace(/^-/, ''), descending: order.startsWith('-') })

/** Those of which the greatest is looked for first. */
const GREATEST_FIRST = ['date', 'no', 'amount', 'tax', 'attachments']

/** A head that sorts by its column, and turns the order when it does so already. */
export function sortHead(
  name: string,
  words: ReactNode,
  order: string,
  onOrder: (order: string) => void,
): Pick<Column, 'sort' | 'head'> {
  const by = sortedBy(order)
  const now = by.name === name
  const first = GREATEST_FIRST.includes(name) ? `-${name}` : name
  const next = now ? (by.descending ? name : `-${name}`) : first
  // The mark of the state is small; what it is sorted by stands in its place.
  const mark = name === 'state' ? (now && !by.descending ? 'up' : 'down') : by.descending ? 'down' : 'up'
  return {
    sort: now ? (by.descending ? 'descending' : 'ascending') : undefined,
    head: (
      <button
        type="button"
        className={`border-0 bg-transparent p-0 text-inherit hover:text-ink ${now ? 'font-semibold text-ink' : ''}`}
        onClick={() => onOrder(next)}
      >
        {name === 'state' ? <span className="sr-only">State</span> : words}
        {(now || name === 'state') && <Icon name={mark} size={9} />}
      </button>
    ),
  }
}

/** The head of a column of the journal. */
export function columnHead(
  column: JournalColumn,
  order: string,
  usual: string,
  onOrder: (order: string) => void,
): Column {
  const words = column.name === 'amount' && usual ? `${column.head}, ${usual}` : column.head
  return { width: column.width, end: column.end, ...sortHead(column.name, words, order, onOrder) }
}
