import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { session } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useScope } from '@/app/scope'
import { Button } from '@/parts/Button'
import { counted, figure, isZero, writtenDay } from '@/parts/figures'
import { type Column, Grid, type Item } from '@/parts/grid/Grid'
import { sumRow } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useSaidAct } from '@/parts/useSaidAct'
import { useSelection } from '@/parts/useSelection'
import { Head, Inspector, Leaf, View } from '@/parts/View'
import { Divide } from './Divide'
import { Need } from './Need'
import { Pays } from './Pays'
import { PlanNav } from './PlanNav'

export type Aside = Schemas['SetAsidesJson']
export type Purpose = Schemas['PurposeJson']

const COLUMNS: Column[] = [
  { head: 'Purpose' },
  { head: 'Needed', width: 'w-[120px]', end: true },
  { head: 'By', width: 'w-[110px]' },
  { head: 'A month', width: 'w-[100px]', end: true, off: 'narrow:hidden' },
  { head: 'Last time', width: 'w-[100px]', end: true, off: 'narrow:hidden' },
  { head: 'Set aside', width: 'w-[120px]', end: true },
]

/** Also where what is to be taken out of one is what is to be put back into another. */
const hasToTake = (aside: Aside) => aside.purposes.some((purpose) => !isZero(purpose.toTakeOut))

/** What is set aside in each account for purposes, and what of it is free. */
export function SetAsides() {
  const { book } = useScope()
  const all = useQuery({
    queryKey: ['set-asides', book],
    queryFn: () => data(api.GET('/api/set-asides', { params: { query: { book } } })),
    placeholderData: (previous) => previous,
  })
  if (all.error && !all.data) return <Failed error={all.error} retry={all.refetch} />
  if (!all.data) return <Loading what="the set-asides" />
  return <SetAsidesOf all={all.data} />
}

function SetAsidesOf({ all }: { all: Aside[] }) {
  const [doing, setDoing] = useState<'divide' | 'need' | 'pays'>()
  // Only what asks to be closed: another may have been opened meanwhile.
  const close = (what: NonNullable<typeof doing>) => setDoing((now) => (now === what ? undefined : now))
  const act = useSaidAct()
  const { data: me } = useQuery(session)
  const takeOut = ({ accountId, accountName, toTakeOut }: Aside) =>
    act(
      () =>
        data(
          api.POST('/api/set-asides/{id}/takings', {
            params: { path: { id: accountId } },
            body: { day: me?.today ?? '' },
          }),
        ),
      `${figure(toTakeOut)} is taken out of what is set aside in ${accountName}.`,
    )
  const selection = useSelection(
    all.flatMap((aside) => aside.purposes.map((purpose) => purpose.accountId)),
    'purpose',
    all[0]?.purposes[0]?.accountId,
  )
  const now = all.find((aside) => aside.purposes.some((purpose) => purpose.accountId === selection.selected)) ?? all[0]
  const purpose = now?.purposes.find((one) => one.accountId === selection.selected)
  useCommands(
    now
      ? [
          {
            keys: ['Enter', 'd'],
            label: `Divide over the purposes of ${now.accountName}`,
            changes: true,
            strip: 'divide',
            run: () => setDoing('divide'),
          },
          ...(purpose
            ? [
                {
                  keys: ['b'],
                  label: `What ${purpose.name} needs by a day`,
                  changes: true,
                  strip: 'needed by',
                  run: () => setDoing('need'),
                },
                {
                  keys: ['f'],
                  label: `What ${purpose.name} pays for`,
                  changes: true,
                  strip: 'pays for',
                  run: () => setDoing('pays'),
                },
              ]
            : []),
          ...(!hasToTake(now)
            ? []
            : [
                {
                  keys: ['o'],
                  label: `Take out what was spent, ${figure(now.toTakeOut)}`,
                  changes: true,
                  strip: 'take out',
                  run: () => void takeOut(now),
                },
              ]),
        ]
      : [],
  )
  const short = all.flatMap((aside) => aside.purposes).filter((purpose) => purpose.stands.startsWith('-')).length
  return (
    <View beside={doing !== undefined} above={<PlanNav />} className="[--insp:min(400px,40vw)]">
      <Leaf>
        <Head title="Set-asides" about={short > 0 ? `${counted(short, 'purpose')} below zero` : undefined}>
          {now && (
            <MayChange>
              {hasToTake(now) && (
                <Button onClick={() => void takeOut(now)}>
                  Take out {figure(now.toTakeOut)} <kbd>O</kbd>
                </Button>
              )}
              <Button onClick={() => setDoing('pays')}>
                Pays for <kbd>F</kbd>
              </Button>
              <Button onClick={() => setDoing('need')}>
                Needed by <kbd>B</kbd>
              </Button>
              <Button onClick={() => setDoing('divide')}>
                Divide <kbd>D</kbd>
              </Button>
            </MayChange>
          )}
        </Head>
        {all.length === 0 ? (
          <Nothing title="Nothing is set aside">
            A set-aside is a part of a bank account that is kept for a purpose. Make one in the Chart: an account of the
            kind set-aside, within the bank account.
          </Nothing>
        ) : (
          <Scroll grid label="Set-asides">
            {all.map((aside) => (
              <div key={aside.accountId} className="pb-6">
                <Grid
                  label={`Set aside in ${aside.accountName}`}
                  columns={COLUMNS}
                  items={aside.purposes.map((purpose): Item<Purpose> => ({ key: purpose.accountId, row: purpose }))}
                  selection={selection}
                  onOpen={() => setDoing('divide')}
                  size="dense"
                  cells={(purpose) => <Cells purpose={purpose} />}
                  foot={<Sums aside={aside} />}
                />
              </div>
            ))}
          </Scroll>
        )}
      </Leaf>
      {doing === 'divide' && now && (
        <Inspector label="Dividing">
          <Divide key={now.accountId} aside={now} onClose={() => close('divide')} />
        </Inspector>
      )}
      {doing === 'pays' && now && purpose && (
        <Inspector label="What it pays for">
          <Pays key={purpose.accountId} aside={now} purpose={purpose} onClose={() => close('pays')} />
        </Inspector>
      )}
      {doing === 'need' && now && purpose && (
        <Inspector label="What it needs">
          <Need key={purpose.accountId} purpose={purpose} currency={now.currency} onClose={() => close('need')} />
        </Inspector>
      )}
    </View>
  )
}

function Cells({ purpose }: { purpose: Purpose }) {
  const short = purpose.stands.startsWith('-')
  const { goal } = purpose
  return (
    <>
      <td>
        {purpose.name} {short && <span className="text-small text-heartwood">more was spent than set aside</span>}
        {goal && !short && <Course goal={goal} />}
        {purpose.pays.length > 0 && (
          <span className="text-small text-ink-2">
            {' '}
            pays for {purpose.pays.map((one) => one.name).join(', ')}
            {purpose.paysAsPosted ? ' as lines are posted' : ''}
          </span>
        )}
        {!isZero(purpose.toTakeOut) && (
          <span className="text-small text-heartwood">
            {' '}
            {purpose.toTakeOut.startsWith('-')
              ? `${figure(purpose.toTakeOut.slice(1))} came back, not put back yet`
              : `${figure(purpose.toTakeOut)} spent, not taken out yet`}
          </span>
        )}
      </td>
      <td className="text-right text-ink-2">{goal ? figure(goal.amount) : ''}</td>
      <td className="text-ink-2">{goal ? writtenDay(goal.by) : ''}</td>
      <td className="text-right text-ink-2 narrow:hidden">
        {goal && !goal.progress.reached ? figure(goal.progress.perMonth) : ''}
      </td>
      <td className="text-right text-ink-2 narrow:hidden">{purpose.lastTime ? figure(purpose.lastTime) : '–'}</td>
      <td className={`text-right font-semibold ${short ? 'text-heartwood' : ''}`}>{figure(purpose.stands)}</td>
    </>
  )
}

/** Whether what is needed is on course, in words. */
function Course({ goal }: { goal: NonNullable<Purpose['goal']> }) {
  const { reached, ahead } = goal.progress
  if (reached) return <span className="text-small text-needle">all of it is there</span>
  if (ahead.startsWith('-')) return <span className="text-small text-heartwood">{figure(ahead.slice(1))} behind</span>
  return <span className="text-small text-needle">on course</span>
}

/** Set aside and free make the account, as its bank sees it. */
function Sums({ aside }: { aside: Aside }) {
  return (
    <>
      <tr className="[&>td]:h-[26px] [&>td]:border-0">
        <td colSpan={3} className="text-ink-2">
          Set aside, {counted(aside.purposes.length, 'purpose')}
        </td>
        <td className="narrow:hidden" />
        <td className="narrow:hidden" />
        <td className="text-right">{figure(aside.setAside)}</td>
      </tr>
      <tr className="[&>td]:h-[26px] [&>td]:border-0">
        <td colSpan={3} className="text-ink-2">
          Free
        </td>
        <td className="narrow:hidden" />
        <td className="narrow:hidden" />
        <td className={`text-right ${aside.free.startsWith('-') ? 'text-heartwood' : ''}`}>{figure(aside.free)}</td>
      </tr>
      <tr className={sumRow}>
        <td colSpan={3}>
          {aside.accountName}, {aside.currency}
        </td>
        <td className="narrow:hidden" />
        <td className="narrow:hidden" />
        <td className="text-right">{figure(aside.whole)}</td>
      </tr>
    </>
  )
}
