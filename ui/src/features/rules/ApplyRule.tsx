import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { Check } from '@/parts/Check'
import { Dialog } from '@/parts/Dialog'
import { counted, day, signed } from '@/parts/figures'
import { ruled } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import type { Rule } from './types'

/** The entries that a rule would book otherwise: looked through first, then changed as one act. */
export function ApplyRule({ rule, onClose }: { rule: Rule; onClose: () => void }) {
  const says = useSays()
  const [left, setLeft] = useState<Set<string>>(new Set())
  const listed = useQuery({
    queryKey: ['rule-applicable', rule.id, rule.version],
    queryFn: () => data(api.GET('/api/rules/{id}/applicable', { params: { path: { id: rule.id } } })),
  })
  const entries = listed.data ?? []
  const changing = entries.filter((e) => e.stays === '' && !left.has(e.entryId))

  async function apply() {
    try {
      const { changed } = await data(
        api.POST('/api/rules/{id}/apply', {
          params: { path: { id: rule.id } },
          body: { entries: changing.map(({ entryId, version }) => ({ entryId, version })) },
        }),
      )
      says.done(`${counted(changed, 'entry', 'entries')} booked as rule ${rule.no} says.`)
      onClose()
    } catch (error) {
      says.failed(error)
      await listed.refetch()
    }
    await booksChanged()
  }
  return (
    <Dialog title={`Apply rule ${rule.no} to what is booked`} open wide onClose={onClose}>
      <div className="flex max-h-[80vh] flex-col py-4">
        <h2 className="px-(--edge) text-title/[1.2]">Apply rule {rule.no} to what is booked</h2>
        <p className="px-(--edge) pt-1 pb-3 text-ink-2">
          Entries of the last twelve months that the rule would book elsewhere. What is ticked for a statement stays.
        </p>
        {listed.error && <Failed error={listed.error} retry={listed.refetch} />}
        {listed.isPending && <Loading what="entries" />}
        {listed.data && entries.length === 0 && <Nothing title="All of its lines are booked as it says" />}
        {entries.length > 0 && (
          <>
            <Scroll label="Entries that would change" className="min-h-0 flex-1">
              <table className={ruled({ size: 'dense' })} aria-label="Entries that would change">
                <colgroup>
                  <col className="w-[46px]" />
                  <col className="w-[70px]" />
                  <col className="w-[64px]" />
                  <col />
                  <col className="w-[38%]" />
                  <col className="w-[100px]" />
                </colgroup>
                <tbody>
                  {entries.map((e) => (
                    <tr key={e.entryId} className={e.stays ? 'text-ink-3' : undefined}>
                      <td>
                        {e.stays === '' && (
                          <Check
                            checked={!left.has(e.entryId)}
                            aria-label={`No. ${e.entryNo}`}
                            onChange={(on) =>
                              setLeft((old) => {
                                const next = new Set(old)
                                if (on) next.delete(e.entryId)
                                else next.add(e.entryId)
                                return next
                              })
                            }
                          />
                        )}
                      </td>
                      <td>{day(e.date)}</td>
                      <td>{e.entryNo}</td>
                      <td className="truncate">{e.payee}</td>
                      <td className="truncate" title={e.stays}>
                        {e.stays || (
                          <>
                            {e.from.join(', ')} → <b>{e.to.join(', ')}</b>
                          </>
                        )}
                      </td>
                      <td className="text-right">{signed(e.amount)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </Scroll>
            <div className="flex gap-2 px-(--edge) pt-4">
              <Button
                tone="go"
                onClick={apply}
                whyNot={changing.length === 0 ? 'None of them can change, or none is ticked.' : undefined}
              >
                Change {counted(changing.length, 'entry', 'entries')}
              </Button>
              <Button onClick={onClose}>Leave them</Button>
            </div>
          </>
        )}
      </div>
    </Dialog>
  )
}
