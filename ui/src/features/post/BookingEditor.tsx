import { queryOptions, useQuery } from '@tanstack/react-query'
import type { FormEvent } from 'react'
import { messageOf, type Schemas } from '@/api/client'
import { accounts, queryClient } from '@/api/queries'
import { type Part as PartKind, useReadings } from '@/api/reading'
import { useSays } from '@/app/says'
import { AccountPicker } from '@/parts/AccountPicker'
import { Button } from '@/parts/Button'
import { figure } from '@/parts/figures'
import { AmountInput, amountIn, amountText, partText } from '@/parts/form/AmountInput'
import { Field } from '@/parts/form/Field'
import { TagsField, tagsOf, tagsText } from '@/parts/form/TagsField'
import { JournalEntry } from '@/parts/JournalEntry'
import { useKept } from '@/parts/kept'
import { box, noteBox, textLink } from '@/parts/look'
import { PayeePicker } from '@/parts/PayeePicker'
import { type Tax, TaxPick } from '@/parts/TaxPick'
import { Acts } from '@/parts/View'
import type { Booking } from './booking'
import { Asked, StillToPlace, useRest } from './PartAmounts'
import type { Waiting } from './types'

/** One part as it is typed. */
interface Part {
  key: number
  accountId: string
  /** A text in the way of categories that names none. */
  unknown: string
  amount: string
  other: string
  note: string
  tax: Tax
}

interface Draft {
  payee: string
  note: string
  tags: string
  parts: Part[]
  /** Whether what is not placed yet stands in suspense. */
  open?: boolean
}

/** How the amount of a part is read. */
const partOf = (line: Bookable, accountId: string, { taxRateId, untaxed }: Tax): PartKind => ({
  of: 'part',
  currency: line.currency,
  whole: line.amount,
  day: line.bookedOn,
  accountId: accountId || undefined,
  taxRateId,
  untaxed,
})

const emptyPart = (key: number): Part => ({ key, accountId: '', unknown: '', amount: '', other: '', note: '', tax: {} })

function begin(booking: Booking, line: Bookable, split: boolean, currencyOf: (id: string) => string): Draft {
  const parts = booking.parts.map(
    (p, key): Part => ({
      ...emptyPart(key),
      accountId: p.accountId,
      amount: partText(p.amount, partOf(line, p.accountId, p)),
      other: amountText(p.otherAmount, currencyOf(p.accountId)),
      note: p.note ?? '',
      tax: { taxRateId: p.taxRateId, untaxed: p.untaxed },
    }),
  )
  if (parts.length === 0) parts.push({ ...emptyPart(0), amount: partText(line.amount, partOf(line, '', {})) })
  if (split && parts.length === 1) parts.push(emptyPart(1))
  return {
    payee: booking.payee || line.name,
    note: booking.note ?? '',
    tags: tagsText(booking.tags ?? []),
    parts,
  }
}

/** What an account paid or received, which is to be booked: a waiting line, or an entry that is typed. */
export type Bookable = Pick<Waiting, 'id' | 'accountId' | 'bookId' | 'currency' | 'amount' | 'bookedOn' | 'name'>

/** Says what an amount is: payee, category, and for a split several parts that add up to it. */
export function BookingEditor({
  of: line,
  preview: wouldBook,
  booking,
  split,
  onDone,
  onCancel,
}: {
  of: Bookable
  /** The entry that it would become; refused where it cannot. */
  preview: (booking: Booking) => Promise<Pick<Schemas['WouldBookJson'], 'books' | 'betweenBooks'>>
  booking: Booking
  split: boolean
  onDone: (booking: Booking) => void
  onCancel: () => void
}) {
  const says = useSays()
  const { data: all = [] } = useQuery(accounts)
  const currencyOf = (id: string) => all.find((a) => a.id === id)?.currency ?? line.currency
  const [draft, setDraft] = useKept(
    `${split ? 'split' : 'booking'} of ${line.id}`,
    begin(booking, line, split, currencyOf),
  )
  const { payee, note, tags, parts } = draft
  const several = parts.length > 1
  /** A part that nobody has filled in, while the rest stands in suspense. */
  const isLeftOpen = (part: Part | undefined) =>
    several && draft.open === true && part?.accountId === '' && part.amount === ''
  /** The currency of an own account in another currency than the line's; undefined for all others. */
  const abroad = (id: string) => {
    const account = all.find((a) => a.id === id)
    return account?.hasOpeningBalance && account.currency !== line.currency ? account.currency : undefined
  }
  const amounts = useReadings(parts.map((p) => ({ kind: partOf(line, p.accountId, p.tax), text: p.amount })))
  const rest = useRest(
    line,
    amounts.map((r) => r.value),
  )
  /** The last part that has no amount yet. */
  const empty = parts.findLast((_, i) => amounts[i]?.value === undefined)
  const others = useReadings(parts.map((p) => ({ kind: amountIn(abroad(p.accountId) ?? 'EUR'), text: p.other })))
  const made: Booking = {
    payee,
    note,
    restToSuspense: several && draft.open ? true : undefined,
    tags: tagsOf(tags),
    parts: parts.flatMap((p, i) =>
      isLeftOpen(p)
        ? []
        : {
            accountId: p.accountId,
            amount: several ? (amounts[i]?.value ?? '') : line.amount,
            otherAmount: abroad(p.accountId) ? others[i]?.value : undefined,
            note: p.note,
            ...p.tax,
          },
    ),
  }
  const problem = problemOf()
  const preview = queryOptions({
    queryKey: ['would-book', line.id, made],
    retry: false,
    queryFn: () => wouldBook(made),
  })
  const check = useQuery({ ...preview, enabled: problem === undefined })

  /** What is still missing or cannot be read, in words. */
  function problemOf(): string | undefined {
    if (payee.trim() === '') return 'Type who it is with.'
    const unknown = parts.find((p) => p.unknown !== '')
    if (unknown) return `“${unknown.unknown}” is no category. Choose one of the list, or make it there.`
    if (parts.some((p) => p.accountId === '' && !isLeftOpen(p))) return 'Say where each part is booked.'
    if ([...(several ? amounts : []), ...others].some((r) => r.pending)) return 'What was typed is still being read.'
    const wrong = [...(several ? amounts : []), ...others].find((r) => r.problem !== undefined)
    if (wrong) return wrong.problem
    if (several && amounts.some((r, i) => r.value === undefined && !isLeftOpen(parts[i])))
      return 'Type the amount of each part.'
    return undefined
  }
  const set = (to: Partial<Draft>) => setDraft((old) => ({ ...old, ...to }))
  const change = (key: number, to: Partial<Part>) =>
    setDraft((old) => ({ ...old, parts: old.parts.map((p) => (p.key === key ? { ...p, ...to } : p)) }))
  function place(part: Part) {
    if (rest !== undefined) change(part.key, { amount: partText(rest, partOf(line, part.accountId, part.tax)) })
  }
  function leave() {
    setDraft(undefined)
    onCancel()
  }
  async function submit(event: FormEvent) {
    event.preventDefault()
    if (problem !== undefined) return says.failed(new Error(problem))
    try {
      // Faster than the preview: it is waited for, since the books say whether this can be booked.
      await queryClient.fetchQuery(preview)
      setDraft(undefined)
      onDone(made)
    } catch (error) {
      says.failed(error)
    }
  }

  return (
    <form
      className="flex flex-1 flex-col gap-[9px]"
      aria-label={split ? 'Split the line' : 'Change this line'}
      onSubmit={submit}
      onKeyDown={(e) => e.key === 'Escape' && leave()}
    >
      <Field label="Payee">
        {(ids) => <PayeePicker {...ids} value={payee} onChange={(name) => set({ payee: name })} />}
      </Field>
      {parts.map((p, i) => (
        <div className={several ? 'grid grid-cols-[minmax(0,1fr)_92px] gap-2' : undefined} key={p.key}>
          <Field label={several ? `Part ${i + 1}` : 'Books to'}>
            {(ids) => (
              <AccountPicker
                {...ids}
                aria-label={several ? `Books to, part ${i + 1}` : 'Books to'}
                aria-invalid={p.unknown !== '' || undefined}
                value={p.accountId}
                bookId={line.bookId}
                otherBooks
                without={line.accountId}
                mayCreate={line.amount.startsWith('-') ? 'EXPENSE' : 'INCOME'}
                autoFocus={several ? i === parts.length - 1 : true}
                onChange={(a) => change(p.key, { accountId: a?.id ?? '', unknown: '' })}
                onUnknown={(typed) => change(p.key, { accountId: '', unknown: typed })}
              />
            )}
          </Field>
          <TaxPick
            before="Sales tax"
            className="col-span-full flex items-center gap-2 pt-1 text-small text-ink-2"
            aria-label={several ? `Sales tax, part ${i + 1}` : 'Sales tax'}
            accountId={p.accountId}
            value={p.tax}
            onChange={(tax) => change(p.key, { tax })}
          />
          {abroad(p.accountId) && (
            <Field
              label={`${line.amount.startsWith('-') ? 'Arrived' : 'Left'} there, ${abroad(p.accountId)}`}
              hint={
                <Asked
                  reading={others[i]}
                  onText={(other) => change(p.key, { other })}
                  currency={abroad(p.accountId) ?? ''}
                />
              }
            >
              {(ids) => (
                <AmountInput
                  {...ids}
                  currency={abroad(p.accountId)}
                  text={p.other}
                  placeholder={figure('0.00')}
                  onText={(other) => change(p.key, { other })}
                />
              )}
            </Field>
          )}
          {several && (
            <Field label="Amount">
              {(ids) => (
                <AmountInput
                  onKeyDown={(e) => {
                    if (e.key !== '=' || p.amount !== '') return
                    e.preventDefault()
                    place(p)
                  }}
                  {...ids}
                  part={partOf(line, p.accountId, p.tax)}
                  aria-label={`Amount, part ${i + 1}`}
                  currency={line.currency}
                  text={p.amount}
                  placeholder={figure('0.00')}
                  onText={(amount) => change(p.key, { amount })}
                />
              )}
            </Field>
          )}
          {several && (
            <Asked reading={amounts[i]} onText={(amount) => change(p.key, { amount })} currency={line.currency} />
          )}
        </div>
      ))}
      {several && rest !== undefined && (
        <StillToPlace
          rest={rest}
          mayPlace={empty !== undefined}
          open={draft.open ?? false}
          onOpen={(open) => set({ open })}
          onPlace={() => empty && place(empty)}
        />
      )}
      <button
        type="button"
        className={textLink({ size: 'small', className: 'self-start' })}
        onClick={() => set({ parts: [...parts, emptyPart(Math.max(...parts.map((p) => p.key)) + 1)] })}
      >
        {several ? 'One more part' : 'Split it'}
      </button>
      <Field label="Note">
        {(ids) => <input {...ids} className={box()} value={note} onChange={(e) => set({ note: e.target.value })} />}
      </Field>
      <TagsField text={tags} onText={(text) => set({ tags: text })} />
      {problem === undefined && check.error && (
        <p className={noteBox({ tone: 'bad' })} role="alert">
          {messageOf(check.error)}
        </p>
      )}
      {problem === undefined && check.data && (
        <JournalEntry title="Would book" books={check.data.books} between={check.data.betweenBooks} />
      )}
      <Acts>
        <Button type="submit" tone="go" whyNot={problem ?? (check.error ? messageOf(check.error) : undefined)}>
          Take it <kbd>Enter</kbd>
        </Button>
        <Button onClick={leave}>
          Leave it <kbd>Esc</kbd>
        </Button>
      </Acts>
    </form>
  )
}
