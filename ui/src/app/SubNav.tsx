import { NavLink, useNavigate } from 'react-router'
import { useCommands } from './commands'

/** The way between the places of a part of the books, each by its number too. */
export function SubNav({
  label,
  places,
  strip,
  search,
}: {
  label: string
  places: readonly { to: string; name: string }[]
  /** What the key strip calls one of them. */
  strip: string
  /** What of the address goes along. */
  search: string
}) {
  const navigate = useNavigate()
  useCommands(
    places.map((place, i) => ({
      keys: [String((i + 1) % 10)],
      label: place.name,
      strip,
      run: () => navigate(place.to + search),
    })),
  )
  return (
    <nav
      aria-label={label}
      className="flex h-9 flex-none items-stretch gap-1 border-b border-hairline bg-paper px-(--edge)"
    >
      {places.map((place) => (
        <NavLink
          key={place.to}
          end
          to={place.to + search}
          className="flex items-center border-b-2 border-transparent px-2 whitespace-nowrap text-ink-2 hover:text-ink aria-[current]:border-needle aria-[current]:font-semibold aria-[current]:text-ink"
        >
          {place.name}
        </NavLink>
      ))}
    </nav>
  )
}
