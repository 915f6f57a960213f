import { Flow } from '@/parts/Amount'
import { counted, day } from '@/parts/figures'
import { ruled } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import type { Part } from './types'

const STANDINGS = { NEW: 'new', KNOWN: 'known', DOUBTFUL: 'doubtful' }

/** The lines of one account in a file, as they would come in. */
export function ArrivingLines({ part }: { part: Part }) {
  const rest = part.lineCount - part.lines.length
  if (part.lines.length === 0) return null
  return (
    <Scroll label="The file">
      <table className={ruled({ size: 'dense' })} aria-label="Lines of the file">
        <colgroup>
          <col className="w-[84px]" />
          <col className="w-[70px]" />
          <col />
          <col className="w-[130px]" />
          <col className="w-[110px]" />
          <col className="w-[100px]" />
        </colgroup>
        <thead>
          <tr>
            <th>File line</th>
            <th>Date</th>
            <th>Text</th>
            <th>Reference</th>
            <th className="text-right">Amount</th>
            <th>Line</th>
          </tr>
        </thead>
        <tbody>
          {part.lines.map((l, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: the lines of a file stay in their order
            <tr key={i} className={l.standing === 'KNOWN' ? 'text-ink-3' : undefined}>
              <td className="text-ink-2">{l.sourceLine}</td>
              <td className="text-ink-2">{day(l.bookedOn)}</td>
              <td>{l.text}</td>
              <td className="text-ink-2 text-small">{l.reference}</td>
              <td className="text-right">
                <Flow amount={l.amount} />
              </td>
              <td className={l.standing === 'DOUBTFUL' ? 'text-heartwood' : undefined}>
                {STANDINGS[l.standing]}
                {l.pending && ', pending'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {rest > 0 && <p className="text-ink-2 px-6 py-2">and {counted(rest, 'more line')}, read the same way</p>}
    </Scroll>
  )
}
