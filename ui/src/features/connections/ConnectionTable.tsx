import { useState } from 'react'
import { api, type Schemas } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useSays } from '@/app/says'
import { Dialog } from '@/parts/Dialog'
import { figure, isZero, longDay, moment } from '@/parts/figures'
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
    <article className="connection" aria-label={c.institutionName}>
      <div className="connection-head">
        <h2>{c.institutionName}</h2>
        <span className="q">
          {c.town}, {c.bic}
        </span>
        <span className={c.needsYou || c.status === 'ASKED' ? 'wait b' : 'q'}>{health(c)}</span>
        <span className="grow" />
        {(c.needsYou || c.status === 'ASKED') && (
          <button
            type="button"
            className="btn go small"
            onClick={() => act(goToBank(api.POST('/api/connections/{id}/renew', path)))}
          >
            Renew consent
          </button>
        )}
        {c.status === 'ACTIVE' && used.length > 0 && (
          <button
            type="button"
            className="btn small"
            disabled={isBusy(c)}
            onClick={() => act(api.POST('/api/connections/{id}/sync', path))}
          >
            {isBusy(c) ? 'Fetching' : 'Fetch now'}
          </button>
        )}
        <button type="button" className="link s" onClick={() => setEnding(true)}>
          disconnect
        </button>
      </div>
      {used.length > 0 && (
        <>
          <table className="tb" aria-label={`Accounts at ${c.institutionName}`}>
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
                <th className="n">Bank says</th>
                <th className="n">Books say</th>
                <th className="n">Apart</th>
              </tr>
            </thead>
            <tbody>
              {used.map((a) => (
                <Row key={a.id} account={a} />
              ))}
            </tbody>
          </table>
          <div className="connection-foot">
            <Schedule schedule={c.schedule} onChange={setSchedule} />
            {unused.length > 0 && !mapping && (
              <button type="button" className="link s" onClick={() => setMapping(true)}>
                use {unused.map((a) => a.name).join(', ')} too
              </button>
            )}
          </div>
        </>
      )}
      {showsMapping && <MapAccounts connection={c} accounts={unused} onDone={() => setMapping(false)} />}
      <Dialog title={`Disconnect ${c.institutionName}`} open={ending} onClose={() => setEnding(false)}>
        <div className="px-6 py-5">
          <p className="title mb-3">Disconnect {c.institutionName}?</p>
          <p>The consent ends at the bank too. All lines that were fetched stay, and so does what was booked.</p>
          <p className="flex gap-2 mt-4">
            <button
              type="button"
              className="btn kill"
              onClick={() => act(api.DELETE('/api/connections/{id}', path), `${c.institutionName} is disconnected.`)}
            >
              Disconnect
            </button>
            <button type="button" className="btn" onClick={() => setEnding(false)}>
              Keep it
            </button>
          </p>
        </div>
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
        <b className="font-medium">{a.name}</b> <span className="qq s">..{a.number.slice(-4)}</span>
      </td>
      <td>{a.accountName}</td>
      <td className="q">{a.startOn && longDay(a.startOn)}</td>
      <td>
        <span className={fine || busy ? 'q' : 'wait'} role={busy ? 'status' : undefined}>
          {a.syncedAt && fine ? `${moment(a.syncedAt)}, ` : ''}
          {progress(a)}
        </span>
      </td>
      <td className="n">{a.bankSays && figure(a.bankSays)}</td>
      <td className="n">{a.booksSay && figure(a.booksSay)}</td>
      <td className={a.apart && !isZero(a.apart) ? 'n apart' : 'n in'}>
        {a.apart && (isZero(a.apart) ? 'none' : figure(a.apart))}
      </td>
    </tr>
  )
}
