import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { api, data } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { useScopeSearch } from '@/app/scope'
import { figure, isZero, longDay, signed } from '@/parts/figures'
import { Failed, Loading } from '@/parts/States'
import { AccountFacts, AccountHistory, AccountRules, OpeningEntry } from './AccountFacts'
import { BalanceLine } from './BalanceLine'
import { type ChartRow, CLASS_NAMES, KIND_NAMES } from './types'

/** An account's page as far as the inspector shows it. */
export const accountPage = (id: string, on: string) => ({
  queryKey: ['account', id, on],
  queryFn: () => data(api.GET('/api/accounts/{id}', { params: { path: { id }, query: { on } } })),
})

/** The selected account: what stands on it, what is known of it, and what can be done with it. */
export function AccountInspector({
  row,
  on,
  ask,
  open,
  onGone,
}: {
  row: ChartRow
  on: string
  ask: (what: 'edit' | 'move' | 'merge') => void
  open: () => void
  onGone: () => void
}) {
  const says = useSays()
  const search = useScopeSearch()
  const account = useQuery(accountPage(row.id, on))
  const page = account.data

  async function act(work: () => Promise<unknown>, said: string, then?: () => void) {
    try {
      await work()
      says.done(said)
      then?.()
    } catch (error) {
      says.failed(error)
    }
    await booksChanged()
  }
  const at = { path: { id: row.id }, query: { version: row.version } }
  const close = () => act(() => api.POST('/api/accounts/{id}/close', { params: at }), `${row.name} is closed.`)
  const reopen = () => act(() => api.POST('/api/accounts/{id}/reopen', { params: at }), `${row.name} is open again.`)
  const remove = () =>
    act(() => api.DELETE('/api/accounts/{id}', { params: at }), `${row.name} is deleted. It was never used.`, onGone)
  useCommands([
    row.closedOn
      ? { keys: ['x'], label: 'Reopen the account', changes: true, strip: 'reopen', run: reopen }
      : { keys: ['x'], label: 'Close the account', changes: true, strip: 'close', run: close },
    { keys: ['Delete'], label: 'Delete the account', changes: true, run: remove },
  ])
  if (account.error && !account.data) return <Failed error={account.error} retry={account.refetch} />
  if (!page) return <Loading what="the account" />
  return (
    <>
      <div className="ih">
        <h2>{page.name}</h2>
        {!page.group && <span className="big">{figure(page.balance)}</span>}
      </div>
      <p className="q s ihs">
        {page.group ? 'group of ' : ''}
        {CLASS_NAMES[page.accountClass].toLowerCase()}
        {!page.group && `, ${KIND_NAMES[page.kind]}, ${page.currency}; books at ${longDay(page.on)}`}
        {page.keptByCore && '; kept by itself'}
      </p>
      {!page.group && <BalanceLine page={page} />}
      {page.hasStatements && (
        <table className="entry" aria-label="Seen at the bank and open">
          <colgroup>
            <col />
            <col className="w-[110px]" />
          </colgroup>
          <tbody>
            <tr>
              <td>
                Seen at the bank <span className="q">and ticked</span>
              </td>
              <td className="n">{figure(page.seen)}</td>
            </tr>
            {!isZero(page.open) && (
              <tr>
                <td>Open</td>
                <td className="n">{signed(page.open)}</td>
              </tr>
            )}
          </tbody>
          <tfoot>
            <tr>
              <td>
                <b>Balance</b>
              </td>
              <td className="n">{figure(page.balance)}</td>
            </tr>
            {page.currency !== page.baseCurrency && (
              <tr>
                <td>in the book, {page.baseCurrency}</td>
                <td className="n">{figure(page.base)}</td>
              </tr>
            )}
          </tfoot>
        </table>
      )}
      <AccountFacts page={page} />
      <OpeningEntry page={page} />
      {!page.opening && !page.opensOn && page.hasStatements && (
        <p className="wait mb-3">
          Nobody said what it opened with.{' '}
          <Link className="link" to={`/chart/opening${search}`}>
            Say it
          </Link>
        </p>
      )}
      <AccountRules page={page} />
      <AccountHistory page={page} />
      <div className="acts">
        {!page.group && (
          <button type="button" className="btn go wide" onClick={open}>
            Open the register <kbd>Enter</kbd>
          </button>
        )}
        <MayChange>
          <button type="button" className="btn" onClick={() => ask('edit')}>
            Edit <kbd>E</kbd>
          </button>
          <button type="button" className="btn" onClick={() => ask('move')}>
            Move <kbd>V</kbd>
          </button>
          {!page.keptByCore && (
            <>
              <button type="button" className="btn" onClick={() => ask('merge')}>
                Merge into… <kbd>M</kbd>
              </button>
              {page.closedOn ? (
                <button type="button" className="btn" onClick={reopen}>
                  Reopen <kbd>X</kbd>
                </button>
              ) : (
                <button type="button" className="btn" onClick={close}>
                  Close <kbd>X</kbd>
                </button>
              )}
              {page.whyNotDeleted === '' && (
                <button type="button" className="btn kill full" onClick={remove}>
                  Delete, it was never used <kbd>Delete</kbd>
                </button>
              )}
            </>
          )}
        </MayChange>
      </div>
    </>
  )
}
