import { useQuery } from '@tanstack/react-query'
import { useNavigate } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { books as booksQuery } from '@/api/queries'
import { read, useReadings } from '@/api/reading'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { useScope, useScopeSearch } from '@/app/scope'
import { OpeningEntries } from '@/features/setup/OpeningEntries'
import { Button } from '@/parts/Button'
import { counted, day } from '@/parts/figures'
import { AmountInput, amountIn, amountText } from '@/parts/form/AmountInput'
import { DAY, DayInput, dayText } from '@/parts/form/DayInput'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { useKept } from '@/parts/kept'
import { ruled } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useAct } from '@/parts/useAct'
import { Acts, Head, Inspector, InspectorHead, Leaf, View } from '@/parts/View'
import { KIND_NAMES } from './types'

type Opening = Schemas['OpeningJson']
type Typed = { opensOn: string; balance: string }

/** All opening balances on one sheet, balanced by the opening equity as they are typed. */
export function OpeningBalances() {
  const openings = useQuery({ queryKey: ['openings'], queryFn: () => data(api.GET('/api/opening-balances')) })
  const { book } = useScope()
  if (openings.error && !openings.data) return <Failed error={openings.error} retry={openings.refetch} />
  if (!openings.data) return <Loading what="the opening balances" />
  const shown = openings.data.filter((o) => !book || o.bookId === book)
  if (shown.length === 0)
    return <Nothing title="There is no account to open">Accounts at banks, cards, cash and loans appear here.</Nothing>
  return <Sheet key={book} openings={shown} />
}

const typedOf = (o: Opening): Typed => ({
  opensOn: dayText(o.opensOn),
  balance: amountText(o.balance ?? (o.opensOn ? '0.00' : undefined), o.currency),
})

function Sheet({ openings }: { openings: Opening[] }) {
  const { data: books = [] } = useQuery(booksQuery)
  const [typed, setTyped] = useKept<Record<string, Typed>>('opening balances', {})
  const { act, error, busy } = useAct()
  const says = useSays()
  const navigate = useNavigate()
  const search = useScopeSearch()
  const now = (o: Opening) => typed[o.accountId] ?? typedOf(o)
  const changed = openings.filter((o) => {
    const before = typedOf(o)
    return now(o).opensOn !== before.opensOn || now(o).balance !== before.balance
  })
  const days = useReadings(openings.map((o) => ({ kind: DAY, text: now(o).opensOn })))
  const balances = useReadings(openings.map((o) => ({ kind: amountIn(o.currency), text: now(o).balance })))
  const wanted = (list: Opening[]) =>
    list.flatMap((o) => {
      const opensOn = days[openings.indexOf(o)]?.value
      return opensOn === undefined
        ? []
        : [{ accountId: o.accountId, opensOn, balance: balances[openings.indexOf(o)]?.value }]
    })
  const all = wanted(openings)
  /** The first row that cannot be read or says only half: it is not left out in silence. */
  const whyNot = changed
    .map((o) => {
      const at = openings.indexOf(o)
      const problem = days[at]?.problem ?? balances[at]?.problem
      if (problem !== undefined) return `${o.name}: ${problem}`
      if (now(o).opensOn === '' && now(o).balance !== '') return `${o.name}: type the day that it opens on.`
      return undefined
    })
    .find((problem) => problem !== undefined)
  const sheet = useQuery({
    queryKey: ['opening-sheet', all],
    enabled: all.length > 0,
    retry: false,
    queryFn: () => data(api.POST('/api/opening-balances/preview', { body: { accounts: all } })),
    placeholderData: (previous) => previous,
  })
  const set = (o: Opening, to: Partial<Typed>) =>
    setTyped((old) => ({ ...old, [o.accountId]: { ...(old[o.accountId] ?? typedOf(o)), ...to } }))

  /** Reads what is typed now, however fast the key came after it: nothing is left out because it was still read. */
  async function saved() {
    const accounts = await Promise.all(
      changed.map(async (o) => {
        const opensOn = await read(DAY, now(o).opensOn)
        const balance = await read(amountIn(o.currency), now(o).balance)
        const problem = opensOn.problem ?? balance.problem
        if (problem !== undefined) throw new Error(`${o.name}: ${problem}`)
        if (opensOn.value === undefined) throw new Error(`${o.name}: type the day that it opens on.`)
        return { accountId: o.accountId, opensOn: opensOn.value, balance: balance.value }
      }),
    )
    await api.PUT('/api/opening-balances', { body: { accounts } })
  }
  function save() {
    if (changed.length === 0) return
    act(saved, () => {
      says.done(`${counted(changed.length, 'opening balance')} set.`)
      setTyped(undefined)
    })
  }
  useCommands([
    {
      keys: ['mod+Enter'],
      label: 'Save the opening balances',
      changes: true,
      strip: 'save',
      run: save,
      whileTyping: true,
    },
    {
      keys: ['Escape'],
      label: 'Back to the chart',
      strip: 'back to the chart',
      run: () => navigate(`/chart${search}`),
    },
  ])
  const sheets = sheet.data?.filter((s) => openings.some((o) => nameOf(books, o.bookId) === s.bookName)) ?? []

  return (
    <View beside>
      <Leaf>
        <Head
          title="Opening balances"
          about="what stood at the end of the day before each account opens; a debt takes a minus"
        />
        <Scroll label="Opening balances">
          <table className={ruled({ className: 'cells:pr-2.5' })}>
            <colgroup>
              <col />
              <col className="w-[100px] max-[1180px]:hidden" />
              <col className="w-[150px]" />
              <col className="w-[52px]" />
              <col className="w-[124px]" />
              <col className="w-[26%]" />
            </colgroup>
            <thead>
              <tr>
                <th>Account</th>
                <th className="max-[1180px]:hidden">Kind</th>
                <th>Opens on</th>
                <th>In</th>
                <th className="text-right">Balance before</th>
                <th>State</th>
              </tr>
            </thead>
            <tbody>
              {openings.map((o) => (
                <tr key={o.accountId}>
                  <td>
                    {o.name} {o.tail && <span className="text-ink-3 text-small">..{o.tail}</span>}
                  </td>
                  <td className="text-ink-2 text-small max-[1180px]:hidden">{KIND_NAMES[o.kind]}</td>
                  <td>
                    <DayInput
                      line
                      aria-label={`${o.name} opens on`}
                      disabled={o.agreedThrough !== undefined}
                      text={now(o).opensOn}
                      onText={(opensOn) => set(o, { opensOn })}
                    />
                  </td>
                  <td className="text-ink-2 text-small">{o.currency}</td>
                  <td className="text-right">
                    <AmountInput
                      line
                      aria-label={`Opening balance of ${o.name}`}
                      disabled={o.agreedThrough !== undefined}
                      currency={o.currency}
                      text={now(o).balance}
                      onText={(balance) => set(o, { balance })}
                    />
                  </td>
                  <td className="text-small">
                    <State opening={o} changed={changed.includes(o)} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scroll>
      </Leaf>
      <Inspector label="The opening entries">
        <InspectorHead title="Together they balance">
          each account has an entry of its own against opening equity
        </InspectorHead>
        <OpeningEntries openings={sheets} />
        <ProblemNote error={error ?? sheet.error} />
        <MayChange>
          <Acts>
            <Button
              tone="go"
              size="wide"
              whyNot={
                changed.length === 0 ? 'Nothing is changed.' : (whyNot ?? (busy ? 'It is being saved.' : undefined))
              }
              onClick={save}
            >
              Save {changed.length > 0 && counted(changed.length, 'change')} <kbd>Ctrl Enter</kbd>
            </Button>
          </Acts>
        </MayChange>
      </Inspector>
    </View>
  )
}

const nameOf = (books: Schemas['BookJson'][], id: string) => books.find((b) => b.id === id)?.name

function State({ opening, changed }: { opening: Opening; changed: boolean }) {
  if (opening.agreedThrough)
    return <span className="text-ink-2">agreed through {day(opening.agreedThrough)}, so it stays</span>
  if (changed) return <span className="text-heartwood">not saved yet</span>
  if (!opening.opensOn) return <span className="text-heartwood">not known yet</span>
  return <span className="text-ink-2">{opening.entryNo ? `no. ${opening.entryNo}` : 'opens with nothing'}</span>
}
