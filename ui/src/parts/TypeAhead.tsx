import { Command } from 'cmdk'
import { Popover } from 'radix-ui'
import { type KeyboardEvent, type ReactNode, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { box, floating, floatingRow } from './look'
import { noteUse, uses } from './used'

export interface Choice {
  id: string
  name: string
  /** Stands behind the name, and is searched too: its group, its last digits. */
  more?: string
  /** Searched, not shown. */
  words?: string
  /** Stands before others of equal use. */
  first?: boolean
}

const MOST_SHOWN = 60
/** The last row of the list, where something new can be made. */
const NEW = 'make-a-new-one'

/** Every word that was typed must stand somewhere; names that begin with it come first, then what is used most. */
function fitting(choices: Choice[], typed: string, used: (id: string) => number): Choice[] {
  const text = typed.trim().toLowerCase()
  const words = text.split(/\s+/)
  const rank = (c: Choice) =>
    (text && c.name.toLowerCase().startsWith(text) ? 1000 : 0) + used(c.id) + (c.first ? 0.5 : 0)
  return choices
    .filter((c) => {
      const all = `${c.name} ${c.more ?? ''} ${c.words ?? ''}`.toLowerCase()
      return words.every((word) => all.includes(word))
    })
    .map((choice) => ({ choice, rank: rank(choice) }))
    .sort((a, b) => b.rank - a.rank)
    .slice(0, MOST_SHOWN)
    .map(({ choice }) => choice)
}

export interface TypeAheadProps {
  /** What the choices are, for sentences and for the ranking by use: account, currency, payee. */
  what: string
  choices: Choice[]
  /** What stands in the box while nothing is typed. */
  chosen: string
  onChoose: (choice: Choice) => void
  /** The box was left with a text that is none of the choices; nothing is chosen any more. */
  onUnknown: (typed: string) => void
  /** Told of each letter, where the choices are looked for elsewhere. */
  onTyped?: (typed: string) => void
  /** Makes something new of the name that was typed, within the same popover. */
  create?: (typed: string, made: (choice: Choice) => void, leave: () => void) => ReactNode
  /**
   * A text that is none of the choices may stand: a payee not met before. As typed it stands unless somebody goes to a
   * choice; otherwise the best choice is taken, and the last row of the list takes the text.
   */
  free?: 'as typed' | 'best first'
  /** The choices are still being read: nothing is taken, and nothing new made, before they are there. */
  waiting?: boolean
  inputRef?: (element: HTMLInputElement | null) => void
  onBlur?: () => void
  className?: string
  /** Stands in a row of a table. */
  line?: boolean
  placeholder?: string
  autoFocus?: boolean
  disabled?: boolean
  id?: string
  'aria-label'?: string
  'aria-describedby'?: string
  'aria-invalid'?: boolean
}

/** A box to find one of many in by any part of its name, by keyboard alone. */
export function TypeAhead(props: TypeAheadProps) {
  const {
    what,
    choices,
    chosen,
    onChoose,
    onUnknown,
    onTyped,
    create,
    free,
    waiting,
    inputRef,
    onBlur,
    line,
    className = '',
    ...rest
  } = props
  const [typed, setTyped] = useState<string>()
  const [open, setOpen] = useState(false)
  const [at, setAt] = useState('')
  const [creating, setCreating] = useState<string>()
  const input = useRef<HTMLInputElement | null>(null)
  const list = useRef<HTMLDivElement | null>(null)
  const moved = useRef(false)
  /** Enter came before the choices; it is carried out once they are there. */
  const entered = useRef(false)
  // biome-ignore lint/correctness/useExhaustiveDependencies: use is looked up once each time the list opens
  const used = useMemo(() => uses(what), [what, open])
  const fits = useMemo(() => (open ? fitting(choices, typed ?? '', used) : []), [open, choices, typed, used])
  const text = typed ?? chosen
  const name = rest['aria-label'] ?? what

  // The list is in the page only while it is open; the primitive says otherwise. It also gives the box an identity of
  // its own by which it finds it again, so that the label is led there.
  useLayoutEffect(() => {
    const box = input.current
    if (!box) return
    // By this mark the primitive takes any box of its kind for its own, and would pull the focus back out of the next
    // one while its own list goes.
    box.removeAttribute('cmdk-input')
    box.setAttribute('aria-expanded', String(open))
    if (open && list.current) box.setAttribute('aria-controls', list.current.id)
    else box.removeAttribute('aria-controls')
    const label = rest.id ? document.querySelector<HTMLLabelElement>(`label[for="${CSS.escape(rest.id)}"]`) : null
    if (label) label.htmlFor = box.id
  })

  // What is typed before the choices are there is held against them once they are.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only more or fewer choices count
  useEffect(() => {
    if (open && typed?.trim() && !moved.current) setAt(best(typed))
  }, [choices.length])

  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the choices have come
  useEffect(() => {
    if (waiting || !entered.current) return
    entered.current = false
    if (open && typed?.trim()) selected(best(typed))
  }, [waiting])

  /** What Enter takes of a text, as long as nobody goes to another row. */
  function best(text: string): string {
    if (free === 'as typed') return ''
    const [first] = fitting(choices, text, used)
    return first?.id ?? (create || free ? NEW : '')
  }

  function choose(choice: Choice) {
    noteUse(what, choice.id)
    setTyped(undefined)
    setOpen(false)
    setCreating(undefined)
    onChoose(choice)
  }
  function selected(value: string) {
    if (value === NEW && free) {
      setTyped(undefined)
      setOpen(false)
      return onUnknown((typed ?? '').trim())
    }
    if (value === NEW) setCreating(typed ?? '')
    const choice = fits.find((c) => c.id === value) ?? choices.find((c) => c.id === value)
    if (choice) choose(choice)
  }
  function type(next: string) {
    setTyped(next)
    setOpen(true)
    moved.current = false
    entered.current = false
    onTyped?.(next)
    // A text that may stand as it is: what is offered is taken only when somebody goes to it.
    setAt(best(next))
  }
  /** What was typed and not chosen: taken if it names a choice whole, else said to be none. */
  function left() {
    setOpen(false)
    onBlur?.()
    if (typed === undefined) return
    const whole = choices.filter((c) => c.name.toLowerCase() === typed.trim().toLowerCase())
    const [only] = whole
    if (only && whole.length === 1) return choose(only)
    if (typed.trim() === chosen) return setTyped(undefined)
    onUnknown(typed.trim())
    if (free || typed.trim() === '') setTyped(undefined)
  }

  function onKeyDown(event: KeyboardEvent<HTMLInputElement>) {
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') moved.current = true
    if (event.key === 'Escape' && open) {
      event.stopPropagation()
      setOpen(false)
      setTyped(undefined)
    } else if ((event.key === 'ArrowDown' || event.key === 'ArrowUp') && !open) {
      event.preventDefault()
      event.stopPropagation()
      setTyped((old) => old ?? '')
      setOpen(true)
    } else if (event.key === 'Tab' && open && typed?.trim() && at && at !== NEW) {
      selected(at)
    } else if (event.key === 'Enter' && open && waiting) {
      event.preventDefault()
      event.stopPropagation()
      entered.current = true
    } else if (event.key === 'Enter' && open && at) {
      // Not left to the list, which may not be drawn yet when somebody types fast; nor is it the form's.
      event.preventDefault()
      event.stopPropagation()
      selected(at)
    } else if (event.key === 'Enter') {
      // With nothing to take from the list it is the form's.
      event.stopPropagation()
      if (free) left()
    }
  }

  return (
    <Popover.Root open={open || creating !== undefined}>
      <Command
        shouldFilter={false}
        vimBindings={false}
        loop
        value={at}
        // An empty one means that the list is not drawn yet.
        onValueChange={(value) => value && (free !== 'as typed' || moved.current) && setAt(value)}
        label={name}
        className={`min-w-0 ${className}`}
      >
        <Popover.Anchor asChild>
          <Command.Input
            {...rest}
            ref={(element) => {
              input.current = element
              inputRef?.(element)
            }}
            placeholder={rest.placeholder ?? 'type to find'}
            className={box({
              size: line ? 'line' : 'field',
              wrong: rest['aria-invalid'] === true,
              className: 'w-full',
            })}
            value={text}
            onValueChange={type}
            onFocus={(event) => event.currentTarget.select()}
            // A click puts the caret somewhere; what is typed next is to take the place of what is chosen.
            onClick={(event) => typed === undefined && event.currentTarget.select()}
            onBlur={() => creating === undefined && left()}
            onKeyDown={onKeyDown}
          />
        </Popover.Anchor>
        <Popover.Portal>
          <Popover.Content
            className={`${floating} w-[max(240px,var(--radix-popover-trigger-width))]`}
            align="start"
            sideOffset={4}
            aria-label={creating === undefined ? `${name}, what fits` : `New ${what}`}
            onOpenAutoFocus={(event) => creating === undefined && event.preventDefault()}
            onCloseAutoFocus={(event) => event.preventDefault()}
            onInteractOutside={(event) => event.preventDefault()}
            // The box keeps the focus while a row is clicked.
            onMouseDown={(event) => creating === undefined && event.preventDefault()}
          >
            {creating !== undefined && create ? (
              create(
                creating,
                (made) => {
                  choose(made)
                  input.current?.focus()
                },
                () => {
                  setCreating(undefined)
                  input.current?.focus()
                },
              )
            ) : (
              <Command.List
                className="max-h-[min(320px,var(--radix-popover-content-available-height))] overflow-auto"
                ref={(element) => {
                  list.current = element
                  if (element) input.current?.setAttribute('aria-controls', element.id)
                }}
                label={`${name}, what fits`}
              >
                {fits.map((choice) => (
                  <Command.Item key={choice.id} value={choice.id} onSelect={selected} className={floatingRow}>
                    {choice.name}
                    <span className="ml-auto pl-4 text-small text-ink-3">{choice.more}</span>
                  </Command.Item>
                ))}
                {waiting && <p className="px-2 py-1 text-ink-2">Reading the names…</p>}
                {(create || free === 'best first') && !waiting && typed?.trim() && (
                  <Command.Item value={NEW} onSelect={selected} className={`${floatingRow} text-dusk`}>
                    New {what} “{typed.trim()}”
                  </Command.Item>
                )}
                {fits.length === 0 && free === 'as typed' && <p className="px-2 py-1 text-ink-2">Somebody new.</p>}
                {fits.length === 0 && !create && !free && (
                  <p className="px-2 py-1 text-ink-2">
                    No {what} has {typed ? `“${typed}”` : 'this'} in its name.
                  </p>
                )}
              </Command.List>
            )}
          </Popover.Content>
        </Popover.Portal>
      </Command>
    </Popover.Root>
  )
}
