import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { session } from '@/api/queries'
import { useScope } from '@/app/scope'
import { daysAfter } from '@/features/schedule/schedule'
import { day, figure, isZero, longDay, signed } from '@/parts/figures'
import { type Column, Grid } from '@/parts/grid/Grid'
import { Scroll } from '@/parts/Scroll'
import { Select } from '@/parts/Select'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { negated } from '@/parts/useSum'
import { Head, Inspector, InspectorHead, Leaf, View } from '@/parts/View'
import { ForecastLine } from './ForecastLine'
import { PlanNav } from './PlanNav'
import { type Tried, TryEntry } from './TryEntry'

type Of = Schemas['ForecastAccountJson']

const REACHES = [
  { value: '92', name: 'three months ahead' },
  { value: '183', name: 'half a year ahead' },
  { value: '366', name: 'a year ahead' },
  { value: '549', name: 'eighteen months ahead' },
]

const COLUMNS: Column[] = [
  { head: 'Account' },
  { head: 'Today', width: 'w-[120px]', end: true },
  { head: 'Usual in a month', width: 'w-[140px]', end: true, off: 'narrow:hidden' },
  { head: 'Lowest', width: 'w-[120px]', end: true },
  { head: 'On', width: 'w-[110px]' },
  { head: 'At the end', width: 'w-[120px]', end: true },
]

/** What will stand on each account, from what is due and what usually moves. */
export function Forecast() {
  const { book } = useScope()
  const [reach, setReach] = useState('366')
  const { data: me } = useQuery(session)
  const through = me && daysAfter(me.today, Number(reach))
  const forecast = useQuery({
    queryKey: ['forecast', through, book],
    enabled: through !== undefined,
    queryFn: () => data(api.GET('/api/forecast', { params: { query: { through: through ?? '', book } } })),
    placeholderData: (previous) => previous,
  })
  const accounts = forecast.data?.accounts ?? []
  const [tried, setTried] = useState<Tried>()
  const selection = useSelection(
    accounts.map((one) => one.accountId),
    'account',
    accounts[0]?.accountId,
  )
  const now = accounts.find((one) => one.accountId === selection.selected)
  const trying = tried && tried.accountId === now?.accountId ? tried : undefined
  const whatIf = useQuery({
    queryKey: ['forecast', through, book, trying],
    enabled: through !== undefined && trying !== undefined,
    queryFn: () =>
      data(
        api.GET('/api/forecast', {
          params: {
            query: {
              through: through ?? '',
              book,
              tryAccount: trying?.accountId,
              tryOn: trying?.on,
              tryAmount: trying?.amount,
            },
          },
        }),
      ),
    retry: false,
  })
  const withIt = trying && whatIf.data?.accounts.find((one) => one.accountId === trying.accountId)
  if (forecast.error && !forecast.data) return <Failed error={forecast.error} retry={forecast.refetch} />
  if (!forecast.data) return <Loading what="the forecast" />
  return (
    <View beside={now !== undefined} above={<PlanNav />}>
      <Leaf>
        <Head title="Forecast" about={`${longDay(forecast.data.today)} to ${longDay(forecast.data.through)}`}>
          <Select aria-label="How far" value={reach} options={REACHES} onChange={setReach} />
        </Head>
        {now ? (
          <>
            <ForecastLine of={now} tried={withIt} today={forecast.data.today} through={forecast.data.through} />
            <Scroll grid label="Forecast">
              <Grid
                label="What will stand on accounts"
                columns={COLUMNS}
                items={accounts.map((one) => ({ key: one.accountId, row: one }))}
                selection={selection}
                size="dense"
                cells={(one) => <Cells of={one} />}
              />
            </Scroll>
          </>
        ) : (
          <Nothing title="There is no account yet">A forecast is of accounts of your own.</Nothing>
        )}
      </Leaf>
      {now && (
        <Inspector label="The selected account">
          <Method of={now} />
          {forecast.data.plannedWithout.length > 0 && (
            <p className="mb-4 text-small text-heartwood">
              Planned, but not counted here, since nobody paid for it so far: {forecast.data.plannedWithout.join(', ')}.
            </p>
          )}
          <TryEntry
            key={now.accountId}
            of={now}
            withIt={withIt}
            problem={trying && whatIf.error ? whatIf.error : undefined}
            onTry={setTried}
          />
        </Inspector>
      )}
    </View>
  )
}

function Cells({ of }: { of: Of }) {
  const end = of.days.at(-1)?.usual ?? of.now
  return (
    <>
      <td>
        {of.accountName} <span className="text-small text-ink-3">{of.currency}</span>
      </td>
      <td className="text-right">{figure(of.now)}</td>
      <td className="text-right text-ink-2 narrow:hidden">{figure(of.usualPerMonth)}</td>
      <td className={`text-right font-semibold ${of.lowest.usual.startsWith('-') ? 'text-heartwood' : ''}`}>
        {figure(of.lowest.usual)}
      </td>
      <td className="text-ink-2">{day(of.lowest.date)}</td>
      <td className="text-right">{figure(end)}</td>
    </>
  )
}

/** How the forecast came about, in its figures and in words. */
function Method({ of }: { of: Of }) {
  const last = of.days.at(-1)
  return (
    <>
      <InspectorHead title={of.accountName} figure={figure(of.lowest.usual)}>
        lowest on {longDay(of.lowest.date)}, {of.currency}
      </InspectorHead>
      <dl
        className="mb-4 grid grid-cols-[1fr_auto] gap-x-3 gap-y-1 [&>dd]:text-right"
        aria-label="How it is worked out"
      >
        <dt className="text-ink-2">Stands there today</dt>
        <dd>{figure(of.now)}</dd>
        {!isZero(of.setAside) && (
          <>
            <dt className="text-ink-2">of it set aside</dt>
            <dd>{figure(of.setAside)}</dd>
          </>
        )}
        <dt className="text-ink-2">Overdue, or due today</dt>
        <dd>{signed(of.dueToday)}</dd>
        <dt className="text-ink-2">Usual in a month, besides what is due</dt>
        <dd>{figure(of.usualPerMonth)}</dd>
        <dt className="text-ink-2">Half of the months were between</dt>
        <dd>
          {figure(of.lowPerMonth)} and {figure(of.highPerMonth)}
        </dd>
        <dt className="text-ink-2">Lowest, if they stray</dt>
        <dd>{figure(of.lowest.low)}</dd>
        {last && (
          <>
            <dt className="pt-2 text-ink-2">On {longDay(last.date)}, due alone</dt>
            <dd className="pt-2">{figure(last.due)}</dd>
            <dt className="text-ink-2">Usual until then</dt>
            <dd>{signed(of.usualThrough)}</dd>
            {!isZero(of.planned) && (
              <>
                <dt className="text-ink-2">Planned by budgets until then</dt>
                <dd>{signed(negated(of.planned))}</dd>
              </>
            )}
            {!isZero(of.inPlaceOf) && (
              <>
                <dt className="text-ink-2">which is usual otherwise</dt>
                <dd>{signed(of.inPlaceOf)}</dd>
              </>
            )}
            <dt className="border-t border-hairline pt-1 font-semibold">Stands there then</dt>
            <dd className="border-t border-hairline pt-1 font-semibold">{figure(last.usual)}</dd>
          </>
        )}
      </dl>
      <p className="text-small text-ink-2">
        What schedules expect moves the account on its day; what is overdue counts today. What is usual is the median of
        the last twelve months that anything was booked in, without what schedules brought, spread evenly over the days.
        Where a budget plans a month, its plan less what is due counts in place of what was spent on it on average, on
        the accounts that paid for it lately. The band is as wide as half of those months strayed from it, and widens
        with the root of the months ahead.
      </p>
    </>
  )
}
