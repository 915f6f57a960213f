import { useQuery } from '@tanstack/react-query'
import { Link, useNavigate } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { useCommands } from '@/app/commands'
import { useScope, useScopeSearch } from '@/app/scope'
import { Apart } from '@/parts/Amount'
import { day } from '@/parts/figures'

/** All statements in hand, side by side: what is apart in each, and the way to the next. */
export function InHand({ sheet }: { sheet: Schemas['SheetJson'] }) {
  const { book } = useScope()
  const search = useScopeSearch()
  const navigate = useNavigate()
  const list = useQuery({
    queryKey: ['statements', book],
    queryFn: () => data(api.GET('/api/statements', { params: { query: { book } } })),
  })
  const all = (list.data ?? []).flatMap((of) => of.statements.map((statement) => ({ of, statement })))
  const at = all.findIndex(({ statement }) => statement.id === sheet.id)
  const go = (by: number) => () => {
    // Who looks at an agreed one comes to the first that is not.
    const next = at < 0 ? all[0] : all[(at + by + all.length) % all.length]
    if (next) navigate(`/reconcile/${next.statement.id}${search}`)
  }
  useCommands(
    all.length > 1
      ? [
          { keys: ['i'], label: 'The next statement in hand', strip: 'next statement', run: go(1) },
          { keys: ['Shift+I'], label: 'The statement in hand before', run: go(-1) },
        ]
      : [],
  )
  if (all.length < 2) return null
  return (
    <nav
      aria-label="Statements in hand"
      className="flex h-8 items-stretch gap-1 overflow-x-auto border-b border-hairline bg-paper px-(--edge)"
    >
      {all.map(({ of, statement }) => (
        <Link
          key={statement.id}
          to={`/reconcile/${statement.id}${search}`}
          aria-current={statement.id === sheet.id ? 'page' : undefined}
          className="flex flex-none items-center gap-2 border-b-2 border-transparent px-2 text-small whitespace-nowrap text-ink-2 hover:text-ink aria-[current]:border-needle aria-[current]:font-semibold aria-[current]:text-ink"
        >
          {of.accountName} {day(statement.closesOn)}{' '}
          {/* Of the one that is ticked, what is seen below is newer than the list. */}
          <Apart amount={statement.id === sheet.id ? sheet.difference : statement.difference} />
        </Link>
      ))}
    </nav>
  )
}
