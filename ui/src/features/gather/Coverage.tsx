import { useQuery } from '@tanstack/react-query'
import { books } from '@/api/queries'
import { MayChange } from '@/app/MayChange'
import { connections } from '@/features/connections/queries'
import { health, progress } from '@/features/connections/types'
import { day, lastDay, moment } from '@/parts/figures'
import { bandRow, ruled, textLink } from '@/parts/look'
import { useDrop } from '@/parts/useDrop'
import { type AccountCoverage, type Gathered, SOURCES } from './types'

const WIDE = 340
const NARROW = 220
const TICKS = [1, 5, 10, 15, 20, 25]

/** Per account: how it comes, which days of the month are here by which batch, and the statement. */
export function Coverage({
  gathered,
  month,
  narrow,
  onFiles,
  onChoose,
}: {
  gathered: Gathered
  month: string
  /** Whether something stands beside the table. */
  narrow: boolean
  onFiles: (files: File[], accountId: string) => void
  onChoose: (accountId: string) => void
}) {
  const { data: allBooks = [] } = useQuery(books)
  const days = Number(lastDay(month).slice(-2))
  const width = narrow ? NARROW : WIDE
  return (
    <table className={ruled()} aria-label="Accounts and what is here of them">
      <colgroup>
        <col />
        <col className="w-[90px] narrow:w-[70px]" />
        <col className={narrow ? 'w-[232px] narrow:w-[200px]' : 'w-[360px] narrow:w-[200px]'} />
        <col className={narrow ? 'w-[104px]' : 'w-[150px] narrow:w-[104px]'} />
        <col className="w-[160px]" />
        <col className="w-[100px]" />
      </colgroup>
      <thead>
        <tr>
          <th>Account</th>
          <th>Comes by</th>
          <th>
            <svg width={width} height="20" className="mt-0.5 overflow-visible fill-ink-2 text-micro" aria-hidden="true">
              {[...TICKS, days].map((d) => (
                <text key={d} x={((d - 0.5) / days) * width} y="14" textAnchor="middle">
                  {d}
                </text>
              ))}
            </svg>
            <span className="sr-only">Days of the month</span>
          </th>
          <th>Statement</th>
          <th>Gathered</th>
          <th>
            <span className="sr-only">Gather a file</span>
          </th>
        </tr>
      </thead>
      {allBooks
        .filter((b) => gathered.accounts.some((a) => a.bookId === b.id))
        .map((b) => (
          <tbody key={b.id}>
            <tr className={bandRow}>
              <td colSpan={6} className="font-serif text-lead">
                {b.name}
              </td>
            </tr>
            {gathered.accounts
              .filter((a) => a.bookId === b.id)
              .map((a) => (
                <AccountRow
                  key={a.accountId}
                  account={a}
                  days={days}
                  width={width}
                  onFiles={(files) => onFiles(files, a.accountId)}
                  onChoose={() => onChoose(a.accountId)}
                />
              ))}
          </tbody>
        ))}
    </table>
  )
}

function AccountRow({
  account,
  days,
  width,
  onFiles,
  onChoose,
}: {
  account: AccountCoverage
  days: number
  width: number
  onFiles: (files: File[]) => void
  onChoose: () => void
}) {
  const drop = useDrop(onFiles)
  const a = account
  return (
    <tr
      className={drop.over ? '[&>td]:bg-dusk-tint [&>td]:shadow-[inset_0_0_0_1px_var(--dusk)]' : undefined}
      {...drop.target}
    >
      <td>
        <b className="font-medium">{a.accountName}</b>{' '}
        {a.tail && <span className="text-ink-3 text-small">..{a.tail}</span>}
      </td>
      <td className="text-ink-2 text-small">
        {a.comesBy.length ? a.comesBy.map((by) => SOURCES[by]).join(', ') : '–'}
      </td>
      <td>
        <Strip account={a} days={days} width={width} />
      </td>
      <td>
        {a.statementOn ? (
          <span className="text-ink-2">
            {a.statementAgreed ? `agreed, ${day(a.statementOn)}` : `here, ${day(a.statementOn)}`}
          </span>
        ) : (
          <span className="text-heartwood font-semibold">to come</span>
        )}
      </td>
      <td className="text-ink-2">
        <LastGathered account={a} />
      </td>
      <td className="text-right">
        <MayChange>
          <button
            type="button"
            className={textLink({ size: 'small' })}
            onClick={onChoose}
            aria-label={`Choose files for ${a.accountName}`}
          >
            choose files
          </button>
        </MayChange>
      </td>
    </tr>
  )
}

/** When the account was gathered last; for one that is connected, how its feed is. */
function LastGathered({ account: a }: { account: AccountCoverage }) {
  const { data: all = [] } = useQuery(connections)
  const connection = all.find((c) => c.accounts.some((f) => f.accountId === a.accountId))
  const feed = connection?.accounts.find((f) => f.accountId === a.accountId)
  const at = a.gatheredAt ? moment(a.gatheredAt) : 'not yet'
  if (!connection || !feed) return <>{at}</>
  const calm = feed.phase === 'DONE' && !connection.needsYou
  return (
    <span title={`${connection.institutionName}: ${health(connection)}`}>
      {calm ? (
        at
      ) : (
        <span className="text-heartwood">{feed.phase === 'DONE' ? health(connection) : progress(feed)}</span>
      )}
      {calm && a.pending > 0 && <span className="text-small">, {a.pending} pending</span>}
    </span>
  )
}

/** The days of the month: a bar for each batch, a dot for each day with lines, hatching where nothing is. */
function Strip({ account, days, width }: { account: AccountCoverage; days: number; width: number }) {
  const x = (d: number) => ((d - 1) / days) * width
  const words =
    account.spans.length === 0
      ? 'nothing is here'
      : account.spans.map((s) => `batch ${s.batchNo}: ${s.firstDay} to ${s.lastDay}`).join(', ')
  return (
    <svg className="fill-ink-2 text-micro" width={width} height="28" role="img" aria-label={words}>
      {account.spans.length === 0 && (
        <rect
          className="fill-none stroke-heartwood [stroke-dasharray:3_3]"
          x="0.5"
          y="6"
          width={width - 1}
          height="11"
          rx="2"
        />
      )}
      {/* The newest batch is drawn last, so that its number is seen. */}
      {account.spans.toReversed().map((s, i, all) => (
        <g key={s.batchNo}>
          <rect
            className={s.source === 'FEED' ? 'fill-needle-tint stroke-needle-2' : 'fill-leaf stroke-ink-3'}
            x={x(s.firstDay) + 0.5}
            y={i === all.length - 1 ? 4.5 : 7.5}
            width={Math.max(x(s.lastDay + 1) - x(s.firstDay) - 1, 4)}
            height="12"
            rx="2"
          />
          {i === all.length - 1 && (
            <text x={x(s.firstDay) + 5} y="14">
              {s.batchNo}
            </text>
          )}
        </g>
      ))}
      {account.lineDays.map((d) => (
        <circle key={d} className="fill-ink-3" cx={x(d) + width / days / 2} cy="23" r="1.4" />
      ))}
    </svg>
  )
}
