import { api } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { counted, day, figure, signed } from '@/parts/figures'
import { ruled } from '@/parts/look'
import { Acts, Inspector, InspectorHead } from '@/parts/View'
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
    <Inspector label="A doubtful line">
      <InspectorHead title="One line twice, or two?" figure={signed(doubt.amount)}>
        {doubt.accountName} {doubt.tail && `..${doubt.tail}`}, {doubt.currency}. Held back until you decide
        {count > 1 && `; ${counted(count, 'line')} are in doubt`}.
      </InspectorHead>
      <table
        className={ruled({
          size: 'fit',
          edges: 'none',
          className:
            'cells:py-[5px] cells:pr-1.5 cells:pl-0 cells:align-top cells:wrap-anywhere cells:whitespace-normal heads:h-10 heads:static heads:bg-transparent',
        })}
        aria-label="Both lines"
      >
        <thead>
          <tr>
            <th className="w-[72px]">
              <span className="sr-only">What</span>
            </th>
            <th>
              <b className="font-medium">Arrived</b>
              <span className="block text-ink-2">{origin(arrived)}</span>
            </th>
            <th>
              <b className="font-medium">Already here</b>
              <span className="block text-ink-2">{origin(here)}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([what, a, b]) => (
            <tr key={what} className={a === b ? undefined : '[&>td+td]:bg-heartwood-tint [&>td+td]:pl-1.5'}>
              <td className="text-ink-2">{what}</td>
              <td>{a}</td>
              <td>{b}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h3 className="mt-4">What speaks for one line</h3>
      <ul className="[&>li]:py-0.5">
        <li>The same amount, {doubt.daysApart === 0 ? 'the same day' : `${counted(doubt.daysApart, 'day')} apart`}.</li>
        {doubt.sameReference && <li>The same reference.</li>}
        {doubt.wordsInBoth.length > 0 && <li>Both say {doubt.wordsInBoth.join(', ')}.</li>}
        {doubt.wordsInBoth.length === 0 && <li className="text-ink-2">Their texts share no word.</li>}
        {here.bookedAsNo !== undefined && (
          <li className="text-ink-2">
            The one here is booked as no. {here.bookedAsNo}, {here.bookedAsPayee}.
          </li>
        )}
      </ul>
      <MayChange>
        <Acts>
          <Button tone="go" size="wide" onClick={() => decide('SAME')}>
            The same line, keep one <kbd>S</kbd>
          </Button>
          <Button className="col-span-full" onClick={() => decide('TWO')}>
            Two lines, take both <kbd>T</kbd>
          </Button>
          {count > 1 && (
            <Button onClick={onNext}>
              Next doubt <kbd>O</kbd>
            </Button>
          )}
          <Button className={count > 1 ? undefined : 'col-span-full'} onClick={onLater}>
            Later <kbd>L</kbd>
          </Button>
        </Acts>
      </MayChange>
    </Inspector>
  )
}

const origin = (side: Doubt['arrived']) =>
  side.source === 'FEED'
    ? `batch ${side.batchNo}, feed`
    : `batch ${side.batchNo}, ${SOURCES[side.source]} line ${side.sourceLine}`
