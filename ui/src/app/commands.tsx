import { createContext, type ReactNode, useContext, useEffect, useMemo, useRef, useState } from 'react'
import { useMayChange } from './MayChange'

/** Something the person can do here. Keys, key strip and find-or-do are all made from these. */
export interface Command {
  /** Its name for the person's own keys; what the strip or the list says, unless that changes. */
  id?: string
  /** Keys such as `Enter`, `Shift+Enter`, `mod+k` (Ctrl or Cmd), `. a` (one after the other); the first is shown. */
  keys: string[]
  /** What it does, as find-or-do lists it. */
  label: string
  /** What the key strip says; commands that share it stand together there. Left out: not in the strip. */
  strip?: string
  run: () => void
  /** It changes the books: not offered to readers. */
  changes?: boolean
  /** It is done to the selected row or rows: their menu offers it too. */
  onRow?: boolean
  /** Whether the keys work while a text is being typed. */
  whileTyping?: boolean
}

interface Registry {
  views: Map<symbol, Command[]>
  changed: () => void
}

/** So long, in milliseconds, the first of two keys waits for the second. */
const BEGUN_LASTS = 2000

const Commands = createContext<Registry | null>(null)
const Version = createContext(0)

/** The keys that a person has made their own. */
export interface OwnKeys {
  /** Whether keys of one letter work (WCAG 2.1.4). */
  letters: boolean
  own: { what: string; key: string }[]
}

const Own = createContext<OwnKeys>({ letters: true, own: [] })

export function OwnKeysProvider({ keys, children }: { keys: OwnKeys; children: ReactNode }) {
  return <Own.Provider value={keys}>{children}</Own.Provider>
}

export const nameOf = (command: Command) => command.id ?? command.strip ?? command.label

/** A key that is typed like text: one sign, or two after each other. */
export const isLetters = (key: string) => key !== ' ' && /^\S( \S)?$/.test(key)

/** The keys of a command as the person has them; without letters those with Ctrl, arrows and the like remain. */
function ownKeys(command: Command, keys: OwnKeys): string[] {
  const chosen = keys.own.find((own) => own.what === nameOf(command))?.key
  const all = chosen === undefined ? command.keys : [chosen, ...command.keys.filter((key) => !isLetters(key))]
  return keys.letters ? all : all.filter((key) => !isLetters(key))
}

/** Keeps the commands of what is on the screen and listens to the keyboard for all of them. */
export function CommandsProvider({ children }: { children: ReactNode }) {
  const [version, setVersion] = useState(0)
  const begun = useRef<{ key: string; at: number }>(undefined)
  const registry = useRef<Registry>({ views: new Map(), changed: () => setVersion((v) => v + 1) })

  useEffect(() => {
    function onKey(event: KeyboardEvent) {
      if (event.defaultPrevented || document.querySelector('[role="dialog"], [role="menu"]')) return
      const typing = isTyping(event.target)
      const all = [...registry.current.views.values()].reverse().flat()
      const first = begun.current && event.timeStamp - begun.current.at < BEGUN_LASTS ? begun.current.key : undefined
      begun.current = undefined
      const pressed = (key: string) => {
        const [one, two] = key.length > 1 ? key.split(' ') : [key]
        return two ? first === one && matches(event, two) : matches(event, key)
      }
      const command = all.find((c) => c.keys.some(pressed) && (!typing || c.whileTyping))
      if (!command && !typing && all.some((c) => c.keys.some((key) => key.startsWith(`${event.key} `)))) {
        begun.current = { key: event.key, at: event.timeStamp }
        event.preventDefault()
        return
      }
      // Enter and Space belong to a button or link that has the focus.
      const ownKey = event.target instanceof HTMLElement && event.target.closest('button, a') !== null
      if (command && !(ownKey && (event.key === 'Enter' || event.key === ' '))) {
        event.preventDefault()
        command.run()
      }
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])

  return (
    <Commands.Provider value={registry.current}>
      <Version.Provider value={version}>{children}</Version.Provider>
    </Commands.Provider>
  )
}

/** Offers commands as long as the calling component is shown. Later ones win over earlier ones. */
export function useCommands(all: Command[]) {
  const mayChange = useMayChange()
  const commands = all.filter((c) => mayChange || !c.changes)
  const registry = useContext(Commands)
  const own = useContext(Own)
  const id = useRef(Symbol('view'))
  const signature = commands.map((c) => ownKeys(c, own).join() + c.label + c.strip + c.onRow).join('|')
  const latest = useRef(commands)
  latest.current = commands
  // biome-ignore lint/correctness/useExhaustiveDependencies: the signature stands for the list
  useEffect(() => {
    if (!registry) return
    const key = id.current
    registry.views.set(
      key,
      latest.current.map((c, i) => ({
        ...c,
        keys: ownKeys(c, own),
        run: () => latest.current[i]?.run(),
      })),
    )
    registry.changed()
    return () => {
      registry.views.delete(key)
      registry.changed()
    }
  }, [registry, signature])
}

/** All commands valid now, those of the view before those of the frame. */
export function useAllCommands(): Command[] {
  const registry = useContext(Commands)
  const version = useContext(Version)
  // biome-ignore lint/correctness/useExhaustiveDependencies: the version says that the registry changed
  return useMemo(() => [...(registry?.views.values() ?? [])].reverse().flat(), [registry, version])
}

function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && target.closest('input, textarea, select, [contenteditable]') !== null
}

function matches(event: KeyboardEvent, key: string): boolean {
  const parts = key.split('+')
  const name = parts.pop() ?? ''
  const mod = event.ctrlKey || event.metaKey
  const letter = name.length === 1
  return (
    (letter ? event.key.toLowerCase() === name.toLowerCase() : event.key === name) &&
    mod === parts.includes('mod') &&
    event.altKey === parts.includes('Alt') &&
    // With a sign such as ? the shift key is how it is typed, not part of the command.
    (event.shiftKey === parts.includes('Shift') || (letter && !/[a-z0-9]/i.test(name)))
  )
}

const SHOWN: Record<string, string> = {
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowLeft: '←',
  ArrowRight: '→',
  ' ': 'Space',
  mod: 'Ctrl',
  Escape: 'Esc',
}

/** A key as it is printed on a keyboard. */
export function keyText(key: string): string {
  if (key === ' ') return 'Space'
  if (key.includes(' ')) return key.toUpperCase()
  return key
    .split('+')
    .map((part) => SHOWN[part] ?? (part.length === 1 ? part.toUpperCase() : part))
    .join(' ')
}
