import { useQuery } from '@tanstack/react-query'
import { type KeyboardEvent, useEffect, useRef, useState } from 'react'
import { api, data, messageOf, Problem } from '@/api/client'
import { accounts, booksChanged, session } from '@/api/queries'
import { useSays } from '@/app/says'
import type { Booking } from '@/features/post/booking'
import { AccountPicker } from '@/parts/AccountPicker'
import { Button } from '@/parts/Button'
import { figure, shortDay, signed, writtenDay } from '@/parts/figures'
import { useNewTags } from '@/parts/form/TagsField'
import { useKept } from '@/parts/kept'
import { box, textLink } from '@/parts/look'
import { KnownPayee } from '@/parts/PayeePicker'
import { QuickAmount } from './QuickAmount'
import { QuickCell } from './QuickCell'
import { QuickMarks } from './QuickMarks'
import { QuickSplit } from './QuickSplit'
import {
  begunFrom,
  type Draft,
  EMPTY,
  entered,
  type FieldName,
  isEmpty,
  placesOf,
  type Refused,
  sent,
  stands,
  usually,
  usualPlace,
} from './quick'
import type { Template } from './Templates'

interface Props {
  bookId: string | undefined
  /** The account whose register it is typed in; both places are free without one. */
  fixedId?: string
  /** The day that is taken where none was typed yet; today without one. */
  day?: string
  /** What it begins from, if it was asked for. */
  template?: Template
  onClose: () => void
}

/** An entry that could not be booked, and why. */
interface Failed {
  draft: Draft
  why: string
}

/**
 * An entry typed on one line. Enter goes on, an empty field takes what is usual with the payee, the last Enter books it
 * and begins the next one. What is sent does not hold up typing; what could not be booked comes back.
 */
export function QuickEntry({ bookId, fixedId, day = '', template, onClose }: Props) {
  const says = useSays()
  const { data: me } = useQuery(session)
  const [draft, setDraft] = useKept<Draft>(`entry being typed ${fixedId ?? ''}`, EMPTY)
  const [failed, setFailed] = useKept<Failed[]>(`entries not booked ${fixedId ?? ''}`, [])
  const [base, setBase] = useKept<string>(`day of the last entry typed ${day}`.trim(), day)
  const [refused, setRefused] = useState<Refused>()
  const [splitting, setSplitting] = useState<Booking['parts']>()
  const form = useRef<HTMLFormElement>(null)
  const queue = useRef(Promise.resolve())
  const typed = sent(draft, base, fixedId)
  const { data: read, isPlaceholderData: isOld } = useQuery({
    queryKey: ['entry being read', typed],
    queryFn: () => data(api.POST('/api/entries/reading', { body: typed })),
    placeholderData: (previous) => previous,
  })
  // Keys come faster than drawings and answers.
  const abroad = useAbroad(
    fixedId ?? (draft.fromId || read?.from?.id),
    draft.toId || (read?.to?.id === fixedId ? read?.from?.id : read?.to?.id),
  )
  const begunWith = useRef<Template>(undefined)
  useEffect(() => {
    if (!template || begunWith.current === template) return
    begunWith.current = template
    const before = draft
    setDraft(begunFrom(template))
    setSplitting(template.parts.length > 0 ? template.parts : undefined)
    go('day')
    if (isEmpty(before)) says.note(`Begun from ${template.name}.`)
    else says.done(`Begun from ${template.name}, in place of what was being typed.`, () => setDraft(before))
  })
  const latest = useRef({ draft, base, missing: read?.missing, abroad })
  latest.current = { draft, base, missing: isOld ? undefined : read?.missing, abroad }
  const set = (to: Partial<Draft>) => {
    setRefused(undefined)
    setDraft((old) => ({ ...old, ...to }))
  }
  const newTags = useNewTags(draft.tags ?? '')
  const places = placesOf(fixedId, me?.formats.sides)
  const go = (field: string) => form.current?.querySelector<HTMLInputElement>(`[data-field="${field}"] input`)?.focus()
  function next(from: FieldName) {
    const order: FieldName[] = ['day', 'payee', 'amount', ...places.map(([name]) => name)]
    if (latest.current.abroad) order.push('arrives')
    const field = order[order.indexOf(from) + 1]
    if (field) go(field)
    else enter()
  }
  // Once what was chosen is drawn: a list gives the focus back to its own box. Before the next key: a timer would come
  // after keys that wait already, and they would be typed in the wrong field.
  const goOn = (from: FieldName) => queueMicrotask(() => next(from))

  function refuse(why: Refused) {
    setRefused(why.field === 'parts' ? { ...why, field: 'to' } : why)
    if (why.field) go(why.field === 'parts' ? 'to' : why.field)
  }
  function enter() {
    const { draft: done, missing } = latest.current
    if (isEmpty(done)) return go('day')
    if (missing) return refuse(missing)
    setDraft(undefined)
    latest.current.draft = EMPTY
    go('day')
    queue.current = queue.current.then(() => send(done))
  }
  async function send(done: Draft) {
    try {
      const body = sent(done, latest.current.base, fixedId)
      // It arrives even if the page is left at once.
      const entry = await data(api.POST('/api/entries', { body, keepalive: true }))
      latest.current.base = entry.date
      setBase(entry.date)
      says.done(entered(entry))
    } catch (error) {
      if (isEmpty(latest.current.draft)) {
        setDraft(done)
        refuse({ field: error instanceof Problem ? error.field : undefined, message: messageOf(error) })
      } else setFailed((old) => [...old, { draft: done, why: messageOf(error) }])
    }
    await booksChanged()
  }

  function onKeyDown(event: KeyboardEvent<HTMLFormElement>) {
    // What is typed in a dialog over it is not of the line.
    if (!(event.target instanceof HTMLElement) || !event.currentTarget.contains(event.target)) return
    // What a list offers is taken, or left, by its own box.
    if (event.target.getAttribute('aria-expanded') === 'true') return
    if (event.key === 'Escape') return onClose()
    if (event.key !== 'Enter' || event.shiftKey || event.target instanceof HTMLButtonElement) return
    event.preventDefault()
    event.stopPropagation()
    const field = event.target.closest<HTMLElement>('[data-field]')?.dataset.field as FieldName | undefined
    if (field && !event.ctrlKey) next(field)
    else enter()
  }
  const place = (name: 'from' | 'to', label: string) => (
    <QuickCell key={name} name={name} label={label} refused={refused}>
      <AccountPicker
        aria-label={label}
        aria-invalid={refused?.field === name || undefined}
        value={draft[`${name}Id`]}
        placeholder={(read && usualPlace(read, name, fixedId)) ?? 'type to find'}
        bookId={bookId}
        otherBooks
        without={fixedId}
        mayCreate={name === 'to' ? 'EXPENSE' : 'INCOME'}
        onChange={(account) => {
          set({ [`${name}Id`]: account?.id ?? '' })
          if (account) goOn(name)
        }}
        onUnknown={(text) => {
          set({ [`${name}Id`]: '' })
          if (text) setRefused({ field: name, message: `“${text}” is no account. Choose one, or make it there.` })
        }}
      />
    </QuickCell>
  )
  return (
    <form
      ref={form}
      aria-label="New entry"
      className="flex-none border-y border-hairline bg-paper px-(--edge) py-2 [--ground:var(--paper)]"
      onKeyDownCapture={onKeyDown}
      onSubmit={(event) => event.preventDefault()}
    >
      <div className={`grid items-start gap-x-2 ${columnsOf(places.length + (abroad ? 1 : 0))}`}>
        <QuickCell
          name="day"
          label="Day"
          refused={refused}
          hint={read?.day.value && shortDay(read.day.value)}
          asks={read?.day.problem}
          choices={read?.day.choices.map((iso) => ({
            text: writtenDay(iso),
            take: () => {
              set({ day: writtenDay(iso) })
              go('day')
            },
          }))}
        >
          <input
            className={box({ className: 'w-full' })}
            aria-label="Day"
            // biome-ignore lint/a11y/noAutofocus: somebody asked for it, to type
            autoFocus
            autoComplete="off"
            value={draft.day}
            onChange={(e) => set({ day: e.target.value })}
          />
        </QuickCell>
        <QuickCell name="payee" label="Payee" refused={refused} hint={read && usually(read)}>
          <KnownPayee
            aria-label="Payee"
            value={draft.payee}
            onChange={(payee) => {
              set({ payee })
              if (payee) goOn('payee')
            }}
          />
        </QuickCell>
        <QuickAmount
          name="amount"
          label="Amount"
          currency={read?.currency ?? ''}
          typed={draft.amount}
          read={read?.amount}
          usual={read?.amount.value}
          hint={read?.signed && `= ${signed(read.signed)}`}
          refused={refused}
          onType={(amount) => set({ amount })}
          onTake={() => go('amount')}
        />
        {places.map(([name, label]) => place(name, label))}
        {abroad && (
          <QuickAmount
            name="arrives"
            label="The amount there"
            typed={draft.arrives}
            read={read?.arrives}
            hint={read?.arrives?.value && `= ${figure(read.arrives.value)}`}
            refused={refused}
            onType={(arrives) => set({ arrives })}
            onTake={() => go('arrives')}
          />
        )}
        <div className="mt-[18px] flex gap-2">
          <Button
            whyNot={read?.signed ? undefined : 'Type the amount, and where it comes from, first.'}
            onClick={() => setSplitting([])}
          >
            Split
          </Button>
          <Button tone="go" title="Ctrl+Enter, with what is usual for the rest" onClick={enter}>
            Enter it
          </Button>
        </div>
      </div>
      <QuickMarks draft={draft} read={read} set={set} />
      <p className="h-5 truncate text-small text-ink-2" role="status">
        {refused && refused.field === undefined ? (
          <span className="text-aril">{refused.message}</span>
        ) : (
          read && !isEmpty(draft) && [stands(read), newTags.replace('New:', 'New tag:')].filter(Boolean).join('. ')
        )}
      </p>
      <NotEntered
        failed={failed}
        onTakeUp={(at) => {
          setDraft(failed[at]?.draft)
          setFailed((old) => old.filter((_, i) => i !== at))
          go('day')
        }}
      />
      {splitting && read && !isOld && (
        <QuickSplit
          draft={draft}
          read={read}
          base={base}
          parts={splitting}
          onClose={() => setSplitting(undefined)}
          onEntered={(entry) => {
            setSplitting(undefined)
            setDraft(undefined)
            setBase(entry.date)
            says.done(entered(entry))
            go('day')
          }}
        />
      )}
    </form>
  )
}

/** Whether two places are accounts of one's own in different currencies, so that both amounts are asked for. */
function useAbroad(one: string | undefined, other: string | undefined): boolean {
  const { data: all = [] } = useQuery(accounts)
  const own = all.filter((a) => (a.id === one || a.id === other) && a.hasOpeningBalance)
  return new Set(own.map((a) => a.currency)).size > 1
}

/** What could not be booked while the next one was being typed already. */
function NotEntered({ failed, onTakeUp }: { failed: Failed[]; onTakeUp: (at: number) => void }) {
  return failed.map(({ draft, why }, i) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: two that failed may be alike
    <p key={i} className="text-small text-aril" role="alert">
      Not entered: {draft.payee} {draft.amount}. {why}{' '}
      <button type="button" className={textLink({ size: 'small' })} onClick={() => onTakeUp(i)}>
        take it up again
      </button>
    </p>
  ))
}

/** For so many fields behind the amount. */
function columnsOf(fields: number): string {
  if (fields === 1) return 'grid-cols-[92px_minmax(0,1fr)_112px_minmax(0,0.8fr)_auto]'
  if (fields === 2) return 'grid-cols-[92px_minmax(0,1fr)_112px_minmax(0,0.6fr)_minmax(0,0.6fr)_auto]'
  return 'grid-cols-[92px_minmax(0,1fr)_112px_minmax(0,0.6fr)_minmax(0,0.6fr)_112px_auto]'
}
