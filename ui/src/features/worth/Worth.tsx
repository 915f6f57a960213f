import { useQuery } from '@tanstack/react-query'
import { type ChangeEvent, useState } from 'react'
import { api, data, upload } from '@/api/client'
import { type Command, useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { useScope } from '@/app/scope'
import { PlanNav } from '@/features/plan/PlanNav'
import { counted, day, figure, isZero, longDay, plainNumber, signed, unitPrice } from '@/parts/figures'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { type Column, Grid, type Item } from '@/parts/grid/Grid'
import { sumRow, textLink } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useAct } from '@/parts/useAct'
import { useSelection } from '@/parts/useSelection'
import { Head, Inspector, Leaf, View } from '@/parts/View'
import { type DoingHolding, HoldingInspector } from './HoldingInspector'
import { type DoingThing, ThingInspector } from './ThingInspector'
import { type Investment, keyOf, type Owned, useWorthDay, type WorthPage } from './worth'

const HOLDINGS: Column[] = [
  { head: 'Security' },
  { head: 'Held', width: 'w-[104px] narrow:w-[84px]', end: true },
  { head: 'Price', width: 'w-[92px]', end: true, off: 'narrow:hidden' },
  { head: 'of', width: 'w-[92px]', off: 'narrow:hidden' },
  { head: 'Cost', width: 'w-[104px]', end: true },
  { head: 'Worth', width: 'w-[104px]', end: true },
  { head: 'Beyond cost', width: 'w-[108px]', end: true },
]
const THINGS: Column[] = [
  { head: 'Thing' },
  { head: 'Valued on', width: 'w-[110px]', off: 'narrow:hidden' },
  { head: 'Booked at', width: 'w-[120px]', end: true },
  { head: 'Worth', width: 'w-[120px]', end: true },
  { head: 'Beyond the books', width: 'w-[130px]', end: true },
]

/** What is owned without a bank's balance: holdings of securities, and things. */
export function Worth() {
  const { book } = useScope()
  const on = useWorthDay()
  const worth = useQuery({
    queryKey: ['worth', on, book],
    enabled: on !== undefined,
    queryFn: () => data(api.GET('/api/worth', { params: { query: { on: on ?? '', book } } })),
    placeholderData: (previous) => previous,
  })
  if (worth.error && !worth.data) return <Failed error={worth.error} retry={worth.refetch} />
  if (!worth.data) return <Loading what="what is owned" />
  return <WorthOn page={worth.data} />
}

function WorthOn({ page }: { page: WorthPage }) {
  const [doing, setDoing] = useState<DoingHolding | DoingThing>()
  const held = page.investments.map((investment) => ({ investment, owned: ownedIn(investment) }))
  const things = page.things.map((thing): Owned => ({ thing }))
  const all = [...held.flatMap(({ owned }) => owned), ...things]
  const selection = useSelection(all.map(keyOf), 'holding', all[0] && keyOf(all[0]))
  const now = all.find((owned) => keyOf(owned) === selection.selected)
  const change = (label: string, key: string, what: DoingHolding | DoingThing): Command => ({
    keys: [key],
    label,
    changes: true,
    strip: label.toLowerCase(),
    onRow: true,
    run: () => setDoing(what),
  })
  useCommands(
    !now
      ? []
      : 'thing' in now
        ? [change('Value it', 'v', 'value'), change('Write it down', 'w', 'write down')]
        : now.investment.version === 0
          ? [change('How it is booked', 'e', 'booking')]
          : [
              change('Trade', 't', 'trade'),
              change('How it is booked', 'e', 'booking'),
              ...(now.holding ? [change('Price', 'p', 'price')] : []),
            ],
  )
  const items = (owned: Owned[]) => owned.map((one): Item<Owned> => ({ key: keyOf(one), row: one }))
  return (
    <View beside={now !== undefined} above={<PlanNav />} className="[--insp:min(380px,36vw)]">
      <Leaf>
        <Head title="Worth" about={`on ${longDay(page.on)}`}>
          <PriceFile />
        </Head>
        {all.length === 0 ? (
          <Nothing title="Nothing is owned but money">
            Securities stand in an account of the kind investment, a house or a press in one of the kind property. Make
            it in the Chart; what it holds and is worth is told here.
          </Nothing>
        ) : (
          <Scroll grid label="What is owned">
            {held.map(({ investment, owned }) => (
              <div key={investment.accountId} className="pb-6">
                <Grid
                  label={`Holdings of ${investment.name}`}
                  columns={HOLDINGS}
                  items={items(owned)}
                  selection={selection}
                  size="dense"
                  cells={(one) => <HoldingCells owned={one} />}
                  foot={<HoldingSums investment={investment} />}
                />
              </div>
            ))}
            {things.length > 0 && (
              <Grid
                label="Things"
                columns={THINGS}
                items={items(things)}
                selection={selection}
                size="dense"
                cells={(one) => <ThingCells owned={one} />}
              />
            )}
          </Scroll>
        )}
      </Leaf>
      {now && (
        <Inspector label="What is selected">
          {'thing' in now ? (
            <ThingInspector
              key={keyOf(now)}
              thing={now.thing}
              on={page.on}
              doing={doing as DoingThing | undefined}
              onDo={setDoing}
            />
          ) : (
            <HoldingInspector
              key={keyOf(now)}
              investment={now.investment}
              holding={now.holding}
              securities={page.securities}
              on={page.on}
              doing={doing as DoingHolding | undefined}
              onDo={setDoing}
              onTraded={(securityId) => selection.select(`${now.investment.accountId} ${securityId}`)}
            />
          )}
        </Inspector>
      )}
    </View>
  )
}

/** Each holding, or the account itself as long as it holds nothing. */
function ownedIn(investment: Investment): Owned[] {
  return investment.holdings.length === 0
    ? [{ investment }]
    : investment.holdings.map((holding) => ({ investment, holding }))
}

function HoldingCells({ owned }: { owned: Owned }) {
  if ('thing' in owned) return null
  const { holding, investment } = owned
  if (!holding) {
    return (
      <td colSpan={7} className="text-ink-2">
        {investment.version === 0
          ? `${investment.name}: say how its trades are booked`
          : `${investment.name}: nothing is held yet`}
      </td>
    )
  }
  return (
    <>
      <td className="truncate">
        {holding.name} <span className="text-small text-ink-3">{holding.code}</span>
      </td>
      <td className="text-right">{plainNumber(holding.quantity)}</td>
      <td className="text-right text-ink-2 narrow:hidden">{holding.price ? unitPrice(holding.price.price) : '–'}</td>
      <td className="text-small text-ink-2 narrow:hidden">
        {holding.price ? `${day(holding.price.day)}${holding.price.traded ? ', traded' : ''}` : 'no price'}
      </td>
      <td className="text-right">{figure(holding.cost)}</td>
      <td className="text-right font-semibold">{figure(holding.worth)}</td>
      <td className={`text-right ${holding.unrealised.startsWith('-') ? 'text-heartwood' : ''}`}>
        {signed(holding.unrealised)}
      </td>
    </>
  )
}

/** What is held, what of its worth is booked, and what the account stands at: the parts add up to it. */
function HoldingSums({ investment }: { investment: Investment }) {
  if (investment.holdings.length === 0) return null
  return (
    <>
      <tr className={sumRow}>
        <td colSpan={2}>
          {investment.name}, {investment.currency}
        </td>
        <td className="narrow:hidden" />
        <td className="narrow:hidden" />
        <td className="text-right">{figure(investment.cost)}</td>
        <td className="text-right">{figure(investment.worth)}</td>
        <td className="text-right">{signed(investment.unrealised)}</td>
      </tr>
      <tr className="[&>td]:h-[26px] [&>td]:border-0 [&>td]:text-small [&>td]:text-ink-2">
        <td colSpan={7}>
          The books have it at {figure(investment.booked)}: cost {figure(investment.cost)}
          {!isZero(investment.adjusted) && `, booked of its worth ${signed(investment.adjusted)}`}
          {!isZero(investment.besides) && (
            <span className="text-heartwood">, {signed(investment.besides)} that no trade explains</span>
          )}
          .
        </td>
      </tr>
    </>
  )
}

function ThingCells({ owned }: { owned: Owned }) {
  if (!('thing' in owned)) return null
  const { thing } = owned
  const due = thing.writeDown?.due.length ?? 0
  return (
    <>
      <td className="truncate">
        {thing.name} <span className="text-small text-ink-3">{thing.currency}</span>{' '}
        {due > 0 && <span className="text-small text-heartwood">{counted(due, 'month')} to write down</span>}
      </td>
      <td className="text-small text-ink-2 narrow:hidden">{thing.valuedOn ? day(thing.valuedOn) : 'as booked'}</td>
      <td className="text-right">{figure(thing.booked)}</td>
      <td className="text-right font-semibold">{figure(thing.worth)}</td>
      <td className={`text-right ${thing.beyond.startsWith('-') ? 'text-heartwood' : ''}`}>
        {isZero(thing.beyond) ? '–' : signed(thing.beyond)}
      </td>
    </>
  )
}

/** Prices of a table, all or none. */
function PriceFile() {
  const { act, error } = useAct()
  const says = useSays()
  function take(event: ChangeEvent<HTMLInputElement>) {
    const [file] = event.target.files ?? []
    event.target.value = ''
    if (!file) return
    const form = new FormData()
    form.append('file', file)
    act(
      () => upload<{ prices: number }>('/api/prices/import', form),
      (brought) => says.done(`${counted(brought.prices, 'price')} kept.`),
    )
  }
  return (
    <MayChange>
      <ProblemNote error={error} />
      <label className={textLink()}>
        Take in a table of day, security, price
        <input type="file" className="sr-only" accept=".csv,text/csv" onChange={take} />
      </label>
    </MayChange>
  )
}
