import { useState } from 'react'
import { api, type Schemas } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { Dialog } from '@/parts/Dialog'
import { figure, isZero, longDay, moment } from '@/parts/figures'
import { ruled, textLink } from '@/parts/look'
import { Said } from '@/parts/View'
import { MapAccounts } from './MapAccounts'
import { goToBank } from './queries'
import { Schedule } from './Schedule'
import { type Connected, type Connection, health, isBusy, progress } from './types'

/** One connection with its accounts. */
export function ConnectionTable({ connection: c }: { connection: Connection }) {
  const says = useSays()
  const [mapping, setMapping] = useState(false)
  const [ending, setEnding] = useState(false)
  const path = { params: { path: { id: c.id } } }
  const unused = c.accounts.filter((a) => a.phase === 'UNUSED')
  const used = c.accounts.filter((a) => a.phase !== 'UNUSED')

  async function act(work: Promise<unknown>, said?: string) {
    try {
      await work
      if (said) says.note(said)
    } catch (error) {
      says.failed(error)
    }
    await booksChanged()
  }
  const setSchedule = (schedule: Schemas['ScheduleJson']) =>
    act(
      api.PUT('/api/connections/{id}/schedule', { ...path, body: schedule }),
      `${c.institutionName} is refreshed at ${schedule.at.slice(0, 5)}.`,
    )
  const showsMapping = mapping || (c.status === 'ACTIVE' && used.length === 0)
  return (
    <article className="border-t border-hairline-2 pb-3.5" aria-label={c.institutionName}>
      <div className="flex items-center gap-3 px-(--edge) pt-3 pb-2">
        <h2>{c.institutionName}</h2>
        <span className="text-ink-2">
          {c.town}, {c.bic}
        </span>
        <span className={c.needsYou || c.status === 'ASKED' ? 'text-heartwood font-semibold' : 'text-ink-2'}>
          {health(c)}
        </span>
        <span className="flex-1" />
        {(c.needsYou || c.status === 'ASKED') && (
          <Button tone="go" size="small" onClick={() => act(goToBank(api.POST('/api/connections/{id}/renew', path)))}>
            Renew consent
          </Button>
        )}
        {c.status === 'ACTIVE' && used.length > 0 && (
          <Button
            size="small"
            whyNot={isBusy(c) ? 'It is being fetched.' : undefined}
            onClick={() => act(api.POST('/api/connections/{id}/sync', path))}
          >
            {isBusy(c) ? 'Fetching' : 'Fetch now'}
          </Button>
        )}
        <button type="button" className={textLink({ size: 'small' })} onClick={() => setEnding(true)}>
          disconnect
        </button>
      </div>
      {used.length > 0 && (
        <>
          <table className={ruled()} aria-label={`Accounts at ${c.institutionName}`}>
            <colgroup>
              <col className="w-[220px]" />
              <col className="w-[170px]" />
              <col className="w-[140px]" />
              <col />
              <col className="w-[120px]" />
              <col className="w-[120px]" />
              <col className="w-[110px]" />
            </colgroup>
            <thead>
              <tr>
                <th>At the bank</th>
                <th>In the books</th>
                <th>From</th>
                <th>Last fetched</th>
                <th className="text-right">Bank says</th>
                <th className="text-right">Books say</th>
                <th className="text-right">Apart</th>
              </tr>
            </thead>
            <tbody>
              {used.map((a) => (
                <Row key={a.id} account={a} />
              ))}
            </tbody>
          </table>
          <div className="flex items-center gap-6 px-(--edge) pt-2 text-ink-2">
            <Schedule schedule={c.schedule} onChange={setSchedule} />
            {unused.length > 0 && !mapping && (
              <button type="button" className={textLink({ size: 'small' })} onClick={() => setMapping(true)}>
                use {unused.map((a) => a.name).join(', ')} too
              </button>
            )}
          </div>
        </>
      )}
      {showsMapping && <MapAccounts connection={c} accounts={unused} onDone={() => setMapping(false)} />}
      <Dialog title={`Disconnect ${c.institutionName}`} open={ending} onClose={() => setEnding(false)}>
        <Said title={<>Disconnect {c.institutionName}?</>}>
          <p>The consent ends at the bank too. All lines that were fetched stay, and so does what was booked.</p>
          <p className="flex gap-2 mt-4">
            <Button
              tone="kill"
              onClick={() => act(api.DELETE('/api/connections/{id}', path), `${c.institutionName} is disconnected.`)}
            >
              Disconnect
            </Button>
            <Button onClick={() => setEnding(false)}>Keep it</Button>
          </p>
        </Said>
      </Dialog>
    </article>
  )
}

function Row({ account: a }: { account: Connected }) {
  const fine = a.phase === 'DONE'
  const busy = a.phase === 'QUEUED' || a.phase === 'FETCHING'
  return (
    <tr>
      <td>
        <b className="font-medium">{a.name}</b> <span className="text-ink-3 text-small">..{a.number.slice(-4)}</span>
      </td>
      <td>{a.accountName}</td>
      <td className="text-ink-2">{a.startOn && longDay(a.startOn)}</td>
      <td>
        <span className={fine || busy ? 'text-ink-2' : 'text-heartwood'} role={busy ? 'status' : undefined}>
          {a.syncedAt && fine ? `${moment(a.syncedAt)}, ` : ''}
          {progress(a)}
        </span>
      </td>
      <td className="text-right">{a.bankSays && figure(a.bankSays)}</td>
      <td className="text-right">{a.booksSay && figure(a.booksSay)}</td>
      <td className={a.apart && !isZero(a.apart) ? 'text-right text-aril' : 'text-right text-needle'}>
        {a.apart && (isZero(a.apart) ? 'none' : figure(a.apart))}
      </td>
    </tr>
  )
}
