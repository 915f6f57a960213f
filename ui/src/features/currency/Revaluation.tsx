import { useQuery } from '@tanstack/react-query'
import { api, data, type Schemas } from '@/api/client'
import { useSays } from '@/app/says'
import { day, figure, isZero, longDay, plainNumber, signed } from '@/parts/figures'
import { ProblemNote } from '@/parts/form/ProblemNote'
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
  if (accounts.length === 0) return <p className="q">It holds nothing in other currencies on {longDay(on)}.</p>
  return (
    <>
      <table className="tb" aria-label={`Revaluation of ${book.name}`}>
        <thead>
          <tr>
            <th>Account</th>
            <th className="n">Balance</th>
            <th className="n">Stands at, {currency}</th>
            <th className="n">Rate</th>
            <th className="n">Worth, {currency}</th>
            <th className="n">Change</th>
          </tr>
        </thead>
        <tbody>
          {accounts.map((a) => (
            <tr key={a.accountId}>
              <td>{a.accountName}</td>
              <td className="n">
                {a.currency} {figure(a.own)}
              </td>
              <td className="n">{figure(a.carried)}</td>
              <td className="n q">
                {plainNumber(a.rate)} <span className="s">of {day(a.rateOf)}</span>
              </td>
              <td className="n">{figure(a.worth)}</td>
              <td className="n">{signed(a.change)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <ProblemNote error={error} />
      {isZero(change) && accounts.every((a) => isZero(a.change)) ? (
        <p className="q mt-2">Everything stands at its worth. There is nothing to book.</p>
      ) : (
        <button
          type="button"
          className="btn mt-3"
          disabled={busy}
          onClick={() =>
            act(
              () => data(api.POST('/api/books/{id}/revaluation', { params })),
              (made) => says.done(`The revaluation is booked as no. ${made.no}.`),
            )
          }
        >
          Book the revaluation of {signed(change)}
        </button>
      )}
    </>
  )
}
