import { api } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { counted, day, figure, signed } from '@/parts/figures'
import { type Doubt, SOURCES } from './types'

type Decision = 'SAME' | 'TWO' | 'OPEN'

/** One line that may be another once more: both side by side, and the question. */
export function DoubtInspector({
  doubt,
  count,
  onNext,
  onLater,
}: {
  doubt: Doubt
  count: number
  onNext: () => void
  onLater: () => void
}) {
  const says = useSays()

  async function decide(decision: Decision) {
    try {
      await api.PUT('/api/gather/doubts/{id}', { params: { path: { id: doubt.lineId } }, body: { decision } })
      await booksChanged()
      if (decision === 'OPEN') says.done('The question is open again.')
      else {
        const what = decision === 'SAME' ? 'The same line, kept once.' : 'Two lines; the second waits to be posted.'
        says.done(what, () => decide('OPEN'))
      }
    } catch (error) {
      says.failed(error)
      await booksChanged()
    }
  }
  useCommands([
    { keys: ['s'], label: 'The same line, keep one', changes: true, strip: 'same line', run: () => decide('SAME') },
    { keys: ['t'], label: 'Two lines, take both', changes: true, strip: 'two lines', run: () => decide('TWO') },
    { keys: ['o'], label: 'The next doubtful line', strip: count > 1 ? 'next doubt' : undefined, run: onNext },
    { keys: ['l'], label: 'Decide later', run: onLater },
  ])
  const { arrived, here } = doubt
  const rows: [string, string, string][] = [
    ['Booked', day(arrived.bookedOn), day(here.bookedOn)],
    ['Value', arrived.valueOn ? day(arrived.valueOn) : 'none', here.valueOn ? day(here.valueOn) : 'none'],
    ['Amount', figure(doubt.amount), figure(doubt.amount)],
    ['Text', arrived.text, here.text],
    ['Reference', arrived.reference || 'none', here.reference || 'none'],
  ]
  return (
    <aside className="insp" aria-label="A doubtful line">
      <div className="ih">
        <h2>One line twice, or two?</h2>
        <span className="big">{signed(doubt.amount)}</span>
      </div>
      <p className="q s ihs">
        {doubt.accountName} {doubt.tail && `..${doubt.tail}`}, {doubt.currency}. Held back until you decide
        {count > 1 && `; ${counted(count, 'line')} are in doubt`}.
      </p>
      <table className="tb pair" aria-label="Both lines">
        <thead>
          <tr>
            <th>
              <span className="vh">What</span>
            </th>
            <th>
              <b className="font-medium">Arrived</b>
              <span className="block q">{origin(arrived)}</span>
            </th>
            <th>
              <b className="font-medium">Already here</b>
              <span className="block q">{origin(here)}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([what, a, b]) => (
            <tr key={what} className={a === b ? undefined : 'differs'}>
              <td className="q">{what}</td>
              <td>{a}</td>
              <td>{b}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h3 className="mt-4">What speaks for one line</h3>
      <ul className="evidence">
        <li>The same amount, {doubt.daysApart === 0 ? 'the same day' : `${counted(doubt.daysApart, 'day')} apart`}.</li>
        {doubt.sameReference && <li>The same reference.</li>}
        {doubt.wordsInBoth.length > 0 && <li>Both say {doubt.wordsInBoth.join(', ')}.</li>}
        {doubt.wordsInBoth.length === 0 && <li className="q">Their texts share no word.</li>}
        {here.bookedAsNo !== undefined && (
          <li className="q">
            The one here is booked as no. {here.bookedAsNo}, {here.bookedAsPayee}.
          </li>
        )}
      </ul>
      <MayChange>
        <div className="acts">
          <button type="button" className="btn go wide" onClick={() => decide('SAME')}>
            The same line, keep one <kbd>S</kbd>
          </button>
          <button type="button" className="btn full" onClick={() => decide('TWO')}>
            Two lines, take both <kbd>T</kbd>
          </button>
          {count > 1 && (
            <button type="button" className="btn" onClick={onNext}>
              Next doubt <kbd>O</kbd>
            </button>
          )}
          <button type="button" className={count > 1 ? 'btn' : 'btn full'} onClick={onLater}>
            Later <kbd>L</kbd>
          </button>
        </div>
      </MayChange>
    </aside>
  )
}

const origin = (side: Doubt['arrived']) =>
  side.source === 'FEED'
    ? `batch ${side.batchNo}, feed`
    : `batch ${side.batchNo}, ${SOURCES[side.source]} line ${side.sourceLine}`
