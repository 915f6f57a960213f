import { useQuery } from '@tanstack/react-query'
import { useId, useMemo, useRef, useState } from 'react'
import type { Schemas } from '@/api/client'
import { accounts, books } from '@/api/queries'

export type Account = Schemas['AccountJson']

/** Every word that was typed must stand somewhere in the name, its group, or its last digits. */
function fits(account: Account, typed: string): boolean {
  const text = `${account.name} ${account.groupName} ${account.tail}`.toLowerCase()
  return typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word))
}

/** Categories first, then accounts of one's own, names that begin with what was typed before others. */
function ranked(list: Account[], typed: string, bookId: string | undefined): Account[] {
  const rank = (a: Account) =>
    (bookId && a.bookId !== bookId ? 8 : 0) +
    (a.pinned ? -1 : 0) +
    (a.hasOpeningBalance ? 4 : a.accountClass === 'EQUITY' ? 2 : 0) +
    (a.name.toLowerCase().startsWith(typed.toLowerCase()) ? 0 : 1)
  return list
    .filter((a) => fits(a, typed))
    .sort((a, b) => rank(a) - rank(b))
    .slice(0, 60)
}

/** A type-ahead for categories and accounts of one book. */
export function AccountPicker({
  label,
  value,
  onChange,
  bookId,
  only,
  without,
  groups = false,
  otherBooks = false,
  none,
  autoFocus,
  className = 'box w-full',
}: {
  label: string
  value: string | undefined
  onChange: (account: Account) => void
  bookId?: string
  only?: (account: Account) => boolean
  without?: string
  /** Picks groups instead of accounts. */
  groups?: boolean
  /** Offers accounts of other books too, after those of the book. */
  otherBooks?: boolean
  /** A choice besides the accounts, such as any of them. */
  none?: { name: string; choose: () => void }
  autoFocus?: boolean
  className?: string
}) {
  const { data: all = [] } = useQuery(accounts)
  const { data: allBooks = [] } = useQuery(books)
  const [typed, setTyped] = useState<string>()
  const [at, setAt] = useState(0)
  const list = useRef<HTMLDivElement>(null)
  const id = useId()
  const chosen = all.find((a) => a.id === value)
  const open = typed !== undefined
  const options = useMemo(
    () =>
      ranked(
        all.filter(
          (a) =>
            a.group === groups &&
            !a.keptByCore &&
            !a.closedOn &&
            (!bookId || otherBooks || a.bookId === bookId) &&
            a.id !== without &&
            (!only || only(a)),
        ),
        typed ?? '',
        bookId,
      ),
    [all, bookId, without, only, typed, groups, otherBooks],
  )

  const choices: (Account | null)[] = none?.name.includes((typed ?? '').toLowerCase()) ? [null, ...options] : options

  /** Null is the choice besides the accounts; undefined is nothing to choose. */
  function choose(choice: Account | null | undefined) {
    if (choice === undefined) return
    if (choice) onChange(choice)
    else none?.choose()
    setTyped(undefined)
  }
  function move(step: number) {
    const next = Math.min(Math.max(at + step, 0), choices.length - 1)
    setAt(next)
    list.current?.children[next]?.scrollIntoView({ block: 'nearest' })
  }

  return (
    <div className="relative min-w-0">
      <input
        className={className}
        role="combobox"
        aria-label={label}
        aria-expanded={open}
        aria-controls={`${id}-list`}
        aria-activedescendant={open && choices[at] !== undefined ? `${id}-${at}` : undefined}
        aria-autocomplete="list"
        placeholder="type to find"
        autoComplete="off"
        // biome-ignore lint/a11y/noAutofocus: opened by a key, the person is about to type here
        autoFocus={autoFocus}
        value={typed ?? chosen?.name ?? none?.name ?? ''}
        onFocus={(e) => e.target.select()}
        onChange={(e) => {
          setTyped(e.target.value)
          setAt(0)
        }}
        onBlur={() => setTyped(undefined)}
        onKeyDown={(e) => {
          if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
            e.preventDefault()
            if (open) move(e.key === 'ArrowDown' ? 1 : -1)
            else setTyped('')
          } else if (e.key === 'Enter' && open) {
            e.preventDefault()
            e.stopPropagation()
            choose(choices[at])
          } else if (e.key === 'Tab' && open && typed) {
            choose(choices[at])
          } else if (e.key === 'Escape' && open) {
            e.stopPropagation()
            setTyped(undefined)
          }
        }}
      />
      {open && (
        <div
          className="menu absolute left-0 right-0 top-full min-w-[240px] mt-1"
          role="listbox"
          id={`${id}-list`}
          ref={list}
          aria-label={`${label}, what fits`}
        >
          {choices.map((a, i) => (
            <div
              key={a?.id ?? 'none'}
              id={`${id}-${i}`}
              role="option"
              tabIndex={-1}
              aria-selected={i === at}
              onMouseDown={(e) => {
                e.preventDefault()
                choose(a)
              }}
            >
              {a ? a.name : none?.name}
              {a && (
                <span className="end qq s">
                  {a.groupName || (a.tail ? `..${a.tail}` : '')}
                  {bookId &&
                    a.bookId !== bookId &&
                    ` in ${allBooks.find((b) => b.id === a.bookId)?.name ?? 'another book'}`}
                </span>
              )}
            </div>
          ))}
          {choices.length === 0 && (
            <p className="px-2 py-1 q">No account has {typed ? `“${typed}”` : 'this'} in its name or group.</p>
          )}
        </div>
      )}
    </div>
  )
}
