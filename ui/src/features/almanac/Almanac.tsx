import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import type { Schemas } from '@/api/client'
import { almanac } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { useAddress, useScope, useScopeSearch } from '@/app/scope'
import { counted, day, lastDay, longDay, moment, monthName } from '@/parts/figures'
import { button, textLink } from '@/parts/look'
import { Ring } from '@/parts/Ring'
import { Scroll } from '@/parts/Scroll'
import { Select } from '@/parts/Select'
import { Failed, Loading } from '@/parts/States'
import { View } from '@/parts/View'
import { AlmanacReports } from '../report/AlmanacReports'
import { AccountMonths } from './AccountMonths'
import { NextList, useNextSteps } from './NextList'

type Page = Schemas['AlmanacPageJson']

/** The home view: what agrees, what is left, what is next. */
export function Almanac() {
  const { book, chosen } = useScope()
  const { params } = useAddress()
  const page = useQuery({ ...almanac(chosen, book, spanOf(params)), placeholderData: keepPreviousData })
  if (page.error && !page.data) return <Failed error={page.error} retry={page.refetch} />
  if (!page.data) return <Loading what="the Almanac" />
  return <AlmanacPage page={page.data} />
}

function AlmanacPage({ page }: { page: Page }) {
  return page.booksOpen ? <Overview page={page} /> : <NotSetUp page={page} />
}

/** A household whose books are not open yet: what is missing, and the way there. */
function NotSetUp({ page }: { page: Page }) {
  const navigate = useNavigate()
  useCommands([{ keys: ['1'], label: 'Go on setting up', strip: 'go on setting up', run: () => navigate('/setup') }])
  return (
    <View>
      <Scroll label="What is missing" className="px-(--edge)">
        <div className="flex items-baseline justify-between gap-6 pt-[18px] pb-2.5 narrow:flex-col narrow:gap-0.5 [&>h1]:text-[23px]/[30px] [&>p]:whitespace-nowrap">
          <h1>The books are not open yet</h1>
          <p className="text-ink-2">
            Once they are, this page shows every account month by month, and what is left to do.
          </p>
        </div>
        <section className="max-w-[640px] [&_li]:border-b [&_li]:border-hairline [&_li]:py-1.5">
          <h2 className="border-b border-hairline-2 leading-7">Still missing</h2>
          <ul>
            {page.missing.map((m) => (
              <li key={m}>{m}</li>
            ))}
            {page.missing.length === 0 && <li>Nothing: the books can be opened.</li>}
          </ul>
          <Link className={button({ tone: 'go', className: 'mt-4' })} to="/setup">
            Go on setting up <kbd>1</kbd>
          </Link>
        </section>
      </Scroll>
    </View>
  )
}

function Overview({ page }: { page: Page }) {
  const steps = useNextSteps(page)
  return (
    <View>
      <Scroll label="Months" className="px-(--edge)">
        <div className="flex items-baseline justify-between gap-6 pt-[18px] pb-2.5 narrow:flex-col narrow:gap-0.5 [&>h1]:text-[23px]/[30px] [&>p]:whitespace-nowrap">
          <h1>{headline(page)}</h1>
          <p className="flex items-baseline gap-3 text-ink-2">
            {longDay(page.today)}. {page.lastGathered && `Last gathered ${moment(page.lastGathered)}.`}
            <SpanPick />
          </p>
        </div>
        <Months page={page} />
        <div className="grid grid-cols-[minmax(0,1fr)_372px] gap-14 pt-[22px] pb-4 narrow:grid-cols-[minmax(0,1fr)] narrow:gap-[18px]">
          <NextList steps={steps} />
          <Legend />
        </div>
        <AlmanacReports />
        {page.unwritten.length > 0 && (
          <p className="pb-2 text-heartwood text-small">
            {page.unwritten.join(', ')} could not be written.{' '}
            <Link className={textLink({ size: 'small' })} to="/exports">
              Exports says why
            </Link>
          </p>
        )}
        {page.backup && <BackupTold backup={page.backup} />}
      </Scroll>
    </View>
  )
}

/** When everything was written into a file last; plain as long as it is done each day. */
function BackupTold({ backup: { lastGood, failing } }: { backup: NonNullable<Page['backup']> }) {
  const last = lastGood ? `the last good backup is of ${moment(lastGood)}` : 'there is no backup yet'
  return (
    <p className={`pb-4 text-small ${failing ? 'text-heartwood' : 'text-ink-2'}`}>
      {failing ? `No backup was made of late: ${last}. Whoever keeps the server finds the reason in its log.` : null}
      {!failing && (lastGood ? `Last backup ${moment(lastGood)}.` : 'The first backup is made within a day.')}
    </p>
  )
}

const SPANS = [12, 24, 36]

/** How many months stand beside each other, as the address says; a dozen if it does not. */
function spanOf(params: URLSearchParams): number | undefined {
  const asked = Number(params.get('span'))
  return SPANS.includes(asked) && asked !== SPANS[0] ? asked : undefined
}

function SpanPick() {
  const { params, set } = useAddress()
  const now = spanOf(params) ?? SPANS[0]
  const pick = (months: number | undefined) => set({ span: !months || months === SPANS[0] ? '' : String(months) })
  useCommands([
    {
      keys: ['w'],
      label: 'Show more months, or a dozen again',
      strip: 'more months',
      run: () => pick(SPANS[(SPANS.indexOf(now ?? 0) + 1) % SPANS.length]),
    },
  ])
  return (
    <Select
      aria-label="Months shown"
      value={String(now)}
      options={SPANS.map((months) => ({ value: String(months), name: `${months} months` }))}
      onChange={(months) => pick(Number(months))}
    />
  )
}

function headline(page: Page): string {
  const toCome = page.next.find((n) => n.task === 'STATEMENTS_TO_COME')?.count ?? 0
  const parts = [
    page.stations.post ? `${counted(page.stations.post, 'line')} to post` : '',
    toCome ? `${counted(toCome, 'statement')} still to come` : '',
  ].filter(Boolean)
  const agree = `${monthName(page.month)}: ${page.agreed} of ${counted(page.open, 'account')} ${page.agreed === 1 ? 'agrees' : 'agree'}.`
  return parts.length ? `${agree} ${parts.join(', ')}.` : agree
}

/** Walks the account-months by the arrow keys. */
function Months({ page }: { page: Page }) {
  const { set } = useScope()
  const search = useScopeSearch()
  const navigate = useNavigate()
  const rows = page.books.flatMap((b) => b.accounts)
  const [at, setAt] = useState({ row: 0, month: page.months.indexOf(page.month) })
  const account = rows[Math.min(at.row, rows.length - 1)]
  const month = page.months[at.month] ?? page.month
  const cell = account?.months.find((c) => c.month === month)

  function open() {
    if (cell?.statementId) navigate(`/reconcile/${cell.statementId}${search}`)
    else if (account) navigate(`/accounts/${account.accountId}${search}`)
  }
  const step = (row: number, column: number) => () =>
    setAt((old) => ({
      row: Math.min(Math.max(old.row + row, 0), rows.length - 1),
      month: Math.min(Math.max(old.month + column, 0), page.months.length - 1),
    }))
  useCommands([
    { keys: ['ArrowUp'], label: 'Account above', strip: 'account', run: step(-1, 0) },
    { keys: ['ArrowDown'], label: 'Account below', strip: 'account', run: step(1, 0) },
    { keys: ['ArrowLeft'], label: 'Month before', strip: 'month', run: step(0, -1) },
    { keys: ['ArrowRight'], label: 'Month after', strip: 'month', run: step(0, 1) },
    { keys: ['Enter'], label: 'Open the account-month', strip: 'open account-month', run: open },
    {
      keys: ['m'],
      label: 'Look at the month of the cell',
      strip: 'look at this month',
      run: () => set('month', month),
    },
  ])
  return (
    <AccountMonths
      page={page}
      focus={{ account: account?.accountId, month }}
      balancesOn={`${day(lastDay(page.month)).split(' ')[0]} ${monthName(page.month)}`}
    />
  )
}

const LEGEND = [
  { state: 'NO_STATEMENT', share: 0, name: 'No statement yet', means: 'nothing to agree with' },
  { state: 'IN_PROGRESS', share: 62, name: 'In progress', means: 'arc: share of lines agreed' },
  { state: 'AGREED', share: 100, name: 'Agreed to zero', means: 'bank and books say the same' },
  { state: 'CLOSED', share: 100, name: 'Closed', means: 'entries are locked' },
  { state: 'NOT_OPEN', share: 0, name: 'Not open', means: 'before the account’s first day' },
] as const

function Legend() {
  return (
    <section>
      <h2 className="border-b border-hairline-2 pb-[3px] text-lead/[22px]">Reading the rings</h2>
      <dl>
        {LEGEND.map((l) => (
          <div
            key={l.name}
            className="grid h-[31px] grid-cols-[34px_130px_1fr] items-center border-b border-hairline last:border-0"
          >
            <Ring state={l.state} share={l.share} label={null} />
            <dt>{l.name}</dt>
            <dd className="text-[12.5px] text-ink-2">{l.means}</dd>
          </div>
        ))}
      </dl>
    </section>
  )
}
