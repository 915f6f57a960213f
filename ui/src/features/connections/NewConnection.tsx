import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '@/api/client'
import { household } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { type Column, Grid } from '@/parts/grid/Grid'
import { box } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { Acts, Head, Inspector, InspectorHead, Leaf, View } from '@/parts/View'
import { zoneHere } from '@/parts/zones'
import { goToBank } from './queries'
import { atSix, Schedule } from './Schedule'
import { type Institution, reach } from './types'

/** Finding the institution among those alike in name, and what consent to it will mean. */
export function NewConnection({ onClose }: { onClose: () => void }) {
  const says = useSays()
  const [words, setWords] = useState('')
  const [changed, setSchedule] = useState<ReturnType<typeof atSix>>()
  const { data: home } = useQuery(household)
  const schedule = changed ?? atSix(home?.timeZone ?? zoneHere)
  const [busy, setBusy] = useState(false)
  const found = useQuery({
    queryKey: ['institutions', words],
    placeholderData: (previous: Institution[] | undefined) => previous,
    queryFn: () => data(api.GET('/api/institutions', { params: { query: { words } } })),
    retry: false,
  })
  const list = found.data ?? []
  const selection = useSelection(
    list.map((i) => i.id),
    'bank',
  )
  // While the words are still looked up, the list is that of the words before.
  const chosen = found.isPlaceholderData ? undefined : list.find((i) => i.id === selection.selected)

  async function connect() {
    if (!chosen || busy) return
    setBusy(true)
    try {
      await goToBank(api.POST('/api/connections', { body: { institutionId: chosen.id, schedule } }))
    } catch (error) {
      says.failed(error)
      setBusy(false)
    }
  }
  useCommands([
    { keys: ['Enter'], label: 'Go to the bank', strip: 'go to the bank', run: connect, whileTyping: true },
    { keys: ['Escape'], label: 'Not now', strip: 'not now', run: onClose, whileTyping: true },
  ])
  return (
    <View beside>
      <Leaf>
        <Head title="Which bank?">
          <input
            className={box({ className: 'w-[360px]' })}
            aria-label="Search by name, town or code"
            placeholder="any part of the name, the town or the code"
            value={words}
            // biome-ignore lint/a11y/noAutofocus: the page has one thing to do
            autoFocus
            onChange={(e) => setWords(e.target.value)}
            onKeyDown={(e) => {
              if (e.key !== 'ArrowDown' && e.key !== 'ArrowUp') return
              e.preventDefault()
              selection.move(e.key === 'ArrowDown' ? 1 : -1)
            }}
          />
        </Head>
        {found.error && <Failed error={found.error} retry={found.refetch} />}
        {found.isPending && <Loading what="the banks" />}
        {found.data && (
          <Scroll grid label="Banks found">
            <Grid
              label="Banks"
              columns={COLUMNS}
              items={list.map((i) => ({ key: i.id, row: i }))}
              selection={selection}
              cells={(i) => <BankCells bank={i} />}
            />
            {list.length === 0 && <p className="text-ink-2 px-6 py-3">No bank has all of these words. Try fewer.</p>}
          </Scroll>
        )}
      </Leaf>
      <Inspector label="What the consent means">
        {chosen ? (
          <>
            <InspectorHead title={chosen.name}>
              {chosen.town}, for {chosen.serves}, {chosen.bic}
            </InspectorHead>
            <ul className="[&>li]:py-0.5">
              <li>You sign in at the bank’s own page; your password never comes here.</li>
              <li>The consent is read-only: balances and lines, no payments.</li>
              <li>It ends after {chosen.consentDays} days; a week before, the Almanac says so.</li>
              <li>Lines are handed out {reach(chosen.historyDays)} back.</li>
            </ul>
            <p className="mt-4">
              <Schedule schedule={schedule} onChange={setSchedule} />
            </p>
          </>
        ) : (
          <p className="text-ink-2">Choose a bank to see what the consent means.</p>
        )}
        <Acts>
          <Button
            tone="go"
            size="wide"
            whyNot={
              chosen ? undefined : found.isPlaceholderData ? 'The banks are still looked up.' : 'Choose the bank first.'
            }
            onClick={connect}
          >
            {busy ? 'Asking the bank' : chosen ? `Go to ${chosen.name}` : 'Go to the bank'} <kbd>Enter</kbd>
          </Button>
          <Button className="col-span-full" onClick={onClose}>
            Not now <kbd>Esc</kbd>
          </Button>
        </Acts>
      </Inspector>
    </View>
  )
}

const COLUMNS: Column[] = [
  { head: 'Name', width: 'w-[240px]' },
  { head: 'Town', width: 'w-[110px]' },
  { head: 'For', width: 'w-[150px]' },
  { head: 'Code', width: 'w-[120px]' },
  { head: 'Web page' },
  { head: 'Hands out', width: 'w-[110px]' },
]

function BankCells({ bank }: { bank: Institution }) {
  return (
    <>
      <td className="py-1.5 font-medium whitespace-normal">{bank.name}</td>
      <td>{bank.town}</td>
      <td className="text-ink-2">{bank.serves}</td>
      <td className="text-ink-2">{bank.bic}</td>
      <td className="text-ink-2">{bank.web}</td>
      <td className="text-ink-2">{reach(bank.historyDays)}</td>
    </>
  )
}
