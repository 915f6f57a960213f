import { useQuery } from '@tanstack/react-query'
import { api, data, type Schemas } from '@/api/client'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { day, figure, isZero, longDay, plainNumber, signed } from '@/parts/figures'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { ruled } from '@/parts/look'
import { Loading } from '@/parts/States'
import { useAct } from '@/parts/useAct'

/** What a book holds in other currencies, and the entry that brings it to its worth. */
export function Revaluation({ book, on }: { book: Schemas['BookJson']; on: string }) {
  const params = { path: { id: book.id }, query: { on } }
  const revaluation = useQuery({
    queryKey: ['revaluation', book.id, on],
    retry: false,
    queryFn: () => data(api.GET('/api/books/{id}/revaluation', { params })),
  })
  const { act, error, busy } = useAct()
  const says = useSays()
  if (revaluation.error) return <ProblemNote error={revaluation.error} />
  if (!revaluation.data) return <Loading what="the revaluation" />
  const { accounts, change, currency } = revaluation.data
  if (accounts.length === 0) return <p className="text-ink-2">It holds nothing in other currencies on {longDay(on)}.</p>
  return (
    <>
      <table className={ruled({ edges: 'none' })} aria-label={`Revaluation of ${book.name}`}>
        <thead>
          <tr>
            <th>Account</th>
            <th className="text-right">Balance</th>
            <th className="text-right">Stands at, {currency}</th>
            <th className="text-right">Rate</th>
            <th className="text-right">Worth, {currency}</th>
            <th className="text-right">Change</th>
          </tr>
        </thead>
        <tbody>
          {accounts.map((a) => (
            <tr key={a.accountId}>
              <td>{a.accountName}</td>
              <td className="text-right">
                {a.currency} {figure(a.own)}
              </td>
              <td className="text-right">{figure(a.carried)}</td>
              <td className="text-right text-ink-2">
                {plainNumber(a.rate)} <span className="text-small">of {day(a.rateOf)}</span>
              </td>
              <td className="text-right">{figure(a.worth)}</td>
              <td className="text-right">{signed(a.change)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <ProblemNote error={error} />
      {isZero(change) && accounts.every((a) => isZero(a.change)) ? (
        <p className="text-ink-2 mt-2">Everything stands at its worth. There is nothing to book.</p>
      ) : (
        <Button
          className="mt-3"
          whyNot={busy ? 'It is being done.' : undefined}
          onClick={() =>
            act(
              () => data(api.POST('/api/books/{id}/revaluation', { params })),
              (made) => says.done(`The revaluation is booked as no. ${made.no}.`),
            )
          }
        >
          Book the revaluation of {signed(change)}
        </Button>
      )}
    </>
  )
}
