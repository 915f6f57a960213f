import { useQuery } from '@tanstack/react-query'
import { type FormEvent, useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { accounts, booksChanged } from '@/api/queries'
import { useReading, useReadings } from '@/api/reading'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { Dialog } from '@/parts/Dialog'
import { figure, isZero } from '@/parts/figures'
import { amountIn } from '@/parts/form/AmountInput'
import { DAY, DayInput, dayText } from '@/parts/form/DayInput'
import { Field } from '@/parts/form/Field'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { TagsField, tagsOf, tagsText } from '@/parts/form/TagsField'
import { useKept } from '@/parts/kept'
import { box } from '@/parts/look'
import { type Method, MethodPick } from '@/parts/MethodPick'
import { PayeePicker } from '@/parts/PayeePicker'
import { negated, useSum } from '@/parts/useSum'
import { emptyRow, PostingRows, type Row, rowsOf } from './PostingRows'

type Entry = Schemas['EntryJson']

interface Draft {
  day: string
  payee: string
  note: string
  reference: string
  method: Method | undefined
  tags: string
  rows: Row[]
}

/** Gives an entry another form: what the bank or a statement holds stays, and everything else is free. */
export function EntryEditor({ entry, onClose }: { entry: Entry; onClose: () => void }) {
  const says = useSays()
  const { data: all = [] } = useQuery(accounts)
  const [draft, setDraft] = useKept<Draft>(`entry ${entry.id} being changed`, {
    day: dayText(entry.date),
    payee: entry.payee,
    note: entry.note,
    reference: entry.reference,
    method: entry.method,
    tags: tagsText(entry.tags),
    rows: rowsOf(entry),
  })
  const [error, setError] = useState<unknown>()
  const set = (to: Partial<Draft>) => {
    setError(undefined)
    setDraft((old) => ({ ...old, ...to }))
  }
  const currencyOf = (id: string) => all.find((a) => a.id === id)?.currency ?? entry.currency
  const used = draft.rows.filter((r) => r.accountId !== '' || r.debit !== '' || r.credit !== '')
  const day = useReading(DAY, draft.day)
  const amounts = useReadings(used.map((r) => ({ kind: amountIn(currencyOf(r.accountId)), text: r.debit || r.credit })))
  const signed = amounts.map((r, i) => r.value && (used[i]?.debit ? r.value : negated(r.value)))
  const apart = useSum(
    signed.flatMap((amount, i) => (amount ? [{ amount, currency: currencyOf(used[i]?.accountId ?? '') }] : [])),
  )
  const problem = problemOf()
  function problemOf(): string | undefined {
    if (day.value === undefined) return day.problem ?? 'Type the day.'
    const unknown = used.find((r) => r.unknown !== '')
    if (unknown) return `“${unknown.unknown}” is no account. Choose one of the list.`
    if (used.some((r) => r.accountId === '')) return 'Say on which account each posting stands.'
    const wrong = amounts.find((r) => r.problem !== undefined)
    if (wrong) return wrong.problem
    if (signed.some((amount) => amount === undefined)) return 'Type the amount of each posting.'
    return undefined
  }
  function leave() {
    setDraft(undefined)
    onClose()
  }
  async function save(event: FormEvent) {
    event.preventDefault()
    if (problem !== undefined) return setError(new Error(problem))
    try {
      const changed = await data(
        api.PUT('/api/entries/{id}', {
          params: { path: { id: entry.id } },
          body: {
            version: entry.version,
            date: day.value ?? '',
            payee: draft.payee,
            note: draft.note,
            reference: draft.reference,
            method: draft.method,
            tags: tagsOf(draft.tags),
            postings: used.map((r, i) => ({
              accountId: r.accountId,
              amount: signed[i] ?? '',
              note: r.note,
              taxRateId: r.taxRateId,
              taxRole: r.taxRole,
            })),
          },
        }),
      )
      setDraft(undefined)
      onClose()
      says.done(`No. ${changed.no} changed.`)
      await booksChanged()
    } catch (e) {
      setError(e)
    }
  }
  return (
    <Dialog title={`Change no. ${entry.no}`} open onClose={onClose} wide>
      <form className="flex flex-col gap-3 p-5" aria-label={`Change no. ${entry.no}`} onSubmit={save}>
        <h2 className="text-title/[1.2]">Change no. {entry.no}</h2>
        <div className="grid grid-cols-[150px_minmax(0,1fr)] gap-3">
          <Field label="Day">
            {(ids) => <DayInput {...ids} text={draft.day} onText={(text) => set({ day: text })} />}
          </Field>
          <Field label="Payee">
            {(ids) => <PayeePicker {...ids} value={draft.payee} onChange={(payee) => set({ payee })} />}
          </Field>
        </div>
        <PostingRows
          rows={draft.rows}
          bookId={entry.books[0]?.bookId}
          currencyOf={currencyOf}
          onRows={(change) => {
            setError(undefined)
            setDraft((old) => ({ ...old, rows: change(old.rows) }))
          }}
          onMore={() => set({ rows: [...draft.rows, emptyRow(Math.max(...draft.rows.map((r) => r.key)) + 1)] })}
        />
        {apart !== undefined && !isZero(apart) && (
          <p className="text-small text-heartwood" role="status">
            Debits and credits are {figure(apart.replace('-', ''))} apart.
          </p>
        )}
        <div className="grid grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)_136px_minmax(0,1fr)] gap-3">
          <Field label="Note">
            {(ids) => (
              <textarea
                {...ids}
                className={box({ className: 'min-h-7 resize-y py-[3px]' })}
                rows={Math.min(6, draft.note.split('\n').length)}
                value={draft.note}
                onChange={(e) => set({ note: e.target.value })}
              />
            )}
          </Field>
          <Field label="Reference">
            {(ids) => (
              <input
                {...ids}
                className={box()}
                value={draft.reference}
                onChange={(e) => set({ reference: e.target.value })}
              />
            )}
          </Field>
          <Field label="Method">
            {(ids) => (
              <MethodPick {...ids} value={draft.method} none="not said" onChange={(method) => set({ method })} />
            )}
          </Field>
          <TagsField text={draft.tags} onText={(tags) => set({ tags })} />
        </div>
        <ProblemNote error={error} />
        <div className="flex justify-end gap-2">
          <Button onClick={leave}>Leave it</Button>
          <Button type="submit" tone="go" whyNot={problem}>
            Change it
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
