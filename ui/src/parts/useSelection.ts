import { useEffect, useState } from 'react'
import { changedElsewhere } from '@/api/queries'
import { useCommands } from '@/app/commands'

/**
 * One selected row among ids, moved by the arrow keys and always in sight. When the selected row goes,
 * the one that takes its place is selected.
 */
export function useSelection(ids: string[], what: string, first?: string) {
  const [selected, setSelected] = useState<string | undefined>(first)
  const [place, setPlace] = useState(0)
  const at = selected === undefined ? -1 : ids.indexOf(selected)
  const neighbour = ids[Math.min(place, ids.length - 1)]
  const gone = selected !== undefined && at < 0
  // Another window took the row: nothing is selected, so that a key meant for it does not meet its neighbour.
  const [taken, setTaken] = useState(false)
  const now = at >= 0 ? selected : taken ? undefined : neighbour

  useEffect(() => {
    if (at >= 0) setPlace(at)
  }, [at])
  useEffect(() => {
    if (gone && changedElsewhere()) setTaken(true)
    if (!gone) setTaken(false)
  }, [gone])
  useEffect(() => {
    if (now) document.querySelector(`[data-row="${CSS.escape(now)}"]`)?.scrollIntoView({ block: 'nearest' })
  }, [now])

  function move(step: number) {
    const from = now === undefined ? (taken ? place - Math.max(step, 0) : -1) : ids.indexOf(now)
    const next = ids[Math.min(Math.max(from + step, 0), ids.length - 1)]
    if (next) setSelected(next)
  }
  useCommands([
    { keys: ['ArrowUp', 'k'], label: `Previous ${what}`, strip: what, run: () => move(-1) },
    { keys: ['ArrowDown', 'j'], label: `Next ${what}`, strip: what, run: () => move(1) },
  ])
  return { selected: now, select: setSelected, move }
}
