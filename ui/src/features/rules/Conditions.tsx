import type { ReactNode } from 'react'
import { AccountPicker } from '@/parts/AccountPicker'
import { AmountInput } from '@/parts/form/AmountInput'
import { Icon } from '@/parts/Icon'
import { pick, textLink } from '@/parts/look'
import { type Option, Select } from '@/parts/Select'
import { type Clause, changed, clause, type Draft } from './draft'
import { MATCHES, PLACES, WAYS } from './types'

const options = <T extends string>(names: Record<T, string>) =>
  Object.entries(names).map(([value, name]) => ({ value, name }) as Option<T>)

type Kind = Exclude<Clause['kind'], 'ALL'> | ''

const KINDS: Option<Kind>[] = [
  { value: 'TEXT', name: 'a text' },
  { value: 'WAY', name: 'the way money goes' },
  { value: 'AMOUNT', name: 'an amount' },
  { value: 'ON', name: 'an account' },
  { value: 'DAYS', name: 'a day of the month' },
  { value: 'ANY', name: 'either of several' },
]

interface Editing {
  draft: Draft
  set: (to: Partial<Draft>) => void
  /** What the books refuse, by the path of the field. */
  refused?: { field: string; message: string }
}

/** What a rule looks for, as a part of its sentence: each word of it is picked or typed in place. */
export function Conditions(editing: Editing) {
  return <Group {...editing} group={editing.draft.when} path="when" top />
}

function Group({ group, path, top, ...editing }: Editing & { group: Clause; path: string; top?: boolean }) {
  const { draft, set } = editing
  const change = (to: Partial<Clause>) => set({ when: top ? { ...group, ...to } : changed(draft.when, group.key, to) })
  function add(kind: Kind) {
    if (kind === '') return
    const parts = kind === 'ANY' ? [clause(draft.next + 1, 'TEXT'), clause(draft.next + 2, 'TEXT')] : []
    const added = clause(draft.next, kind, { parts, accountIds: kind === 'ON' ? [''] : [] })
    const next = { parts: [...group.parts, added] }
    set({
      when: top ? { ...group, ...next } : changed(draft.when, group.key, next),
      next: draft.next + 3,
    })
  }
  const both = group.kind === 'ALL'
  return (
    <>
      {group.parts.map((part, i) => (
        <span key={part.key}>
          {i > 0 && (
            <button
              type="button"
              className="border-0 bg-transparent p-0 px-1 font-serif text-[16px] text-ink hover:text-dusk hover:underline"
              aria-label={`${both ? 'and' : 'or'}: all of these have to be so`}
              aria-pressed={both}
              title={both ? 'All of these. Press for either.' : 'Either of these. Press for all.'}
              onClick={() => change({ kind: both ? 'ANY' : 'ALL' })}
            >
              {both ? 'and' : 'or'}
            </button>
          )}
          <One {...editing} of={part} path={`${path}.parts.${i}`} alone={top === true && group.parts.length === 1} />
        </span>
      ))}{' '}
      <Select
        word="off"
        aria-label={top ? 'Add a condition' : 'Add a condition to this group'}
        value={'' as Kind}
        empty="also"
        options={top || depth(draft.when, group.key) < 4 ? KINDS : KINDS.slice(0, -1)}
        onChange={add}
      />
    </>
  )
}

function depth(tree: Clause, key: number, at = 1): number {
  if (tree.key === key) return at
  return Math.max(0, ...tree.parts.map((part) => depth(part, key, at + 1)))
}

/** One condition of a group, with what the books say against it below. */
function One({ of, path, alone, ...editing }: Editing & { of: Clause; path: string; alone: boolean }) {
  const { draft, set, refused } = editing
  const change = (to: Partial<Clause> | undefined) => set({ when: changed(draft.when, of.key, to) })
  const isGroup = of.kind === 'ALL' || of.kind === 'ANY'
  const wrong = !isGroup && refused?.field.startsWith(`${path}.`) ? refused.message : undefined
  return (
    <>
      {isGroup ? (
        <span className="my-1 block border-l-2 border-hairline-2 pl-2.5">
          <Group {...editing} group={of} path={path} />
          <TakeOut what="these conditions" onClick={() => change(undefined)} />
        </span>
      ) : (
        <>
          <Words of={of} change={change} wrong={wrong !== undefined} draft={draft} />
          {!alone && <TakeOut what="this condition" onClick={() => change(undefined)} />}
        </>
      )}
      {wrong && (
        <span className="block font-sans text-small text-aril" role="alert">
          {wrong}
        </span>
      )}
    </>
  )
}

function TakeOut({ what, onClick }: { what: string; onClick: () => void }) {
  return (
    <button
      type="button"
      className="inline-grid h-5 w-4 place-items-center rounded border-0 bg-transparent align-[-3px] text-ink-3 hover:text-aril"
      aria-label={`Take ${what} out`}
      onClick={onClick}
    >
      <Icon name="close" size={9} />
    </button>
  )
}

/** A word that is typed within the sentence, as wide as what it says. */
export const typedWord = (wrong = false) =>
  pick({ className: `field-sizing-content min-w-[72px] ${wrong ? 'outline outline-aril' : ''}` })

/** The words of one condition. */
function Words({
  of,
  change,
  wrong,
  draft,
}: {
  of: Clause
  change: (to: Partial<Clause>) => void
  wrong: boolean
  draft: Draft
}): ReactNode {
  switch (of.kind) {
    case 'TEXT': {
      const matches = options(MATCHES).filter((m) => of.place !== 'COUNTERPARTY_ACCOUNT' || m.value !== 'HAS_WORDS')
      return (
        <>
          <Select
            word="plain"
            aria-label="Which text"
            value={of.place}
            options={options(PLACES)}
            onChange={(place) =>
              change({
                place,
                match: place === 'COUNTERPARTY_ACCOUNT' && of.match === 'HAS_WORDS' ? 'ENDS' : of.match,
              })
            }
          />{' '}
          <Select
            word="plain"
            aria-label="How it compares"
            value={of.match}
            options={matches}
            onChange={(match) => change({ match })}
          />{' '}
          <input
            className={typedWord(wrong)}
            aria-label="Text to look for"
            aria-invalid={wrong || undefined}
            placeholder="what the bank writes"
            value={of.text}
            maxLength={200}
            onChange={(e) => change({ text: e.target.value })}
          />
        </>
      )
    }
    case 'WAY':
      return (
        <>
          it is{' '}
          <Select
            word="plain"
            aria-label="In or out"
            value={of.direction}
            options={options(WAYS)}
            onChange={(direction) => change({ direction })}
          />
        </>
      )
    case 'AMOUNT':
      return (
        <>
          the amount is from{' '}
          <span className="inline-block w-[84px] align-middle">
            <AmountInput line aria-label="From amount" text={of.from} onText={(from) => change({ from })} />
          </span>{' '}
          to{' '}
          <span className="inline-block w-[84px] align-middle">
            <AmountInput line aria-label="To amount" text={of.to} onText={(to) => change({ to })} />
          </span>
        </>
      )
    case 'ON':
      return (
        <>
          it came for{' '}
          {of.accountIds.map((id, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: places of a list that is typed
            <span key={i}>
              {i > 0 && 'or '}
              <span className="inline-block w-[168px] align-middle">
                <AccountPicker
                  aria-label={i === 0 ? 'On account' : `On account, ${i + 1}`}
                  value={id}
                  bookId={draft.bookId}
                  only={(a) => a.hasStatements}
                  onChange={(a) =>
                    change({ accountIds: of.accountIds.map((old, at) => (at === i ? (a?.id ?? '') : old)) })
                  }
                />
              </span>{' '}
            </span>
          ))}
          <button
            type="button"
            className={textLink({ size: 'small', className: 'font-sans' })}
            onClick={() => change({ accountIds: [...of.accountIds, ''] })}
          >
            or another
          </button>
        </>
      )
    case 'DAYS':
      return (
        <>
          it is booked on day{' '}
          <input
            className={pick({ className: 'w-11 text-center' })}
            aria-label="From day of the month"
            inputMode="numeric"
            value={of.firstDay}
            onChange={(e) => change({ firstDay: e.target.value })}
          />{' '}
          to{' '}
          <input
            className={pick({ className: 'w-11 text-center' })}
            aria-label="To day of the month"
            inputMode="numeric"
            placeholder={of.firstDay}
            value={of.lastDay}
            onChange={(e) => change({ lastDay: e.target.value })}
          />
        </>
      )
    default:
      return null
  }
}
