import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { api, data } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { useScopeSearch } from '@/app/scope'
import { Button } from '@/parts/Button'
import { figure, isZero, longDay, signed } from '@/parts/figures'
import { entryTable, sumRow, textLink } from '@/parts/look'
import { Failed, Loading } from '@/parts/States'
import { Acts, InspectorHead } from '@/parts/View'
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
      ? { keys: ['x'], label: 'Reopen the account', changes: true, strip: 'reopen', onRow: true, run: reopen }
      : { keys: ['x'], label: 'Close the account', changes: true, strip: 'close', onRow: true, run: close },
    { keys: ['Delete'], label: 'Delete the account', changes: true, onRow: true, run: remove },
  ])
  if (account.error && !account.data) return <Failed error={account.error} retry={account.refetch} />
  if (!page) return <Loading what="the account" />
  return (
    <>
      <InspectorHead title={page.name} figure={page.group ? undefined : figure(page.balance)}>
        {page.group ? 'group of ' : ''}
        {CLASS_NAMES[page.accountClass].toLowerCase()}
        {!page.group && `, ${KIND_NAMES[page.kind]}, ${page.currency}; books at ${longDay(page.on)}`}
        {page.keptByCore && '; kept by itself'}
      </InspectorHead>
      {!page.group && <BalanceLine page={page} />}
      {page.hasStatements && (
        <table className={entryTable} aria-label="Seen at the bank and open">
          <colgroup>
            <col />
            <col className="w-[110px]" />
          </colgroup>
          <tbody>
            <tr>
              <td>
                Seen at the bank <span className="text-ink-2">and ticked</span>
              </td>
              <td className="text-right">{figure(page.seen)}</td>
            </tr>
            {!isZero(page.open) && (
              <tr>
                <td>Open</td>
                <td className="text-right">{signed(page.open)}</td>
              </tr>
            )}
          </tbody>
          <tfoot>
            <tr className={sumRow}>
              <td>
                <b>Balance</b>
              </td>
              <td className="text-right">{figure(page.balance)}</td>
            </tr>
            {page.currency !== page.baseCurrency && (
              <tr>
                <td>in the book, {page.baseCurrency}</td>
                <td className="text-right">{figure(page.base)}</td>
              </tr>
            )}
          </tfoot>
        </table>
      )}
      <AccountFacts page={page} />
      <OpeningEntry page={page} />
      {!page.opening && !page.opensOn && page.hasStatements && (
        <p className="text-heartwood mb-3">
          Nobody said what it opened with.{' '}
          <Link className={textLink()} to={`/chart/opening${search}`}>
            Say it
          </Link>
        </p>
      )}
      <AccountRules page={page} />
      <AccountHistory page={page} />
      <Acts>
        {!page.group && (
          <Button tone="go" size="wide" onClick={open}>
            Open the register <kbd>Enter</kbd>
          </Button>
        )}
        <MayChange>
          <Button onClick={() => ask('edit')}>
            Edit <kbd>E</kbd>
          </Button>
          <Button onClick={() => ask('move')}>
            Move <kbd>V</kbd>
          </Button>
          {!page.keptByCore && (
            <>
              <Button onClick={() => ask('merge')}>
                Merge into… <kbd>M</kbd>
              </Button>
              {page.closedOn ? (
                <Button onClick={reopen}>
                  Reopen <kbd>X</kbd>
                </Button>
              ) : (
                <Button onClick={close}>
                  Close <kbd>X</kbd>
                </Button>
              )}
              {page.whyNotDeleted === '' && (
                <Button tone="kill" className="col-span-full" onClick={remove}>
                  Delete, it was never used <kbd>Delete</kbd>
                </Button>
              )}
            </>
          )}
        </MayChange>
      </Acts>
    </>
  )
}
