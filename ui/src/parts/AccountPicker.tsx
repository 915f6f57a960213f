import { useQuery } from '@tanstack/react-query'
import { type ReactNode, useMemo, useRef, useState } from 'react'
import { useController, useFormContext } from 'react-hook-form'
import type { Schemas } from '@/api/client'
import { accounts, books } from '@/api/queries'
import { Field } from './form/Field'
import { NewAccountInPlace } from './NewAccountInPlace'
import { type Choice, TypeAhead, type TypeAheadProps } from './TypeAhead'

export type Account = Schemas['AccountJson']

interface Wanted {
  bookId?: string
  only?: (account: Account) => boolean
  without?: string
  /** Picks groups instead of accounts. */
  groups?: boolean
  /** Offers accounts of other books too, after those of the book. */
  otherBooks?: boolean
  /** A choice besides the accounts, such as any of them; it stands for no account. */
  none?: string
  /** Whether a new one can be made in place, and of which kind it is likely. */
  mayCreate?: 'EXPENSE' | 'INCOME' | 'CURRENT'
}

const NONE = 'none'

function useChoices(wanted: Wanted): { all: Account[]; choices: Choice[]; isPending: boolean } {
  const { bookId, only, without, groups = false, otherBooks = false, none } = wanted
  const { data: all = [], isPending } = useQuery(accounts)
  const { data: allBooks = [] } = useQuery(books)
  const choices = useMemo(() => {
    const bookName = (id: string) => allBooks.find((b) => b.id === id)?.name ?? 'another book'
    const fit = all.filter(
      (a) =>
        a.group === groups &&
        !a.keptByCore &&
        !a.closedOn &&
        (!bookId || otherBooks || a.bookId === bookId) &&
        a.id !== without &&
        (!only || only(a)),
    )
    // Those of the book before others, categories before accounts of one's own, what is pinned before what is not.
    const order = (a: Account) =>
      (bookId && a.bookId !== bookId ? 8 : 0) +
      (a.pinned ? -1 : 0) +
      (a.hasOpeningBalance ? 4 : a.accountClass === 'EQUITY' ? 2 : 0)
    const rows: Choice[] = fit
      .sort((a, b) => order(a) - order(b))
      .map((a) => ({
        id: a.id,
        name: a.name,
        more:
          (a.groupName || (a.tail ? `..${a.tail}` : '')) +
          (bookId && a.bookId !== bookId ? ` in ${bookName(a.bookId)}` : ''),
        words: a.tail,
      }))
    return none === undefined ? rows : [{ id: NONE, name: none, first: true }, ...rows]
  }, [all, allBooks, bookId, without, only, groups, otherBooks, none])
  return { all, choices, isPending }
}

type BoxProps = Pick<
  TypeAheadProps,
  | 'id'
  | 'aria-label'
  | 'aria-describedby'
  | 'aria-invalid'
  | 'inputRef'
  | 'onBlur'
  | 'autoFocus'
  | 'className'
  | 'placeholder'
  | 'line'
>

/** A type-ahead for categories and accounts; new ones are made in place. */
export function AccountPicker({
  value,
  onChange,
  onUnknown = () => onChange(undefined),
  bookId,
  only,
  without,
  groups,
  otherBooks,
  none,
  mayCreate,
  ...rest
}: Wanted &
  BoxProps & {
    value: string | undefined
    /** The account that was chosen; undefined where it is none, by choice or because the text names none. */
    onChange: (account: Account | undefined) => void
    onUnknown?: (typed: string) => void
  }) {
  const { all, choices, isPending } = useChoices({ bookId, only, without, groups, otherBooks, none })
  const what = groups ? 'group' : mayCreate === 'EXPENSE' || mayCreate === 'INCOME' ? 'category' : 'account'
  const chosen = all.find((a) => a.id === value)
  const made = useRef<Account | undefined>(undefined)
  return (
    <TypeAhead
      {...rest}
      what={what}
      choices={choices}
      waiting={isPending}
      chosen={chosen?.name ?? (value === made.current?.id ? made.current?.name : undefined) ?? none ?? ''}
      onChoose={(choice) => onChange(all.find((a) => a.id === choice.id) ?? made.current)}
      onUnknown={onUnknown}
      create={
        mayCreate === undefined || bookId === undefined
          ? undefined
          : (typed, done, leave) => (
              <NewAccountInPlace
                name={typed}
                bookId={bookId}
                kind={mayCreate}
                onMade={(account) => {
                  made.current = account
                  done({ id: account.id, name: account.name })
                }}
                onLeave={leave}
              />
            )
      }
    />
  )
}

/** The same as a field of a form; its value is the account's identity, empty for none. */
export function AccountField({
  name,
  label,
  className,
  needed,
  ...wanted
}: Wanted & { name: string; label: ReactNode; className?: string; needed?: string; autoFocus?: boolean }) {
  const { control } = useFormContext()
  // A text that names no account is not left out in silence: the form cannot go on with it.
  const [unknown, setUnknown] = useState('')
  const latest = useRef('')
  latest.current = unknown
  const nothing = (typed: string) => `“${typed}” is no ${wanted.groups ? 'group' : 'account'}. Choose one of the list.`
  const { field, fieldState } = useController({
    name,
    control,
    rules: {
      validate: (value: string) =>
        latest.current !== '' ? nothing(latest.current) : needed === undefined || value !== '' || needed,
    },
  })
  const error = unknown === '' ? fieldState.error?.message : nothing(unknown)
  return (
    <Field label={label} error={error} className={className}>
      {(ids) => (
        <AccountPicker
          {...ids}
          {...wanted}
          aria-label={typeof label === 'string' ? label : undefined}
          value={field.value}
          inputRef={field.ref}
          onBlur={field.onBlur}
          onChange={(account) => {
            setUnknown('')
            field.onChange(account?.id ?? '')
          }}
          onUnknown={(typed) => {
            setUnknown(typed)
            field.onChange('')
          }}
        />
      )}
    </Field>
  )
}
