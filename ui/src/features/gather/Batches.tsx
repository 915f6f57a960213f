import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '@/api/client'
import { books, booksChanged } from '@/api/queries'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { Dialog } from '@/parts/Dialog'
import { counted, day, figure, moment, monthName } from '@/parts/figures'
import { Nothing } from '@/parts/States'
import { type Batch, type Gathered, SOURCES } from './types'

/** What came in, file by file and sync by sync, each of which can be taken back. */
export function Batches({ gathered, month }: { gathered: Gathered; month: string }) {
  const { data: allBooks = [] } = useQuery(books)
  const [asked, setAsked] = useState<Batch>()
  if (gathered.batches.length === 0) {
    return (
      <Nothing title={`Nothing of ${monthName(month)} was gathered yet`}>
        <p>
          Ask {allBooks.length > 1 ? 'the banks of both books' : 'your bank'} for the month as OFX, camt, MT940, CSV or
          XLSX, and drop the files here.
        </p>
      </Nothing>
    )
  }
  return (
    <>
      <h2 className="lead">Batches of {monthName(month)}</h2>
      <table className="tb bat" aria-label={`Batches of ${monthName(month)}`}>
        <colgroup>
          <col className="w-[74px]" />
          <col className="w-[104px]" />
          <col className="w-[74px]" />
          <col />
          <col />
          <col className="w-[124px]" />
          <col className="w-[150px] wide-only" />
          <col className="w-[56px]" />
          <col className="w-[64px]" />
          <col className="w-[76px]" />
          <col className="w-[120px]" />
        </colgroup>
        <thead>
          <tr>
            <th>Batch</th>
            <th>When</th>
            <th>By</th>
            <th>From</th>
            <th>Account</th>
            <th>Days</th>
            <th className="n wide-only">Balances</th>
            <th className="n">New</th>
            <th className="n">Known</th>
            <th className="n">Doubtful</th>
            <th>
              <span className="vh">Take back</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {gathered.batches.map((b) => (
            <tr key={b.id} className={b.takenBack ? 'qq' : undefined}>
              <td className="font-medium">{b.no}</td>
              <td className="q">{moment(b.gatheredAt)}</td>
              <td className="q">{SOURCES[b.source]}</td>
              <td>{b.sourceName}</td>
              <td className="q">{b.accountName}</td>
              <td className="q">{b.firstDay && b.lastDay && `${day(b.firstDay)} to ${day(b.lastDay)}`}</td>
              <td className="n q wide-only">
                {b.closing && `${b.opening ? `${figure(b.opening)} to ` : ''}${figure(b.closing)}`}
              </td>
              <td className="n">{b.newLines}</td>
              <td className="n q">{b.knownLines}</td>
              <td className={b.doubtfulLines && !b.takenBack ? 'n wait' : 'n q'}>{b.doubtfulLines}</td>
              <td className="n">
                <Back batch={b} onAsk={() => setAsked(b)} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {asked && <TakeBack batch={asked} onClose={() => setAsked(undefined)} />}
    </>
  )
}

function Back({ batch, onAsk }: { batch: Batch; onAsk: () => void }) {
  if (batch.takenBack) return <span className="q s">taken back</span>
  if (batch.settled > 0 && batch.settled === batch.newLines) return <span className="q s">agreed, stays</span>
  return (
    <MayChange>
      <button type="button" className="link s" onClick={onAsk} aria-label={`Take back batch ${batch.no}`}>
        take back
      </button>
    </MayChange>
  )
}

/** Says what goes and what stays before a batch is taken back, and afterwards what did stay, and why. */
function TakeBack({ batch, onClose }: { batch: Batch; onClose: () => void }) {
  const says = useSays()
  const [busy, setBusy] = useState(false)
  const [left, setLeft] = useState<{ bookedOn: string; text: string; why: string }[]>()

  async function takeBack() {
    setBusy(true)
    try {
      const done = await data(api.DELETE('/api/gather/batches/{id}', { params: { path: { id: batch.id } } }))
      await booksChanged()
      const statement = done.statementToo ? ', its unfinished statement too' : ''
      says.done(`Batch ${done.no}: ${counted(done.taken, 'line')} taken back${statement}.`)
      if (done.left.length) setLeft(done.left)
      else onClose()
    } catch (error) {
      says.failed(error)
      onClose()
    }
    setBusy(false)
  }
  if (left) {
    return (
      <Dialog title={`What stays of batch ${batch.no}`} open onClose={onClose}>
        <div className="px-6 py-5">
          <p className="title mb-3">{`${counted(left.length, 'line')} of batch ${batch.no} stay`}</p>
          <ul className="left-lines">
            {left.slice(0, 12).map((l) => (
              <li key={l.bookedOn + l.text}>
                {day(l.bookedOn)} {l.text}
                <span className="q"> {l.why}</span>
              </li>
            ))}
          </ul>
          {left.length > 12 && <p className="q">and {counted(left.length - 12, 'more line')}, for the same reason</p>}
          <p className="mt-4">
            <button type="button" className="btn go" onClick={onClose}>
              Close
            </button>
          </p>
        </div>
      </Dialog>
    )
  }
  return (
    <Dialog title={`Take batch ${batch.no} back`} open onClose={onClose}>
      <div className="px-6 py-5">
        <p className="title mb-3">Take batch {batch.no} back?</p>
        <p>
          {counted(batch.newLines + batch.doubtfulLines - batch.settled, 'line')} of {batch.sourceName} will be gone
          from {batch.accountName}, with the entries that they became.
          {batch.settled > 0 && ` ${counted(batch.settled, 'line')} are reconciled and stay.`} The file can be taken in
          again.
        </p>
        <p className="flex gap-2 mt-4">
          <button type="button" className="btn kill" disabled={busy} onClick={takeBack}>
            Take it back
          </button>
          <button type="button" className="btn" onClick={onClose}>
            Keep it
          </button>
        </p>
      </div>
    </Dialog>
  )
}
