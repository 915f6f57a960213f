import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data, messageOf, type Schemas } from '@/api/client'
import { useReading } from '@/api/reading'
import { useSays } from '@/app/says'
import { AccountField } from '@/parts/AccountPicker'
import { Dialog } from '@/parts/Dialog'
import { counted } from '@/parts/figures'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { NumberField, TextField } from '@/parts/form/fields'
import { tagsOf } from '@/parts/form/TagsField'
import { PayeeField } from '@/parts/PayeePicker'
import { Select } from '@/parts/Select'

type Outcome = Schemas['BulkOutcomeJson']
type Wanted = Schemas['BulkChangeJson']

const EMPTY = { categoryId: '', payee: '', tagsAdded: '', tagsTaken: '', days: '' }

/** One change to many entries: counted while it is said, made as one act. */
export function ChangeMany({
  ids,
  sought,
  onClose,
}: {
  /** The selected entries. */
  ids: string[]
  /** All that fit what is looked for. */
  sought: Schemas['BulkSoughtJson']
  onClose: () => void
}) {
  const says = useSays()
  const of = useOwnForm(EMPTY, 'change several')
  const [which, setWhich] = useState<'selected' | 'all'>(ids.length > 1 ? 'selected' : 'all')
  const [doing, setDoing] = useState<'change' | 'void'>('change')
  const voids = doing === 'void'
  const typed = { ...EMPTY, ...of.form.watch() }
  const shift = useReading({ of: 'number' }, typed.days)

  const meant = { ids: which === 'selected' ? ids : [], sought: which === 'all' ? sought : undefined }
  /** @param days as the core has read them */
  const wanted = (said: typeof EMPTY, days: string): Wanted => ({
    ...meant,
    payee: said.payee.trim(),
    categoryId: said.categoryId || undefined,
    tagsAdded: tagsOf(said.tagsAdded),
    tagsTaken: tagsOf(said.tagsTaken),
    days: Number(days || '0'),
  })
  const body = wanted(typed, shift.value ?? '')
  const said = Object.values(typed).some((text) => text.trim() !== '')
  const ready = voids || (said && !shift.pending && !shift.problem)
  const ahead = useQuery({
    queryKey: ['journal', 'bulk', doing, body],
    enabled: ready,
    placeholderData: keepPreviousData,
    queryFn: () =>
      voids
        ? data(api.POST('/api/entries/bulk/void/count', { body: meant }))
        : data(api.POST('/api/entries/bulk/count', { body })),
  })
  async function change(values: typeof EMPTY) {
    const done = voids
      ? await data(api.POST('/api/entries/bulk/void', { body: meant }))
      : await data(api.POST('/api/entries/bulk', { body: wanted(values, values.days) }))
    says.done(`${counted(done.changed, 'entry', 'entries')} ${voids ? 'voided' : 'changed'}${stayed(done)}.`)
  }
  return (
    <Dialog title="Change several at once" open onClose={onClose}>
      <Form of={of} className="flex flex-col gap-3 p-5" send={change} done={onClose}>
        <h2 className="text-title/[1.2]">Change several at once</h2>
        <div className="flex items-center gap-2">
          <span className="text-ink-2">Of the journal</span>
          <Select
            aria-label="Which entries"
            value={which}
            options={[
              ...(ids.length > 0
                ? [{ value: 'selected' as const, name: `the ${counted(ids.length, 'entry', 'entries')} selected` }]
                : []),
              { value: 'all' as const, name: 'all that fit what is looked for' },
            ]}
            onChange={setWhich}
          />
          <Select
            aria-label="What is done to them"
            value={doing}
            options={[
              { value: 'change' as const, name: 'are changed' },
              { value: 'void' as const, name: 'are voided' },
            ]}
            onChange={setDoing}
          />
        </div>
        <p className="text-ink-2">
          {voids
            ? 'Each is taken back by its opposite on its own day; both stay in the books, linked.'
            : 'What is left empty stays.'}
        </p>
        <div className={voids ? 'hidden' : 'grid grid-cols-2 gap-3'}>
          <AccountField
            name="categoryId"
            label="Category"
            only={(a) => a.accountClass === 'EXPENSE' || a.accountClass === 'INCOME'}
            bookId={sought.book}
            otherBooks
          />
          <PayeeField />
          <TextField name="tagsAdded" label="Tags to add" hint="separated by commas" />
          <TextField name="tagsTaken" label="Tags to take away" hint="separated by commas" />
          <NumberField name="days" label="Days to move by" hint="1 is the day after, -1 the day before" />
        </div>
        {ready && <Told outcome={ahead.data} error={ahead.error} would={voids ? 'be voided' : 'change'} />}
        <Foot
          go={
            ready && ahead.data
              ? `${voids ? 'Void' : 'Change'} ${counted(ahead.data.changed, 'entry', 'entries')}`
              : 'Change them'
          }
          onLeave={onClose}
        />
      </Form>
    </Dialog>
  )
}

const stayed = (outcome: Outcome) => {
  const count = outcome.stay.reduce((sum, s) => sum + s.count, 0)
  return count > 0 ? `, ${count} stayed as they were` : ''
}

/** What the change would do, before it is made. */
function Told({ outcome, error, would }: { outcome: Outcome | undefined; error: Error | null; would: string }) {
  if (error) return <p role="alert">{messageOf(error)}</p>
  if (!outcome) return <p className="text-ink-2">Counting…</p>
  return (
    <div role="status" aria-label="What it would do">
      <p>
        <b>{counted(outcome.changed, 'entry', 'entries')}</b> would {would}
        {outcome.same > 0 && `, ${outcome.same} are like that already`}.
      </p>
      <ul className="text-ink-2">
        {outcome.stay.map((s) => (
          <li key={s.code}>
            {s.count} would stay; of no. {s.no}: {s.why}
          </li>
        ))}
      </ul>
    </div>
  )
}
