import { useQuery } from '@tanstack/react-query'
import { api, data } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { useScope } from '@/app/scope'
import { Button } from '@/parts/Button'
import { Dialog } from '@/parts/Dialog'
import { counted, day, figure, isZero } from '@/parts/figures'
import { entryTable, textLink } from '@/parts/look'
import { Failed, Loading } from '@/parts/States'
import { Said } from '@/parts/View'
import type { Begun } from './schedule'

/** What came regularly in the journal and no schedule expects: each can be expected from now on. */
export function RegularPayments({ onExpect, onClose }: { onExpect: (found: Begun) => void; onClose: () => void }) {
  const { book } = useScope()
  const found = useQuery({
    queryKey: ['regular payments', book],
    queryFn: () => data(api.GET('/api/schedules/found', { params: { query: { book } } })),
  })
  return (
    <Dialog title="Payments that came regularly" open onClose={onClose} wide>
      <Said title="Payments that came regularly">
        <p className="mb-2 text-ink-2">
          Found in the last three years: of a payee on an account, at even distances and of much the same amount. None
          of these has a schedule.
        </p>
        {found.isPending && <Loading what="the journal" />}
        {found.error && <Failed error={found.error} retry={found.refetch} />}
        {found.data?.length === 0 && <p>Nothing else came regularly.</p>}
        {found.data && found.data.length > 0 && (
          <div className="max-h-[52vh] overflow-y-auto">
            <table className={`${entryTable} w-full`} aria-label="Payments that came regularly">
              <colgroup>
                <col />
                <col className="w-[188px]" />
                <col className="w-[146px]" />
                <col className="w-[116px]" />
                <col className="w-[70px]" />
              </colgroup>
              <tbody>
                {found.data.map(({ schedule, times, newest }) => (
                  <tr key={`${schedule.payee} ${schedule.accountId} ${schedule.pays}`}>
                    <td title={schedule.accountName}>{schedule.payee}</td>
                    <td className="text-ink-2">{schedule.inWords}</td>
                    <td className="text-small text-ink-2">
                      {counted(times, 'time')}, last {day(newest)}
                    </td>
                    <td className="text-right">
                      {!isZero(schedule.about) && <span className="text-small text-ink-3">about </span>}
                      {figure(schedule.amount)}
                    </td>
                    <td className="text-right">
                      <MayChange>
                        <button type="button" className={textLink()} onClick={() => onExpect(schedule)}>
                          Expect it<span className="sr-only"> {schedule.payee}</span>
                        </button>
                      </MayChange>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
        <Button className="mt-3 self-end" onClick={onClose}>
          Done
        </Button>
      </Said>
    </Dialog>
  )
}
