import { useQuery } from '@tanstack/react-query'
import { type FormEvent, useEffect, useState } from 'react'
import { api, data, messageOf } from '@/api/client'
import { accounts } from '@/api/queries'
import { MayChange } from '@/app/MayChange'
import type { Waiting } from '@/features/post/types'
import { AccountPicker } from '@/parts/AccountPicker'
import { Button } from '@/parts/Button'
import { counted } from '@/parts/figures'
import { useKept } from '@/parts/kept'
import { noteBox, pick } from '@/parts/look'
import { Select } from '@/parts/Select'
import { Acts, Inspector, InspectorHead } from '@/parts/View'
import type { Rule, RuleDraft } from './types'

type Draft = Omit<RuleDraft, 'toAccountId'> & { toAccountId: string | undefined }

const DIRECTIONS: { value: Draft['direction']; name: string }[] = [
  { value: 'OUT', name: 'paid out' },
  { value: 'IN', name: 'paid in' },
  { value: 'EITHER', name: 'paid in or out' },
]

function begin(rule: Rule | undefined, line: Waiting | undefined): Draft {
  if (rule) {
    const { words, direction, onAccountId, payee, toAccountId } = rule
    return { words, direction, onAccountId, payee, toAccountId }
  }
  const direction = line ? (line.amount.startsWith('-') ? 'OUT' : 'IN') : 'OUT'
  return { words: '', direction, onAccountId: undefined, payee: '', toAccountId: line?.proposal?.parts[0]?.accountId }
}

/** Writes a rule as a sentence with picks: a new one, one from a waiting line, or one that is there. */
export function RuleEditor({
  rule,
  line,
  no,
  onClose,
  onSaved,
  onRemove,
}: {
  rule?: Rule
  line?: Waiting
  no?: number
  onClose: () => void
  onSaved: (rule: Rule) => void
  onRemove?: () => void
}) {
  const { data: all = [] } = useQuery(accounts)
  const [draft, setDraft] = useKept<Draft>(`rule ${rule?.id ?? line?.id ?? 'new'}`, begin(rule, line))
  const [problem, setProblem] = useState('')
  const suggestion = useQuery({
    queryKey: ['rule-suggestion', line?.id],
    enabled: line !== undefined,
    queryFn: () => data(api.GET('/api/rules/suggestion', { params: { query: { line: line?.id ?? '' } } })),
  })
  const proposed = suggestion.data?.words
  // biome-ignore lint/correctness/useExhaustiveDependencies: the words are proposed once
  useEffect(() => {
    if (proposed && !draft.words) setDraft({ ...draft, words: proposed, payee: draft.payee || readable(proposed) })
  }, [proposed])

  const set = (to: Partial<Draft>) => setDraft((old) => ({ ...old, ...to }))
  const leave = () => {
    setDraft(undefined)
    onClose()
  }
  const whole = draft.words.trim() && draft.toAccountId ? { ...draft, toAccountId: draft.toAccountId } : undefined
  const bookId = line?.bookId ?? all.find((a) => a.id === draft.onAccountId)?.bookId
  const reach = useQuery({
    queryKey: ['rule-reach', whole],
    enabled: whole !== undefined,
    retry: false,
    queryFn: () => data(api.POST('/api/rules/reach', { body: whole as RuleDraft })),
  })
  const changed = !rule || JSON.stringify(begin(rule, undefined)) !== JSON.stringify(draft)

  async function save(event: FormEvent) {
    event.preventDefault()
    if (!whole) return setProblem('Say which words, and where to book.')
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
    } catch (error) {
      setProblem(messageOf(error))
    }
  }

  return (
    <Inspector label={rule ? `Rule ${rule.no}` : 'New rule'}>
      <InspectorHead title={rule ? `Rule ${rule.no}` : no ? `Rule ${no}` : 'New rule'}>
        {changed && <span className="text-heartwood text-small">not saved yet</span>}
      </InspectorHead>
      <form className="flex flex-col flex-1" onSubmit={save} onKeyDown={(e) => e.key === 'Escape' && leave()}>
        <div className="mt-2.5 mb-3.5 font-serif text-[16px]/[29px]">
          When any text has the words{' '}
          <input
            className={pick({ className: 'w-full px-2' })}
            aria-label="Words"
            value={draft.words}
            // biome-ignore lint/a11y/noAutofocus: opened by a key, the words are what to check first
            autoFocus={!rule}
            placeholder="words of the bank’s text"
            onChange={(e) => set({ words: e.target.value.toUpperCase() })}
          />{' '}
          and it is{' '}
          <Select
            line
            aria-label="In or out"
            value={draft.direction}
            options={DIRECTIONS}
            onChange={(direction) => set({ direction })}
          />{' '}
          on{' '}
          <AccountPicker
            aria-label="On account"
            value={draft.onAccountId}
            bookId={line?.bookId}
            only={(a) => a.hasStatements}
            none="any account"
            onChange={(a) => set({ onAccountId: a?.id })}
          />
          then set the payee to{' '}
          <input
            className={pick({ className: 'w-full px-2' })}
            aria-label="Payee"
            value={draft.payee}
            placeholder="as the bank says"
            onChange={(e) => set({ payee: e.target.value })}
          />{' '}
          and book to{' '}
          <AccountPicker
            aria-label="Book to"
            value={draft.toAccountId}
            bookId={bookId}
            otherBooks={draft.onAccountId !== undefined}
            mayCreate={draft.direction === 'IN' ? 'INCOME' : 'EXPENSE'}
            onChange={(a) => set({ toAccountId: a?.id })}
          />
        </div>
        {reach.data && (
          <p className="reach">
            Fits <b>{counted(reach.data.waiting, 'waiting line')}</b>
            {reach.data.waiting > 0 && (
              <>
                , <b>{reach.data.unanswered}</b> of them without a rule so far
              </>
            )}
            .
          </p>
        )}
        {(problem || reach.error) && (
          <p className={noteBox({ tone: 'bad' })} role="alert">
            {problem || messageOf(reach.error)}
          </p>
        )}
        <MayChange>
          <Acts>
            <Button
              type="submit"
              tone="go"
              whyNot={!whole ? 'Say which words, and where to book.' : changed ? undefined : 'Nothing was changed.'}
            >
              Save the rule <kbd>Enter</kbd>
            </Button>
            {rule ? (
              <Button tone="kill" onClick={onRemove}>
                Remove <kbd>Delete</kbd>
              </Button>
            ) : (
              <Button onClick={leave}>
                Discard <kbd>Esc</kbd>
              </Button>
            )}
          </Acts>
        </MayChange>
      </form>
    </Inspector>
  )
}

/** COBBLERS ROW -> Cobblers Row: a payee's name to begin with. */
function readable(words: string): string {
  return words.toLowerCase().replace(/(^|\s)\p{L}/gu, (c) => c.toUpperCase())
}
