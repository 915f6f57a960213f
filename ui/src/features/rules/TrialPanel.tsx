import { Link } from 'react-router'
import { counted, day, longDay, signed } from '@/parts/figures'
import type { Caught, Trial } from './types'

const ORDER: Caught['standing'][] = ['WAITS', 'DIFFERS', 'AGREES']

/** What a rule would have caught of the lines of twelve months: how many, in what way, and which. */
export function TrialPanel({
  trial,
  stale,
  books,
}: {
  trial: Trial
  stale: boolean
  /** Whether it is said what the rule books, so that it can agree or not. */
  books: boolean
}) {
  const total = Math.max(1, trial.caught)
  const share = (count: number) => `${(100 * count) / total}%`
  return (
    <section aria-label="Trial" className={stale ? 'opacity-60' : undefined}>
      <div className="mt-1 mb-2 flex h-[6px] gap-[2px]" aria-hidden="true">
        {trial.agreeing > 0 && <i className="bg-needle" style={{ width: share(trial.agreeing) }} />}
        {trial.differing > 0 && <i className="bg-ink-3" style={{ width: share(trial.differing) }} />}
        {trial.waiting > 0 && <i className="bg-heartwood" style={{ width: share(trial.waiting) }} />}
        {trial.caught === 0 && <i className="w-full bg-hairline-2" />}
      </div>
      <p role="status">
        Would catch <b>{counted(trial.caught, 'line')}</b> since {longDay(trial.since)}
        {trial.caught > 0 && !books && (
          <>
            : <b>{trial.differing}</b> booked, <b>{trial.waiting}</b> waiting
          </>
        )}
        {trial.caught > 0 && books && (
          <>
            : <b>{trial.agreeing}</b> booked the same way, <b>{trial.differing}</b> differently, <b>{trial.waiting}</b>{' '}
            waiting
          </>
        )}
        .
        {trial.takenEarlier > 0 && (
          <span className="text-heartwood">
            {' '}
            {counted(trial.takenEarlier, 'more line')} fit it, and an earlier rule takes them.
          </span>
        )}
      </p>
      {ORDER.map((standing) => (
        <Lines key={standing} standing={standing} trial={trial} books={books} />
      ))}
    </section>
  )
}

function Lines({ standing, trial, books }: { standing: Caught['standing']; trial: Trial; books: boolean }) {
  const lines = trial.lines.filter((line) => line.standing === standing)
  if (lines.length === 0) return null
  const [count, what, more] = {
    WAITS: [trial.waiting, 'waiting', 'would be proposed so'],
    DIFFERS: [trial.differing, books ? 'booked differently' : 'booked', books ? 'left as they are' : ''],
    AGREES: [trial.agreeing, 'booked the same way', ''],
  }[standing] as [number, string, string]
  return (
    <table className="mt-3 w-full text-small cells:h-6 cells:border-b cells:border-hairline starts:pl-0 ends:pr-0">
      <caption className="border-b border-hairline-2 pb-0.5 text-left text-ink-2">
        <b className={standing === 'WAITS' ? 'text-heartwood' : 'text-ink'}>
          {count} {what}
        </b>{' '}
        {more}
      </caption>
      <colgroup>
        <col className="w-[50px]" />
        <col className="w-[30%]" />
        <col />
        <col className="w-[74px]" />
      </colgroup>
      <tbody>
        {lines.map((line) => (
          <tr key={line.lineId} title={line.text}>
            <td className="text-ink-2">{day(line.date)}</td>
            <td className="truncate text-ink-2">{line.accountName}</td>
            <td className="truncate">
              {line.entryId ? (
                <Link className="hover:underline" to={`/journal?entry=${line.entryId}`}>
                  {line.bookedTo.join(', ')}
                </Link>
              ) : (
                line.text
              )}
            </td>
            <td className="text-right">{signed(line.amount)}</td>
          </tr>
        ))}
        {count > lines.length && (
          <tr>
            <td colSpan={4} className="text-ink-2">
              and {count - lines.length} more
            </td>
          </tr>
        )}
      </tbody>
    </table>
  )
}
