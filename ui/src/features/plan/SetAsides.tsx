import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useScope } from '@/app/scope'
import { Button } from '@/parts/Button'
import { counted, figure } from '@/parts/figures'
import { type Column, Grid, type Item } from '@/parts/grid/Grid'
import { sumRow } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { Head, Inspector, Leaf, View } from '@/parts/View'
import { Divide } from './Divide'
import { PlanNav } from './PlanNav'

export type Aside = Schemas['SetAsidesJson']
type Purpose = Schemas['PurposeJson']

const COLUMNS: Column[] = [
  { head: 'Purpose' },
  { head: 'Last time', width: 'w-[130px]', end: true },
  { head: 'Set aside', width: 'w-[140px]', end: true },
]

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
  const [dividing, setDividing] = useState(false)
  const selection = useSelection(
    all.flatMap((aside) => aside.purposes.map((purpose) => purpose.accountId)),
    'purpose',
    all[0]?.purposes[0]?.accountId,
  )
  const now = all.find((aside) => aside.purposes.some((purpose) => purpose.accountId === selection.selected)) ?? all[0]
  useCommands(
    now
      ? [
          {
            keys: ['Enter', 'd'],
            label: `Divide over the purposes of ${now.accountName}`,
            changes: true,
            strip: 'divide',
            run: () => setDividing(true),
          },
        ]
      : [],
  )
  const short = all.flatMap((aside) => aside.purposes).filter((purpose) => purpose.stands.startsWith('-')).length
  return (
    <View beside={dividing} above={<PlanNav />} className="[--insp:min(400px,40vw)]">
      <Leaf>
        <Head title="Set-asides" about={short > 0 ? `${counted(short, 'purpose')} below zero` : undefined}>
          {now && (
            <MayChange>
              <Button onClick={() => setDividing(true)}>
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
                  onOpen={() => setDividing(true)}
                  size="dense"
                  cells={(purpose) => <Cells purpose={purpose} />}
                  foot={<Sums aside={aside} />}
                />
              </div>
            ))}
          </Scroll>
        )}
      </Leaf>
      {dividing && now && (
        <Inspector label="Dividing">
          <Divide key={now.accountId} aside={now} onClose={() => setDividing(false)} />
        </Inspector>
      )}
    </View>
  )
}

function Cells({ purpose }: { purpose: Purpose }) {
  const short = purpose.stands.startsWith('-')
  return (
    <>
      <td>
        {purpose.name} {short && <span className="text-small text-heartwood">more was spent than set aside</span>}
      </td>
      <td className="text-right text-ink-2">{purpose.lastTime ? figure(purpose.lastTime) : '–'}</td>
      <td className={`text-right font-semibold ${short ? 'text-heartwood' : ''}`}>{figure(purpose.stands)}</td>
    </>
  )
}

/** Set aside and free make the account, as its bank sees it. */
function Sums({ aside }: { aside: Aside }) {
  return (
    <>
      <tr className="[&>td]:h-[26px] [&>td]:border-0">
        <td className="text-ink-2">Set aside, {counted(aside.purposes.length, 'purpose')}</td>
        <td />
        <td className="text-right">{figure(aside.setAside)}</td>
      </tr>
      <tr className="[&>td]:h-[26px] [&>td]:border-0">
        <td className="text-ink-2">Free</td>
        <td />
        <td className={`text-right ${aside.free.startsWith('-') ? 'text-heartwood' : ''}`}>{figure(aside.free)}</td>
      </tr>
      <tr className={sumRow}>
        <td>
          {aside.accountName}, {aside.currency}
        </td>
        <td />
        <td className="text-right">{figure(aside.whole)}</td>
      </tr>
    </>
  )
}
