/** How often each choice of a list was made here, so that what is chosen often stands first. */
const KEY = 'yew-used '

/** A choice of long ago counts less: each time one is made, all others lose a little. */
const FADES = 0.97

function counts(list: string): Record<string, number> {
  try {
    return JSON.parse(localStorage.getItem(KEY + list) ?? '{}')
  } catch {
    return {}
  }
}

export function noteUse(list: string, id: string) {
  const faded = Object.entries(counts(list)).map(([key, n]) => [key, n * FADES] as const)
  const kept = Object.fromEntries(faded.filter(([, n]) => n > 0.05).slice(0, 500))
  kept[id] = (kept[id] ?? 0) + 1
  try {
    localStorage.setItem(KEY + list, JSON.stringify(kept))
  } catch {
    // Without a store everything ranks alike.
  }
}

/** How much each was used, for sorting; reading it costs a look into the browser's store. */
export function uses(list: string): (id: string) => number {
  const of = counts(list)
  return (id) => of[id] ?? 0
}
