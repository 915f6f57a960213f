import { useQuery } from '@tanstack/react-query'
import { type FormEvent, useState } from 'react'
import { api, type Schemas } from '@/api/client'
import { books } from '@/api/queries'
import { AccountPicker } from '@/parts/AccountPicker'
import { ProblemNote, useAct } from '@/parts/Form'
import { figure, longDay } from '@/parts/figures'
import { type Connected, type Connection, reach } from './types'

type Kind = Schemas['NewFeedAccountJson']['kind']

interface Choice {
  use: boolean
  accountId?: string
  makeNew: boolean
  name: string
  bookId?: string
  kind: Kind
  startOn: string
}

const KINDS: Record<string, Kind> = { SVGS: 'SAVINGS', CARD: 'CARD' }

const first = (a: Connected): Choice => ({
  use: a.suggestedAccountId !== undefined,
  accountId: a.suggestedAccountId,
  makeNew: false,
  name: a.name,
  kind: KINDS[a.kind] ?? 'CURRENT',
  startOn: a.suggestedStart,
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
  const [choices, setChoices] = useState<Record<string, Choice>>({})
  const { act, busy, error } = useAct()
  const choiceOf = (a: Connected) => choices[a.id] ?? first(a)
  const change = (a: Connected, to: Partial<Choice>) =>
    setChoices((old) => ({ ...old, [a.id]: { ...(old[a.id] ?? first(a)), ...to } }))
  const used = accounts.filter((a) => choiceOf(a).use)
  const complete = used.length > 0 && used.every((a) => choiceOf(a).makeNew || choiceOf(a).accountId)

  function fetchThem(e: FormEvent) {
    e.preventDefault()
    const mapped = used.map((a) => {
      const c = choiceOf(a)
      const newAccount = { bookId: c.bookId ?? allBooks[0]?.id ?? '', name: c.name, kind: c.kind }
      return { connectedId: a.id, startOn: c.startOn, ...(c.makeNew ? { newAccount } : { accountId: c.accountId }) }
    })
    act(async () => {
      await api.PUT('/api/connections/{id}/accounts', {
        params: { path: { id: connection.id } },
        body: { accounts: mapped },
      })
      onDone()
    })
  }
  return (
    <form className="map" onSubmit={fetchThem} aria-label={`Accounts to use at ${connection.institutionName}`}>
      <p className="q">
        Choose the accounts to fetch, where their lines go and the day to begin with. {connection.institutionName} hands
        out lines {reach(connection.historyDays)} back.
      </p>
      {accounts.map((a) => {
        const c = choiceOf(a)
        return (
          <fieldset key={a.id} className="map-row">
            <legend className="vh">{a.name}</legend>
            {/* biome-ignore lint/a11y/useSemanticElements: drawn by us */}
            <button
              type="button"
              role="checkbox"
              className="tick"
              aria-checked={c.use}
              aria-label={`Use ${a.name}`}
              onClick={() => change(a, { use: !c.use })}
            />
            <span>
              <b className="font-medium">{a.name}</b> <span className="qq s">..{a.number.slice(-4)}</span>
              <span className="block q s">
                {a.number}, {a.currency}
                {a.bankSays && `, ${figure(a.bankSays)}`}
              </span>
            </span>
            {c.use ? (
              <>
                {c.makeNew ? (
                  <span className="new-account">
                    <input
                      className="box"
                      aria-label={`Name of the new account for ${a.name}`}
                      value={c.name}
                      onChange={(e) => change(a, { name: e.target.value })}
                    />
                    <select
                      className="box"
                      aria-label={`Book of the new account for ${a.name}`}
                      value={c.bookId ?? allBooks[0]?.id}
                      onChange={(e) => change(a, { bookId: e.target.value })}
                    >
                      {allBooks.map((b) => (
                        <option key={b.id} value={b.id}>
                          {b.name}
                        </option>
                      ))}
                    </select>
                    <select
                      className="box"
                      aria-label={`Kind of the new account for ${a.name}`}
                      value={c.kind}
                      onChange={(e) => change(a, { kind: e.target.value as Kind })}
                    >
                      <option value="CURRENT">current</option>
                      <option value="SAVINGS">savings</option>
                      <option value="CARD">card</option>
                      <option value="PAYOUT">payout</option>
                    </select>
                    <button type="button" className="link s" onClick={() => change(a, { makeNew: false })}>
                      an existing one
                    </button>
                  </span>
                ) : (
                  <span>
                    <AccountPicker
                      label={`Account of the books for ${a.name}`}
                      value={c.accountId}
                      only={(b) => b.hasStatements && b.currency === a.currency}
                      onChange={(b) => change(a, { accountId: b.id })}
                    />
                    <button type="button" className="link s" onClick={() => change(a, { makeNew: true })}>
                      make a new account
                    </button>
                  </span>
                )}
                <label className="field">
                  <span className="vh">First day for {a.name}</span>
                  <input
                    type="date"
                    className="box"
                    min={a.earliestStart}
                    value={c.startOn}
                    onChange={(e) => change(a, { startOn: e.target.value })}
                  />
                  <span className="q s">not before {longDay(a.earliestStart)}</span>
                </label>
              </>
            ) : (
              <span className="q">not used</span>
            )}
          </fieldset>
        )
      })}
      <ProblemNote error={error} />
      <p className="flex gap-2 mt-3">
        <button type="submit" className="btn go" disabled={!complete || busy}>
          Fetch
        </button>
        <span className="q s self-center">
          A new account opens with what the bank’s balance and the lines make. Fetching goes on while you do other
          things.
        </span>
      </p>
    </form>
  )
}
