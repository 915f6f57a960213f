import { useQuery } from '@tanstack/react-query'
import { type FormEvent, useEffect, useState } from 'react'
import { api, data, messageOf, Problem } from '@/api/client'
import { books } from '@/api/queries'
import { useReadings } from '@/api/reading'
import { MayChange } from '@/app/MayChange'
import { Button } from '@/parts/Button'
import { AmountInput } from '@/parts/form/AmountInput'
import { useKept } from '@/parts/kept'
import { noteBox, textLink } from '@/parts/look'
import { PayeePicker } from '@/parts/PayeePicker'
import { Select } from '@/parts/Select'
import { Acts, Inspector, InspectorHead } from '@/parts/View'
import { Conditions, typedWord } from './Conditions'
import { type Draft, draftOf, numbersOf, wholeOf } from './draft'
import { Shares } from './Shares'
import { TrialPanel } from './TrialPanel'
import type { Rule } from './types'

/** Writes a rule as one sentence whose parts are picked in place, with what it would have caught below. */
export function RuleEditor({
  rule,
  name,
  first,
  no,
  onClose,
  onSaved,
  more,
}: {
  /** The one that is changed; left out for a new one. */
  rule?: Rule
  /** What is being written, so that half of it is found again. */
  name: string
  first: Draft
  no?: number
  onClose: () => void
  onSaved: (rule: Rule) => void
  /** What else can be done with a rule that is kept. */
  more?: React.ReactNode
}) {
  const { data: allBooks = [] } = useQuery(books)
  const [draft, setDraft] = useKept<Draft>(`rule ${name}`, first)
  const [problem, setProblem] = useState<unknown>()
  const [labelled, setLabelled] = useState(draft.tags !== '' || draft.note !== '')
  const numbers = numbersOf(draft)
  const readings = useReadings(numbers)
  const { rule: whole, tried, missing } = wholeOf(draft, readings)
  const asWritten = JSON.stringify(whole)
  const changed = !rule || said(draft) !== said(draftOf(rule.rule))
  const trial = useQuery({
    queryKey: ['rule-trial', rule?.id, tried],
    enabled: tried !== undefined,
    retry: false,
    placeholderData: (previous) => previous,
    queryFn: () =>
      data(api.POST('/api/rules/trial', { body: { draft: tried as NonNullable<typeof tried>, ruleId: rule?.id } })),
  })
  // What was refused is said until something else is written.
  // biome-ignore lint/correctness/useExhaustiveDependencies: by what is written
  useEffect(() => setProblem(undefined), [asWritten])
  const error = problem ?? (trial.isPlaceholderData ? undefined : trial.error)
  const refused = error instanceof Problem && error.field ? { field: error.field, message: error.message } : undefined

  const set = (to: Partial<Draft>) => setDraft((old) => ({ ...old, ...to }))
  function leave() {
    setDraft(undefined)
    onClose()
  }
  async function save(event: FormEvent) {
    event.preventDefault()
    if (!whole) return setProblem(new Error(missing))
    try {
      if (rule) {
        const params = { path: { id: rule.id }, query: { version: rule.version } }
        await api.PUT('/api/rules/{id}', { params, body: whole })
        setDraft(undefined)
        onSaved(rule)
      } else {
        const made = await data(api.POST('/api/rules', { body: whole }))
        setDraft(undefined)
        onSaved(made)
      }
    } catch (failed) {
      setProblem(failed)
    }
  }

  const title = rule ? `Rule ${rule.no}` : no ? `Rule ${no}` : 'New rule'
  return (
    <Inspector label={rule ? `Rule ${rule.no}` : 'New rule'}>
      <InspectorHead title={title}>
        {changed ? (
          <span className="text-heartwood">not saved yet</span>
        ) : rule?.rule.on ? (
          'switched on'
        ) : (
          'switched off'
        )}
      </InspectorHead>
      <form className="flex flex-1 flex-col" onSubmit={save} onKeyDown={(e) => e.key === 'Escape' && leave()}>
        <div className="mt-1 mb-3 font-serif text-[16px]/[29px]">
          {allBooks.length > 1 && !rule && (
            <>
              In{' '}
              <Select
                word="plain"
                aria-label="For the lines of"
                value={draft.bookId}
                options={allBooks.map((b) => ({ value: b.id, name: b.name }))}
                onChange={(bookId) =>
                  set({ bookId, shares: draft.shares.map((s) => ({ ...s, accountId: '', unknown: '' })) })
                }
              />
              :{' '}
            </>
          )}
          When <Conditions draft={draft} set={set} refused={refused} />, then set the payee to{' '}
          <span className="inline-block w-[190px] align-middle">
            <PayeePicker
              aria-label="Payee"
              value={draft.payee}
              placeholder="the name that is known"
              onChange={(payee) => set({ payee })}
            />
          </span>
          , book to <Shares draft={draft} set={set} refused={refused} />
          {labelled ? (
            <>
              , with the tags{' '}
              <input
                className={typedWord(refused?.field === 'tags')}
                aria-label="Tags"
                placeholder="none"
                value={draft.tags}
                onChange={(e) => set({ tags: e.target.value })}
              />{' '}
              and the note{' '}
              <input
                className={typedWord()}
                aria-label="Note"
                placeholder="none"
                value={draft.note}
                onChange={(e) => set({ note: e.target.value })}
              />
            </>
          ) : (
            <>
              {' '}
              <button
                type="button"
                className={textLink({ size: 'small', className: 'font-sans' })}
                onClick={() => setLabelled(true)}
              >
                tags, note
              </button>
            </>
          )}{' '}
          and{' '}
          <Select
            word="plain"
            aria-label="When it fits"
            value={draft.trusted ? 'posts' : 'waits'}
            options={[
              { value: 'waits', name: 'wait for my check' },
              { value: 'posts', name: 'post by itself' },
            ]}
            onChange={(when) => set({ trusted: when === 'posts' })}
          />
          {draft.trusted && (
            <>
              {' '}
              up to{' '}
              <span className="inline-block w-[84px] align-middle">
                <AmountInput
                  line
                  aria-label="Posts by itself up to"
                  aria-invalid={refused?.field === 'trustedUpTo' || undefined}
                  text={draft.trustedUpTo}
                  onText={(trustedUpTo) => set({ trustedUpTo })}
                />
              </span>
            </>
          )}
          .
        </div>
        {error && !isShownAtField(refused) ? (
          <p className={noteBox({ tone: 'bad', className: 'mb-3' })} role="alert">
            {messageOf(error)}
          </p>
        ) : null}
        {tried && trial.data && (
          <TrialPanel trial={trial.data} stale={trial.isPlaceholderData} books={tried.shares.length > 0} />
        )}
        {!tried && missing && <p className="text-ink-2">{missing}</p>}
        <MayChange>
          <Acts>
            <Button type="submit" tone="go" whyNot={missing ?? (changed ? undefined : 'Nothing was changed.')}>
              {rule ? 'Save the rule' : 'Make the rule'} <kbd>Enter</kbd>
            </Button>
            <Button onClick={leave} whyNot={rule && !changed ? 'Nothing was changed.' : undefined}>
              {rule ? 'As it was' : 'Discard'} <kbd>Esc</kbd>
            </Button>
            {more}
          </Acts>
        </MayChange>
      </form>
    </Inspector>
  )
}

/** What a draft says, however often it was changed there and back. */
const said = (draft: Draft) => JSON.stringify({ ...draft, next: 0 })

/** What concerns a condition or a share stands there. */
const isShownAtField = (refused: { field: string } | undefined) =>
  refused !== undefined && (/^when\..*\./.test(refused.field) || refused.field.startsWith('shares'))
