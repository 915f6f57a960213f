import { useInfiniteQuery } from '@tanstack/react-query'
import { Fragment } from 'react'
import { Link, useParams } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { useCommands } from '@/app/commands'
import { useScopeSearch } from '@/app/scope'
import { day, figure, longDay } from '@/parts/figures'
import { Icon, StateMark } from '@/parts/Icon'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import './journal.css'

type Register = Schemas['RegisterJson']
type Row = Schemas['RegisterRowJson']

/** One account's postings with the balance after each, newest first. */
export function Register() {
  const { accountId = '' } = useParams()
  const register = useInfiniteQuery({
    queryKey: ['register', accountId],
    initialPageParam: '',
    queryFn: ({ pageParam }) =>
      data(
        api.GET('/api/accounts/{id}/register', {
          params: { path: { id: accountId }, query: { after: pageParam || undefined } },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  })
  if (register.error) return <Failed error={register.error} retry={register.refetch} />
  const [first] = register.data?.pages ?? []
  if (!first) return <Loading what="the register" />
  return (
    <RegisterPage
      key={accountId}
      head={first}
      rows={register.data?.pages.flatMap((p) => p.rows) ?? []}
      more={register.hasNextPage ? () => register.fetchNextPage() : undefined}
    />
  )
}

function RegisterPage({ head, rows, more }: { head: Register; rows: Row[]; more: (() => void) | undefined }) {
  const search = useScopeSearch()
  const { selected, select } = useSelection(
    rows.map((r) => r.postingId),
    'posting',
  )
  useCommands(more ? [{ keys: ['m'], label: 'Show older postings', strip: 'older', run: more }] : [])
  return (
    <main tabIndex={-1}>
      <section className="sheet">
        <div className="ahd">
          <div>
            <h1 className="title">
              {head.accountName}{' '}
              <span className="q">
                {head.tail && `..${head.tail}, `}
                {head.currency}
              </span>
            </h1>
            <p className="q">
              {head.bookName}
              {head.agreedThrough && `, agreed through ${longDay(head.agreedThrough)}`}.{' '}
              <Link className="link" to={`/reconcile${search}`}>
                Statements
              </Link>
            </p>
          </div>
          <dl>
            <dt>Books say</dt>
            <dd>{figure(head.balance)}</dd>
          </dl>
        </div>
        {rows.length === 0 ? (
          <Nothing title="Nothing was posted here yet" />
        ) : (
          <Scroll label="Postings">
            <table className="tb reg" aria-label={`Register of ${head.accountName}`}>
              <colgroup>
                <col className="w-[48px]" />
                <col className="w-[64px]" />
                <col className="w-[56px]" />
                <col />
                <col className="w-[230px]" />
                <col className="w-[110px]" />
                <col className="w-[110px]" />
                <col className="w-[130px]" />
              </colgroup>
              <thead>
                <tr>
                  <th>
                    <span className="vh">State</span>
                  </th>
                  <th>Date</th>
                  <th className="n">No.</th>
                  <th>Payee, note</th>
                  <th>Other side</th>
                  <th className="n">Out</th>
                  <th className="n">In</th>
                  <th className="n">Balance</th>
                </tr>
              </thead>
              <tbody>
                {rows.map((r, i) => (
                  <Fragment key={r.postingId}>
                    {beginsStatement(rows, i) && r.statementOn && (
                      <tr className="dv">
                        <td />
                        <td colSpan={6}>agreed to the statement of {day(r.statementOn)}</td>
                        <td className="n b">{figure(r.balance)}</td>
                      </tr>
                    )}
                    <tr
                      className={r.postingId === selected ? 'row sel' : 'row'}
                      data-row={r.postingId}
                      aria-selected={r.postingId === selected}
                      onClick={() => select(r.postingId)}
                    >
                      <td>
                        <StateMark state={r.state} />
                      </td>
                      <td className="q">{day(r.date)}</td>
                      <td className="n q s">{r.entryNo}</td>
                      <td>
                        {r.payee} {r.note && <span className="q">{r.note}</span>}
                      </td>
                      <td className="q">
                        <Icon name="arrow" size={13} /> {r.otherSide}
                      </td>
                      <td className="n">{r.out && figure(r.out)}</td>
                      <td className="n">{r.in && figure(r.in)}</td>
                      <td className="n">{figure(r.balance)}</td>
                    </tr>
                  </Fragment>
                ))}
              </tbody>
            </table>
            {more && (
              <p className="p-4 text-center">
                <button type="button" className="btn" onClick={more}>
                  Show older postings <kbd>M</kbd>
                </button>
              </p>
            )}
          </Scroll>
        )}
      </section>
    </main>
  )
}

/** Going back in time, the first posting of a finished statement stands under its closing balance. */
function beginsStatement(rows: Row[], i: number): boolean {
  const on = rows[i]?.statementOn
  return Boolean(on) && rows[i - 1]?.statementOn !== on
}
