import { Button } from '@/parts/Button'
import { Dialog } from '@/parts/Dialog'
import { counted, day, signed } from '@/parts/figures'
import { Scroll } from '@/parts/Scroll'
import { type Suggested, WAYS } from './types'

/** Rules that could be made of how lines were booked by hand, each with the lines that show it. */
export function SuggestedRules({
  suggested,
  onBegin,
  onClose,
}: {
  suggested: Suggested[]
  onBegin: (suggested: Suggested) => void
  onClose: () => void
}) {
  return (
    <Dialog title="Suggested rules" open wide onClose={onClose}>
      <Scroll label="Suggested rules" className="max-h-[70vh] px-(--edge) py-4">
        <h2 className="text-title/[1.2]">Suggested rules</h2>
        <p className="pt-1 pb-3 text-ink-2">
          Lines that were booked by hand, all of them alike, and that no rule takes. None is made by itself.
        </p>
        <ol>
          {suggested.map((s) => (
            <li key={s.bookId + s.words + s.direction} className="border-t border-hairline py-2.5">
              <div className="flex items-center gap-3">
                <p className="min-w-0 flex-1">
                  When any text has the words <b>{s.words}</b> and <b>{WAYS[s.direction]}</b>: payee <b>{s.payee}</b>,
                  book to <b>{s.accountName}</b>
                  <span className="text-ink-2">, as {counted(s.lines, 'line')} were</span>
                </p>
                <Button onClick={() => onBegin(s)}>
                  Begin it<span className="sr-only"> {s.words}</span>
                </Button>
              </div>
              <table className="mt-1 w-full text-small text-ink-2 cells:h-[22px] starts:pl-0 ends:pr-0">
                <colgroup>
                  <col className="w-[60px]" />
                  <col className="w-[140px]" />
                  <col />
                  <col className="w-[90px]" />
                </colgroup>
                <tbody>
                  {s.newest.slice(0, 3).map((line) => (
                    <tr key={line.lineId}>
                      <td>{day(line.date)}</td>
                      <td className="truncate">{line.accountName}</td>
                      <td className="truncate">{line.text}</td>
                      <td className="text-right text-ink">{signed(line.amount)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </li>
          ))}
        </ol>
      </Scroll>
    </Dialog>
  )
}
