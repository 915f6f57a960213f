import { Popover } from 'radix-ui'
import { type KeyboardEvent, type ReactNode, type RefObject, useEffect, useId, useRef, useState } from 'react'
import { Icon } from '@/parts/Icon'
import { chip, floating, floatingRow } from '@/parts/look'
import { type Term, useQueryText } from './useQueryText'

/** Where a journal query is typed: its conditions as chips, with what may be typed next below. */
export function QueryBox({
  ref,
  label,
  text,
  onText,
  onDays,
  className = '',
  children,
}: {
  ref: RefObject<HTMLInputElement | null>
  label: string
  text: string
  onText: (text: string) => void
  /** Told whether the query says itself of which days entries are sought. */
  onDays?: (named: boolean) => void
  className?: string
  /** Chips for what is set elsewhere. */
  children?: ReactNode
}) {
  const query = useQueryText(text, onText)
  const { chips, typed, problem, completion, namesDays } = query
  const id = useId()
  const [focused, setFocused] = useState(false)
  const [dismissed, setDismissed] = useState(false)
  const [at, setAt] = useState(-1)
  const caret = useRef<number>(undefined)
  const choices = completion?.choices ?? []
  const open = focused && !dismissed && (choices.length > 0 || problem !== undefined)

  useEffect(() => onDays?.(namesDays), [namesDays, onDays])
  // biome-ignore lint/correctness/useExhaustiveDependencies: other letters have other choices
  useEffect(() => setAt(-1), [typed])
  // biome-ignore lint/correctness/useExhaustiveDependencies: conditions become chips once what was typed is read
  useEffect(() => {
    if (!focused) query.settleAll()
  }, [focused, completion])
  useEffect(() => {
    if (caret.current === undefined) return
    ref.current?.setSelectionRange(caret.current, caret.current)
    caret.current = undefined
  })

  function take(choice: string) {
    if (!completion) return
    const next = typed.slice(0, completion.from) + choice + typed.slice(completion.to).trimStart()
    caret.current = completion.from + choice.length
    setDismissed(false)
    query.type(next, caret.current)
  }
  function onKeyDown(event: KeyboardEvent<HTMLInputElement>) {
    const input = event.currentTarget
    const chosen = choices[at]
    if ((event.key === 'ArrowDown' || event.key === 'ArrowUp') && choices.length > 0) {
      event.preventDefault()
      setDismissed(false)
      const step = event.key === 'ArrowDown' ? 1 : -1
      setAt((old) => (old < 0 && step < 0 ? choices.length - 1 : (old + step + choices.length) % choices.length))
    } else if ((event.key === 'Enter' || event.key === 'Tab') && open && chosen) {
      event.preventDefault()
      take(chosen.text)
    } else if (event.key === 'Escape') {
      event.stopPropagation()
      if (open && typed !== '') return setDismissed(true)
      query.clear()
      input.blur()
    } else if (event.key === 'Enter') {
      if (!problem) input.blur()
    } else if (
      event.key === 'Backspace' &&
      input.selectionStart === 0 &&
      input.selectionEnd === 0 &&
      chips.length > 0
    ) {
      event.preventDefault()
      query.takeBack()
    }
  }
  return (
    <Popover.Root open={open}>
      <Popover.Anchor asChild>
        <div
          className={`flex h-[30px] min-w-0 items-center gap-[7px] overflow-hidden rounded-md border bg-leaf pr-[7px] pl-2.5 text-ink-2 focus-within:outline-2 focus-within:outline-dusk-tint ${problem ? 'border-heartwood' : 'border-hairline-2 focus-within:border-dusk'} ${className}`}
        >
          <Icon name="search" />
          {children}
          {chips.map((c) => (
            <Chip key={`${c.text} ${c.from}`} term={c} onDrop={() => query.drop(c)} />
          ))}
          <input
            ref={ref}
            role="combobox"
            aria-label={label}
            aria-expanded={open}
            aria-controls={open ? `${id}-list` : undefined}
            aria-activedescendant={open && at >= 0 ? `${id}-${at}` : undefined}
            aria-describedby={problem ? `${id}-problem` : undefined}
            aria-invalid={problem !== undefined || undefined}
            autoComplete="off"
            spellCheck={false}
            className="min-w-[90px] flex-1 border-0 bg-transparent text-ink outline-0 placeholder:text-ink-3 placeholder:opacity-100"
            placeholder={chips.length > 0 ? 'and more' : 'payee, note, amount:>50, is:open'}
            value={typed}
            onFocus={() => setFocused(true)}
            onBlur={() => {
              setFocused(false)
              setDismissed(false)
            }}
            onChange={(event) => {
              setDismissed(false)
              query.type(event.target.value, event.target.selectionStart ?? event.target.value.length)
            }}
            onKeyDown={onKeyDown}
          />
          <kbd>/</kbd>
        </div>
      </Popover.Anchor>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          onOpenAutoFocus={(event) => event.preventDefault()}
          onCloseAutoFocus={(event) => event.preventDefault()}
          className={`${floating} w-[min(460px,90vw)]`}
        >
          {problem && (
            <p id={`${id}-problem`} role="status" className="px-2 py-1 whitespace-normal text-heartwood">
              {problem}
            </p>
          )}
          <div id={`${id}-list`} role="listbox" aria-label="What may be typed">
            {choices.map((choice, i) => (
              // biome-ignore lint/a11y/useFocusableInteractive: the focus stays in the box, which points to it
              // biome-ignore lint/a11y/useKeyWithClickEvents: its keys are the box's
              <div
                key={choice.text}
                id={`${id}-${i}`}
                role="option"
                aria-selected={i === at}
                data-selected={i === at || undefined}
                className={floatingRow}
                onPointerDown={(event) => event.preventDefault()}
                onClick={() => take(choice.text)}
              >
                <b className="font-medium">{choice.text}</b>
                <span className="truncate text-ink-2">{choice.words}</span>
              </div>
            ))}
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

/** A condition that is whole; a name that nothing has is said to have nothing. */
function Chip({ term, onDrop }: { term: Term; onDrop: () => void }) {
  const nothing = term.found === 0
  return (
    <SetChip tone={nothing ? 'ask' : 'dusk'} words={term.text} onDrop={onDrop}>
      {term.not && 'not '}
      {term.field} <b>{term.words}</b>
      {nothing && ': none is called so'}
      {(term.found ?? 0) > 1 && <span className="opacity-80"> ({term.found})</span>}
    </SetChip>
  )
}

/** What narrows the list, and can be taken away. */
export function SetChip({
  tone = 'dusk',
  words,
  onDrop,
  children,
}: {
  tone?: 'dusk' | 'ask'
  /** What it is, for the name of its button. */
  words: string
  onDrop: () => void
  children: ReactNode
}) {
  return (
    <span className={chip({ tone, className: 'flex-none' })}>
      <span className="max-w-[220px] truncate">{children}</span>
      <button type="button" className="border-0 bg-transparent p-0.5" aria-label={`Without ${words}`} onClick={onDrop}>
        <Icon name="close" size={10} />
      </button>
    </span>
  )
}
