import { useEffect, useMemo, useRef, useState } from 'react'
import { changedElsewhere } from '@/api/queries'
import { useCommands } from '@/app/commands'

/** How a row is picked: alone, with all from the last one picked alone to it, or beside those that are. */
export type Pick = 'alone' | 'through' | 'beside'

/** Rows selected among others: one that keys act on, and maybe more with it. */
export interface Selection {
  /** The row that keys act on. */
  selected: string | undefined
  /** All selected rows, that one among them. */
  chosen: ReadonlySet<string>
  pick: (key: string, how: Pick) => void
}

/** How many rows PageUp and PageDown go, as long as no list says how many it shows. */
const PAGE = 12

/**
 * Rows selected among ids, moved by the keyboard. When the row that keys act on goes, the one that takes its
 * place is selected; when another window took it, none is, so that a key meant for it does not meet its neighbour.
 */
export function useSelection(ids: string[], what: string, first?: string) {
  const [selected, setSelected] = useState<string | undefined>(first)
  const [others, setOthers] = useState<ReadonlySet<string>>(new Set())
  const anchor = useRef<string>(undefined)
  // The rows as they were when the selected one was last there, and where it stood.
  const last = useRef({ ids, place: 0 })
  const at = selected === undefined ? -1 : ids.indexOf(selected)
  const neighbour = at >= 0 ? undefined : heir(last.current, ids)
  const gone = selected !== undefined && at < 0
  const [taken, setTaken] = useState(false)
  const now = at >= 0 ? selected : taken ? undefined : neighbour
  const chosen = useMemo(() => {
    const one = now === undefined ? [] : [now]
    return new Set(others.size > 0 ? [...one, ...ids.filter((id) => others.has(id))] : one)
  }, [ids, others, now])

  useEffect(() => {
    if (at >= 0) last.current = { ids, place: at }
  }, [ids, at])
  useEffect(() => {
    if (gone && changedElsewhere()) setTaken(true)
    if (!gone) setTaken(false)
  }, [gone])

  function select(id: string | undefined) {
    setSelected(id)
    setOthers(new Set())
    anchor.current = id
  }
  function through(id: string) {
    const from = ids.indexOf(anchor.current ?? now ?? id)
    const to = ids.indexOf(id)
    setOthers(new Set(ids.slice(Math.min(from, to), Math.max(from, to) + 1)))
    setSelected(id)
  }
  function beside(id: string) {
    const next = new Set(chosen)
    if (!next.delete(id)) next.add(id)
    setOthers(next)
    anchor.current = id
    setSelected(next.has(id) ? id : ([...next].at(-1) ?? id))
  }
  function pick(id: string, how: Pick) {
    if (how === 'alone') select(id)
    else if (how === 'through') through(id)
    else beside(id)
  }
  function move(step: number, extend = false) {
    const besides = taken && neighbour !== undefined ? ids.indexOf(neighbour) - Math.max(step, 0) : -1
    const from = now === undefined ? besides : ids.indexOf(now)
    const next = ids[Math.min(Math.max(from + step, 0), ids.length - 1)]
    if (next === undefined) return
    if (!extend) return select(next)
    anchor.current ??= now
    through(next)
  }
  const by = (step: number, extend = false) => ({ run: () => move(step, extend) })
  const strip = ids.length > 1 ? what : undefined
  useCommands([
    { keys: ['ArrowUp', 'k'], label: `Previous ${what}`, strip, ...by(-1) },
    { keys: ['ArrowDown', 'j'], label: `Next ${what}`, strip, ...by(1) },
    { keys: ['PageUp'], label: `Some ${what}s up`, ...by(-PAGE) },
    { keys: ['PageDown'], label: `Some ${what}s down`, ...by(PAGE) },
    { keys: ['Home'], label: `First ${what}`, ...by(-ids.length) },
    { keys: ['End'], label: `Last ${what}`, ...by(ids.length) },
    { keys: ['Shift+ArrowUp'], label: `Select the ${what} above too`, ...by(-1, true) },
    { keys: ['Shift+ArrowDown'], label: `Select the ${what} below too`, ...by(1, true) },
    { keys: ['Shift+Home'], label: `Select all ${what}s above`, ...by(-ids.length, true) },
    { keys: ['Shift+End'], label: `Select all ${what}s below`, ...by(ids.length, true) },
    {
      keys: ['mod+a'],
      label: `Select every ${what}`,
      run: () => {
        setOthers(new Set(ids))
        anchor.current = ids[0]
      },
    },
    ...(chosen.size > 1
      ? [{ keys: ['Escape'], label: `Select one ${what} again`, strip: 'one again', run: () => select(now) }]
      : []),
  ])
  return { selected: now, chosen, pick, select, move }
}

/** The row that takes the place of the one that is gone: the next that is still there, else the last before it. */
function heir({ ids, place }: { ids: string[]; place: number }, now: string[]): string | undefined {
  const there = new Set(now)
  const after = ids.slice(place).find((id) => there.has(id))
  return after ?? ids.slice(0, place).findLast((id) => there.has(id)) ?? now[0]
}
