import { useQuery } from '@tanstack/react-query'
import { Link, useNavigate } from 'react-router'
import { api, data } from '@/api/client'
import { useCommands } from '@/app/commands'
import { useScope, useScopeSearch } from '@/app/scope'
import { Apart } from '@/parts/Amount'
import { day } from '@/parts/figures'

/** All statements in hand, side by side: what is apart in each, and the way to the next. */
export function InHand({ statementId }: { statementId: string }) {
  const { book } = useScope()
  const search = useScopeSearch()
  const navigate = useNavigate()
  const list = useQuery({
    queryKey: ['statements', book],
    queryFn: () => data(api.GET('/api/statements', { params: { query: { book } } })),
  })
  const all = (list.data ?? []).flatMap((of) => of.statements.map((statement) => ({ of, statement })))
  const at = all.findIndex(({ statement }) => statement.id === statementId)
  const go = (by: number) => () => {
    const next = all[(at + by + all.length) % all.length]
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
          aria-current={statement.id === statementId ? 'page' : undefined}
          className="flex flex-none items-center gap-2 border-b-2 border-transparent px-2 text-small whitespace-nowrap text-ink-2 hover:text-ink aria-[current]:border-needle aria-[current]:font-semibold aria-[current]:text-ink"
        >
          {of.accountName} {day(statement.closesOn)} <Apart amount={statement.difference} />
        </Link>
      ))}
    </nav>
  )
}
