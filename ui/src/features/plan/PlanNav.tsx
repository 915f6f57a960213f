import { NavLink, useNavigate } from 'react-router'
import { useCommands } from '@/app/commands'
import { useScopeSearch } from '@/app/scope'

const PARTS = [
  { to: '/plan/ahead', name: 'Year ahead' },
  { to: '/plan/forecast', name: 'Forecast' },
  { to: '/plan', name: 'Budgets' },
] as const

/** The way from one part of Plan to another. */
export function PlanNav() {
  const scope = useScopeSearch()
  const navigate = useNavigate()
  useCommands(
    PARTS.map((part, i) => ({
      keys: [String(i + 1)],
      label: part.name,
      strip: 'part of Plan',
      run: () => navigate(part.to + scope),
    })),
  )
  return (
    <nav
      aria-label="Plan"
      className="flex h-9 flex-none items-stretch gap-1 border-b border-hairline bg-paper px-(--edge)"
    >
      {PARTS.map((part) => (
        <NavLink
          key={part.to}
          end
          to={part.to + scope}
          className="flex items-center border-b-2 border-transparent px-2 whitespace-nowrap text-ink-2 hover:text-ink aria-[current]:border-needle aria-[current]:font-semibold aria-[current]:text-ink"
        >
          {part.name}
        </NavLink>
      ))}
    </nav>
  )
}
