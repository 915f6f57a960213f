import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { books as booksQuery } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { useSays } from '@/app/says'
import { useScope, useScopeSearch } from '@/app/scope'
import { OpeningEntries } from '@/features/setup/OpeningEntries'
import { ProblemNote, useAct } from '@/parts/Form'
import { counted, day, figure, typedAmount } from '@/parts/figures'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { KIND_NAMES } from './types'
import '@/features/setup/setup.css'
import './chart.css'

type Opening = Schemas['OpeningJson']
type Typed = { opensOn: string; balance: string }

/** All opening balances on one sheet, balanced by the opening equity as they are typed. */
export function OpeningBalances() {
  const openings = useQuery({ queryKey: ['openings'], queryFn: () => data(api.GET('/api/opening-balances')) })
  const { book } = useScope()
  if (openings.error) return <Failed error={openings.error} retry={openings.refetch} />
  if (!openings.data) return <Loading what="the opening balances" />
  const shown = openings.data.filter((o) => !book || o.bookId === book)
  if (shown.length === 0)
    return <Nothing title="There is no account to open">Accounts at banks, cards, cash and loans appear here.</Nothing>
  return <Sheet key={book} openings={shown} />
}

const typedOf = (o: Opening): Typed => ({
  opensOn: o.opensOn ?? '',
  balance: o.balance ? figure(o.balance) : o.opensOn ? '0.00' : '',
})

function Sheet({ openings }: { openings: Opening[] }) {
  const { data: books = [] } = useQuery(booksQuery)
  const [typed, setTyped] = useState<Record<string, Typed>>({})
  const { act, error, busy } = useAct()
  const says = useSays()
  const navigate = useNavigate()
  const search = useScopeSearch()
  const now = (o: Opening) => typed[o.accountId] ?? typedOf(o)
  const changed = openings.filter((o) => {
    const before = typedOf(o)
    return now(o).opensOn !== before.opensOn || now(o).balance !== before.balance
  })
  const wanted = (list: Opening[]) =>
    list
      .filter((o) => now(o).opensOn)
      .map((o) => ({ accountId: o.accountId, opensOn: now(o).opensOn, balance: typedAmount(now(o).balance) }))
  const all = wanted(openings)
  const sheet = useQuery({
    queryKey: ['opening-sheet', all],
    enabled: all.length > 0,
    retry: false,
    queryFn: () => data(api.POST('/api/opening-balances/preview', { body: { accounts: all } })),
    placeholderData: (previous) => previous,
  })
  const set = (o: Opening, to: Partial<Typed>) => setTyped((old) => ({ ...old, [o.accountId]: { ...now(o), ...to } }))

  function save() {
    if (changed.length === 0) return
    act(
      () => api.PUT('/api/opening-balances', { body: { accounts: wanted(changed) } }),
      () => {
        says.done(`${counted(changed.length, 'opening balance')} set.`)
        setTyped({})
      },
    )
  }
  useCommands([
    { keys: ['mod+Enter'], label: 'Save the opening balances', strip: 'save', run: save, whileTyping: true },
    {
      keys: ['Escape'],
      label: 'Back to the chart',
      strip: 'back to the chart',
      run: () => navigate(`/chart${search}`),
    },
  ])
  const sheets = sheet.data?.filter((s) => openings.some((o) => nameOf(books, o.bookId) === s.bookName)) ?? []

  return (
    <main className="split" tabIndex={-1}>
      <section className="sheet">
        <div className="head">
          <h1>Opening balances</h1>
          <span className="q">what stood at the end of the day before each account opens; a debt takes a minus</span>
        </div>
        <Scroll label="Opening balances">
          <table className="tb fill">
            <colgroup>
              <col />
              <col className="w-[100px] narrow-off" />
              <col className="w-[150px]" />
              <col className="w-[52px]" />
              <col className="w-[124px]" />
              <col className="w-[26%]" />
            </colgroup>
            <thead>
              <tr>
                <th>Account</th>
                <th className="narrow-off">Kind</th>
                <th>Opens on</th>
                <th>In</th>
                <th className="n">Balance before</th>
                <th>State</th>
              </tr>
            </thead>
            <tbody>
              {openings.map((o) => (
                <tr key={o.accountId}>
                  <td>
                    {o.name} {o.tail && <span className="qq s">..{o.tail}</span>}
                  </td>
                  <td className="q s narrow-off">{KIND_NAMES[o.kind]}</td>
                  <td>
                    <input
                      type="date"
                      className="line"
                      aria-label={`${o.name} opens on`}
                      disabled={o.agreedThrough !== undefined}
                      value={now(o).opensOn}
                      onChange={(e) => set(o, { opensOn: e.target.value })}
                    />
                  </td>
                  <td className="q s">{o.currency}</td>
                  <td className="n">
                    <input
                      className="line n w-full"
                      inputMode="decimal"
                      aria-label={`Opening balance of ${o.name}`}
                      disabled={o.agreedThrough !== undefined}
                      aria-invalid={now(o).balance !== '' && typedAmount(now(o).balance) === undefined}
                      value={now(o).balance}
                      onChange={(e) => set(o, { balance: e.target.value })}
                    />
                  </td>
                  <td className="s">
                    <State opening={o} changed={changed.includes(o)} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scroll>
      </section>
      <aside className="insp" aria-label="The opening entries">
        <div className="ih">
          <h2>Together they balance</h2>
        </div>
        <p className="q s ihs">each account has an entry of its own against opening equity</p>
        <OpeningEntries openings={sheets} />
        <ProblemNote error={error ?? sheet.error} />
        <div className="acts">
          <button type="button" className="btn go wide" disabled={busy || changed.length === 0} onClick={save}>
            Save {changed.length > 0 && counted(changed.length, 'change')} <kbd>Ctrl Enter</kbd>
          </button>
        </div>
      </aside>
    </main>
  )
}

const nameOf = (books: Schemas['BookJson'][], id: string) => books.find((b) => b.id === id)?.name

function State({ opening, changed }: { opening: Opening; changed: boolean }) {
  if (opening.agreedThrough) return <span className="q">agreed through {day(opening.agreedThrough)}, so it stays</span>
  if (changed) return <span className="wait">not saved yet</span>
  if (!opening.opensOn) return <span className="wait">not known yet</span>
  return <span className="q">{opening.entryNo ? `no. ${opening.entryNo}` : 'opens with nothing'}</span>
}
