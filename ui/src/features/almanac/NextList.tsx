import { useNavigate } from 'react-router'
import type { Schemas } from '@/api/client'
import { useCommands } from '@/app/commands'
import { useScopeSearch } from '@/app/scope'
import { Apart } from '@/parts/Amount'
import { counted, figure, longMonth, monthName, yearOf } from '@/parts/figures'

type Next = Schemas['NextJson']

interface Step {
  station: string
  text: string
  figure: React.ReactNode
  open: () => void
}

function listed(names: string[]): string {
  return names.length < 3 ? names.join(' and ') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`
}

/** The work that is next, each step with its key. */
export function useNextSteps(page: Schemas['AlmanacPageJson']): Step[] {
  const navigate = useNavigate()
  const search = useScopeSearch()
  const steps = page.next.slice(0, 9).map(
    (next): Step =>
      step(next, page.month, (path, also = {}) => {
        const params = new URLSearchParams({ ...Object.fromEntries(new URLSearchParams(search)), ...also }).toString()
        navigate(params ? `${path}?${params}` : path)
      }),
  )
  useCommands(
    steps.map((s, i) => ({
      keys: [String(i + 1)],
      label: `Next: ${s.text}`,
      strip: 'next task',
      run: s.open,
    })),
  )
  return steps
}

function step(next: Next, month: string, go: (path: string, also?: Record<string, string>) => void): Step {
  switch (next.task) {
    case 'OPENING_BALANCE':
      return {
        station: 'Chart',
        text: `Say what ${listed(next.accounts)} opened with`,
        figure: counted(next.count, 'account'),
        open: () => go('/chart/opening'),
      }
    case 'STATEMENTS_TO_COME':
      return {
        station: 'Gather',
        text: `Gather the ${monthName(month)} ${next.count === 1 ? 'statement' : 'statements'} of ${listed(next.accounts)}`,
        figure: counted(next.count, 'statement'),
        open: () => go('/gather'),
      }
    case 'COUNT':
      return {
        station: 'Reconcile',
        text: `Count ${listed(next.accounts)} as of the end of ${monthName(month)}`,
        figure: counted(next.count, 'count'),
        open: () => go('/reconcile'),
      }
    case 'RENEW_CONSENT':
      return {
        station: 'Gather',
        text:
          next.count < 0
            ? `Give ${listed(next.accounts)} your consent again; it has ended`
            : `Renew the consent at ${listed(next.accounts)}`,
        figure: next.count < 0 ? 'ended' : counted(next.count, 'day'),
        open: () => go('/gather/connections'),
      }
    case 'DOUBTS':
      return {
        station: 'Gather',
        text: `Decide whether lines of ${listed(next.accounts)} are there twice`,
        figure: counted(next.count, 'line'),
        open: () => go('/gather'),
      }
    case 'TRUSTED_POSTED':
      return {
        station: 'Post',
        text: `Look at what trusted rules have posted`,
        figure: counted(next.count, 'line'),
        open: () => go('/post', { trusted: '' }),
      }
    case 'POST_PROPOSED':
      return {
        station: 'Post',
        text: `Check and post what is proposed for ${listed(next.accounts)}`,
        figure: counted(next.count, 'line'),
        open: () => go('/post'),
      }
    case 'ANSWER':
      return {
        station: 'Post',
        text: `Answer the open questions of ${listed(next.accounts)}`,
        figure: counted(next.count, 'line'),
        open: () => go('/post'),
      }
    case 'OVERDUE':
      return {
        station: 'Plan',
        text: `See what was due and has not come${next.accounts.length < 3 ? `: ${listed(next.accounts)}` : ''}`,
        figure: `${next.count} overdue`,
        open: () => go('/plan/ahead'),
      }
    case 'PLACE':
      return {
        station: 'Journal',
        text: `Place what stands in ${listed(next.accounts)}`,
        figure: next.difference && figure(next.difference),
        open: () => go(`/accounts/${next.accountId}`),
      }
    case 'RECONCILE':
      return {
        station: 'Reconcile',
        text: `Reconcile ${listed(next.accounts)}`,
        figure: next.difference && <Apart amount={next.difference} />,
        open: () => go(`/reconcile/${next.statementId}`),
      }
    case 'CLOSE':
      return {
        station: 'Close',
        text: `Close ${nameOf(next.month ?? month, month)} for ${listed(next.accounts)}; all its accounts agree`,
        figure: counted(next.count, 'account'),
        open: () => go('/close', { month: next.month ?? month, book: next.bookId ?? '' }),
      }
  }
}

/** A month by its name, with its year where it is another than the one looked at. */
const nameOf = (month: string, seen: string) => (yearOf(month) === yearOf(seen) ? monthName(month) : longMonth(month))

export function NextList({ steps }: { steps: Step[] }) {
  return (
    <section>
      <h2 className="border-b border-hairline-2 pb-[3px] text-lead/[22px]">Next</h2>
      {steps.length === 0 && <p className="text-ink-2 pt-2">Nothing is left to do. This month agrees.</p>}
      <ol>
        {steps.map((s, i) => (
          <li key={s.text} className="border-b border-hairline last:border-0">
            <button
              type="button"
              className="group grid min-h-[29px] w-full grid-cols-[30px_88px_minmax(0,1fr)_auto] items-center border-0 bg-transparent px-0 py-[3px]"
              onClick={s.open}
            >
              <kbd className="justify-self-start">{i + 1}</kbd>
              <span className="text-ink-2">{s.station}</span>
              <span className="underline-offset-[2.5px] group-hover:underline">{s.text}</span>
              <span className="pl-4 text-right whitespace-nowrap">{s.figure}</span>
            </button>
          </li>
        ))}
      </ol>
    </section>
  )
}
