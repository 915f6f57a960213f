import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { useScope } from '@/app/scope'
import { Button } from '@/parts/Button'
import { Dialog } from '@/parts/Dialog'
import { counted, figure, isZero, longDay, longMonth, shortMonth, signed } from '@/parts/figures'
import { entryTable, textLink } from '@/parts/look'
import { Failed } from '@/parts/States'
import { SetGoal } from './SetGoal'

type Profit = Schemas['ProfitGoalJson']
type Balance = Schemas['BalanceGoalJson']
type Progress = Schemas['ProgressJson']

/** What a book is to earn and what is to stand on accounts, each held against the books in words. */
export function Goals({ month }: { month: string }) {
  const { book } = useScope()
  const says = useSays()
  const [setting, setSetting] = useState(false)
  const page = useQuery({
    queryKey: ['goals', month, book],
    queryFn: () => data(api.GET('/api/goals', { params: { query: { month, book } } })),
    placeholderData: keepPreviousData,
  })
  useCommands([{ keys: ['g'], label: 'Set a goal', changes: true, strip: 'set a goal', run: () => setSetting(true) }])

  async function giveUp(send: () => Promise<unknown>, name: string) {
    try {
      await send()
      says.done(`The goal of ${name} is given up.`)
    } catch (error) {
      says.failed(error)
    }
    await booksChanged()
  }
  if (page.error) return <Failed error={page.error} retry={page.refetch} />
  const { profits = [], balances = [], on } = page.data ?? {}
  return (
    <section aria-label="Goals" className="px-(--edge) pt-2 pb-6">
      <div className="flex items-baseline justify-between border-b border-hairline-2 pb-1">
        <h2 className="font-serif text-lead">
          Goals {on && <span className="text-small text-ink-2">on {longDay(on)}</span>}
        </h2>
        <MayChange>
          <Button onClick={() => setSetting(true)}>
            Set a goal <kbd>G</kbd>
          </Button>
        </MayChange>
      </div>
      {profits.length + balances.length === 0 && (
        <p className="pt-1.5 text-ink-2">
          None yet: what a book is to earn in a year, or what is to stand on an account by a day.
        </p>
      )}
      {profits.map((goal) => (
        <ProfitLine
          key={goal.bookId}
          goal={goal}
          onGiveUp={() =>
            void giveUp(
              () => data(api.PUT('/api/goals/profit', { body: { bookId: goal.bookId, month } })),
              goal.bookName,
            )
          }
        />
      ))}
      {balances.map((goal) => (
        <BalanceLine
          key={goal.accountId}
          goal={goal}
          onGiveUp={() =>
            void giveUp(
              () => data(api.PUT('/api/goals/balance', { body: { accountId: goal.accountId } })),
              goal.accountName,
            )
          }
        />
      ))}
      {setting && (
        <Dialog title="Set a goal" open onClose={() => setSetting(false)}>
          <SetGoal month={month} onClose={() => setSetting(false)} />
        </Dialog>
      )}
    </section>
  )
}

function ProfitLine({ goal, onGiveUp }: { goal: Profit; onGiveUp: () => void }) {
  return (
    <div className="pt-3">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <b className="font-medium">{goal.bookName}</b>
        <span className="text-ink-2">
          is to earn {figure(goal.amount)} {goal.currency} from {longMonth(goal.yearFirst)} to{' '}
          {longMonth(goal.yearLast)}
        </span>
        <span className="ml-auto">
          <InWords progress={goal.progress} />
        </span>
        <GiveUp name={goal.bookName} onGiveUp={onGiveUp} />
      </p>
      <div className="overflow-x-auto">
        <table className={`${entryTable} w-full text-small cells:px-1`} aria-label={`The goal of ${goal.bookName}`}>
          <thead>
            <tr>
              <td />
              {goal.months.map(({ month }) => (
                <th key={month} scope="col" className="text-right font-normal">
                  {shortMonth(month)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <tr>
              <th scope="row" className="text-left font-normal">
                Reached
              </th>
              {goal.months.map(({ month, reached }) => (
                <td key={month} className="text-right">
                  {reached === undefined ? <span className="text-ink-3">–</span> : figure(reached)}
                </td>
              ))}
            </tr>
            <tr>
              <th scope="row" className="text-left font-normal">
                Against it
              </th>
              {goal.months.map(({ month, against }) => (
                <td key={month} className="text-right text-ink-2">
                  {against === undefined ? <span className="text-ink-3">–</span> : signed(against)}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </div>
    </div>
  )
}

function BalanceLine({ goal, onGiveUp }: { goal: Balance; onGiveUp: () => void }) {
  return (
    <p className="flex flex-wrap items-baseline gap-x-3 border-b border-hairline py-2 last:border-0">
      <b className="font-medium">{goal.accountName}</b>
      <span className="text-ink-2">
        {figure(goal.progress.stands)} of {figure(goal.amount)} {goal.currency} by {longDay(goal.by)}
      </span>
      <span className="ml-auto">
        <InWords progress={goal.progress} />
      </span>
      <GiveUp name={goal.accountName} onGiveUp={onGiveUp} />
    </p>
  )
}

function GiveUp({ name, onGiveUp }: { name: string; onGiveUp: () => void }) {
  return (
    <MayChange>
      <button type="button" className={textLink({ tone: 'kill', size: 'small' })} onClick={onGiveUp}>
        Give up<span className="sr-only"> the goal of {name}</span>
      </button>
    </MayChange>
  )
}

/** On course or not, and what it takes. */
function InWords({ progress }: { progress: Progress }) {
  const { reached, ahead, toGo, monthsLeft, perMonth } = progress
  if (reached) return <b className="font-medium text-needle">Reached</b>
  const behind = ahead.startsWith('-')
  return (
    <>
      <b className={`font-medium ${behind ? 'text-heartwood' : 'text-needle'}`}>{behind ? 'Behind' : 'On course'}</b>
      {!isZero(ahead) && `: ${figure(ahead.replace('-', ''))} ${behind ? 'behind' : 'ahead'}`}, {figure(toGo)} to go
      {monthsLeft === 1 && ', in one month'}
      {monthsLeft > 1 && `, ${figure(perMonth)} in each of ${counted(monthsLeft, 'month')}`}
    </>
  )
}
