import { useQuery } from '@tanstack/react-query'
import type { FormEvent } from 'react'
import { api, type Schemas } from '@/api/client'
import { books } from '@/api/queries'
import { useReadings } from '@/api/reading'
import { AccountPicker } from '@/parts/AccountPicker'
import { Button } from '@/parts/Button'
import { Check } from '@/parts/Check'
import { figure, longDay } from '@/parts/figures'
import { DAY, DayInput, dayText } from '@/parts/form/DayInput'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { useKept } from '@/parts/kept'
import { box, textLink } from '@/parts/look'
import { Select } from '@/parts/Select'
import { useAct } from '@/parts/useAct'
import { type Connected, type Connection, reach } from './types'

type Kind = Schemas['NewFeedAccountJson']['kind']

interface Choice {
  use: boolean
  accountId?: string
  makeNew: boolean
  name: string
  bookId?: string
  kind: Kind
  /** As it is typed. */
  startOn: string
}

const KIND_OPTIONS: { value: Kind; name: string }[] = [
  { value: 'CURRENT', name: 'current' },
  { value: 'SAVINGS', name: 'savings' },
  { value: 'CARD', name: 'card' },
  { value: 'PAYOUT', name: 'payout' },
]
const KINDS: Record<string, Kind> = { SVGS: 'SAVINGS', CARD: 'CARD' }

const first = (a: Connected): Choice => ({
  use: a.suggestedAccountId !== undefined,
  accountId: a.suggestedAccountId,
  makeNew: false,
  name: a.name,
  kind: KINDS[a.kind] ?? 'CURRENT',
  startOn: dayText(a.suggestedStart),
})

/** Which accounts of a bank are used, where their lines go, and from which day on. */
export function MapAccounts({
  connection,
  accounts,
  onDone,
}: {
  connection: Connection
  accounts: Connected[]
  onDone: () => void
}) {
  const { data: allBooks = [] } = useQuery(books)
  const [choices, setChoices] = useKept<Record<string, Choice>>(`accounts of ${connection.id}`, {})
  const { act, busy, error } = useAct()
  const choiceOf = (a: Connected) => choices[a.id] ?? first(a)
  const change = (a: Connected, to: Partial<Choice>) =>
    setChoices((old) => ({ ...old, [a.id]: { ...(old[a.id] ?? first(a)), ...to } }))
  const used = accounts.filter((a) => choiceOf(a).use)
  const days = useReadings(accounts.map((a) => ({ kind: DAY, text: choiceOf(a).startOn })))
  const dayOf = (a: Connected) => days[accounts.indexOf(a)]
  const whyNot =
    used.length === 0
      ? 'Choose at least one account.'
      : used.some((a) => !choiceOf(a).makeNew && !choiceOf(a).accountId)
        ? 'Say for each account that is used where its lines go.'
        : used.some((a) => dayOf(a)?.value === undefined)
          ? 'Type the first day of each account that is used.'
          : undefined

  function fetchThem(e: FormEvent) {
    e.preventDefault()
    if (whyNot !== undefined || busy) return
    const mapped = used.map((a) => {
      const c = choiceOf(a)
      const newAccount = { bookId: c.bookId ?? allBooks[0]?.id ?? '', name: c.name, kind: c.kind }
      return {
        connectedId: a.id,
        startOn: dayOf(a)?.value ?? a.suggestedStart,
        ...(c.makeNew ? { newAccount } : { accountId: c.accountId }),
      }
    })
    act(async () => {
      await api.PUT('/api/connections/{id}/accounts', {
        params: { path: { id: connection.id } },
        body: { accounts: mapped },
      })
      setChoices(undefined)
      onDone()
    })
  }
  return (
    <form
      className="px-(--edge) pt-2"
      onSubmit={fetchThem}
      aria-label={`Accounts to use at ${connection.institutionName}`}
    >
      <p className="text-ink-2">
        Choose the accounts to fetch, where their lines go and the day to begin with. {connection.institutionName} hands
        out lines {reach(connection.historyDays)} back.
      </p>
      {accounts.map((a) => {
        const c = choiceOf(a)
        return (
          <fieldset
            key={a.id}
            className="grid grid-cols-[20px_220px_minmax(260px,1fr)_220px] items-start gap-3 border-0 border-b border-hairline py-2.5 max-[1100px]:grid-cols-[20px_1fr_1fr]"
          >
            <legend className="sr-only">{a.name}</legend>
            <Check aria-label={`Use ${a.name}`} checked={c.use} onChange={(use) => change(a, { use })} />
            <span>
              <b className="font-medium">{a.name}</b>{' '}
              <span className="text-ink-3 text-small">..{a.number.slice(-4)}</span>
              <span className="block text-ink-2 text-small">
                {a.number}, {a.currency}
                {a.bankSays && `, ${figure(a.bankSays)}`}
              </span>
            </span>
            {c.use ? (
              <>
                {c.makeNew ? (
                  <span className="grid grid-cols-3 gap-1.5 [&>input]:col-span-full">
                    <input
                      className={box()}
                      aria-label={`Name of the new account for ${a.name}`}
                      value={c.name}
                      onChange={(e) => change(a, { name: e.target.value })}
                    />
                    <Select
                      aria-label={`Book of the new account for ${a.name}`}
                      value={c.bookId ?? allBooks[0]?.id ?? ''}
                      options={allBooks.map((b) => ({ value: b.id, name: b.name }))}
                      onChange={(bookId) => change(a, { bookId })}
                    />
                    <Select
                      aria-label={`Kind of the new account for ${a.name}`}
                      value={c.kind}
                      options={KIND_OPTIONS}
                      onChange={(kind) => change(a, { kind })}
                    />
                    <button
                      type="button"
                      className={textLink({ size: 'small' })}
                      onClick={() => change(a, { makeNew: false })}
                    >
                      an existing one
                    </button>
                  </span>
                ) : (
                  <span>
                    <AccountPicker
                      aria-label={`Account of the books for ${a.name}`}
                      value={c.accountId}
                      only={(b) => b.hasStatements && b.currency === a.currency}
                      onChange={(b) => change(a, { accountId: b?.id })}
                    />
                    <button
                      type="button"
                      className={textLink({ size: 'small' })}
                      onClick={() => change(a, { makeNew: true })}
                    >
                      make a new account
                    </button>
                  </span>
                )}
                <div>
                  <DayInput
                    aria-label={`First day for ${a.name}`}
                    text={c.startOn}
                    onText={(startOn) => change(a, { startOn })}
                  />
                  <span className="text-ink-2 text-small">
                    {dayOf(a)?.problem ?? `not before ${longDay(a.earliestStart)}`}
                  </span>
                </div>
              </>
            ) : (
              <span className="text-ink-2">not used</span>
            )}
          </fieldset>
        )
      })}
      <ProblemNote error={error} />
      <p className="flex gap-2 mt-3">
        <Button type="submit" tone="go" whyNot={whyNot}>
          Fetch
        </Button>
        <span className="text-ink-2 text-small self-center">
          A new account opens with what the bank’s balance and the lines make. Fetching goes on while you do other
          things.
        </span>
      </p>
    </form>
  )
}
