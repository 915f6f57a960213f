import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '@/api/client'
import { household } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { useSays } from '@/app/says'
import { box } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
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
  const { selected, select } = useSelection(
    list.map((i) => i.id),
    'institution',
  )
  const chosen = list.find((i) => i.id === selected)

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
    <main className="split" tabIndex={-1}>
      <section className="sheet">
        <div className="head">
          <h1>Which bank?</h1>
          <input
            className={box({ className: 'search' })}
            aria-label="Search by name, town or code"
            placeholder="any part of the name, the town or the code"
            value={words}
            // biome-ignore lint/a11y/noAutofocus: the page has one thing to do
            autoFocus
            onChange={(e) => setWords(e.target.value)}
          />
        </div>
        {found.error && <Failed error={found.error} retry={found.refetch} />}
        {found.isPending && <Loading what="the banks" />}
        {found.data && (
          <Scroll label="Banks">
            <table className="tb" aria-label="Banks">
              <colgroup>
                <col className="w-[240px]" />
                <col className="w-[110px]" />
                <col className="w-[150px]" />
                <col className="w-[120px]" />
                <col />
                <col className="w-[110px]" />
              </colgroup>
              <thead>
                <tr>
                  <th>Name</th>
                  <th>Town</th>
                  <th>For</th>
                  <th>Code</th>
                  <th>Web page</th>
                  <th>Hands out</th>
                </tr>
              </thead>
              <tbody>
                {list.map((i) => (
                  <tr
                    key={i.id}
                    data-row={i.id}
                    className={i.id === selected ? 'row sel' : 'row'}
                    aria-selected={i.id === selected}
                    onClick={() => select(i.id)}
                  >
                    <td className="whitespace-normal py-1.5">
                      <button type="button" className="plain font-medium text-left" onClick={() => select(i.id)}>
                        {i.name}
                      </button>
                    </td>
                    <td>{i.town}</td>
                    <td className="q">{i.serves}</td>
                    <td className="q">{i.bic}</td>
                    <td className="q">{i.web}</td>
                    <td className="q">{reach(i.historyDays)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            {list.length === 0 && <p className="q px-6 py-3">No bank has all of these words. Try fewer.</p>}
          </Scroll>
        )}
      </section>
      <aside className="insp" aria-label="What the consent means">
        {chosen ? (
          <>
            <h2>{chosen.name}</h2>
            <p className="q s ihs">
              {chosen.town}, for {chosen.serves}, {chosen.bic}
            </p>
            <ul className="evidence">
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
          <p className="q">Choose a bank to see what the consent means.</p>
        )}
        <div className="acts">
          <button type="button" className="btn go wide" disabled={!chosen || busy} onClick={connect}>
            {busy ? 'Asking the bank' : chosen ? `Go to ${chosen.name}` : 'Go to the bank'} <kbd>Enter</kbd>
          </button>
          <button type="button" className="btn full" onClick={onClose}>
            Not now <kbd>Esc</kbd>
          </button>
        </div>
      </aside>
    </main>
  )
}
