import type { ReactNode } from 'react'
import { Link } from 'react-router'
import type { Schemas } from '@/api/client'
import { figure, isZero, lastDay, plainNumber, signed } from '@/parts/figures'
import { entryTable, sumRow } from '@/parts/look'
import { type Column, keyOf, nameOf } from './columns'
import { isOfFlows, type ReportTableOf } from './reportAsked'
import { Trend } from './Trend'

type Row = Schemas['ReportRowJson']

/** What names need, in px, beside many columns. */
const NAMES = 128

/** A report of one book: accounts by spans, each figure leading to its postings. */
export function ReportTable({ kind, table }: { kind: string; table: ReportTableOf }) {
  const flows = isOfFlows(kind)
  const totals = table.rows.some((row) => row.total !== undefined)
  const changes = table.rows.some((row) => row.change !== undefined)
  const many = table.columns.length > 6
  const trend = flows && table.columns.length > 2
  return (
    <Sideways label={many ? `${table.bookName}, column by column` : undefined}>
      <table
        className={`${entryTable} ${many ? 'text-small cells:px-1 starts:sticky starts:left-0 starts:bg-leaf' : ''} ${table.columns.length < 4 ? 'max-w-[860px]' : ''} w-full`}
        style={many ? { minWidth: NAMES + table.columns.length * 72 + (flows ? 208 : 0) } : undefined}
        aria-label={table.bookName}
      >
        <colgroup>
          <col />
          {table.columns.map((column) => (
            <col key={keyOf(column)} className={many ? 'w-[72px]' : 'w-[120px]'} />
          ))}
          {totals && <col className={many ? 'w-[84px]' : 'w-[120px]'} />}
          {changes && <col className="w-[110px]" />}
          {flows && !changes && <col className="w-[54px]" />}
          {trend && <col className="w-[70px]" />}
        </colgroup>
        <thead>
          <tr>
            <th scope="col" className="text-left font-serif text-lead text-ink">
              {table.bookName} <span className="font-sans text-small text-ink-2">{table.currency}</span>
            </th>
            {table.columns.map((column) => (
              <th key={keyOf(column)} scope="col" className="text-right font-normal">
                {nameOf(column, flows, many)}
              </th>
            ))}
            {totals && (
              <th scope="col" className="text-right font-normal">
                Together
              </th>
            )}
            {changes && (
              <th scope="col" className="text-right font-normal">
                Change
              </th>
            )}
            {flows && !changes && (
              <th scope="col" className="text-right font-normal">
                Share
              </th>
            )}
            {trend && (
              <th scope="col" className="text-right font-normal">
                Trend
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {table.rows.map((row) => (
            <ReportRow
              key={`${row.look} ${row.accountId ?? row.name}`}
              row={row}
              columns={table.columns}
              show={{ flows, totals, changes, trend }}
            />
          ))}
        </tbody>
        {table.balances === false && (
          <caption className="caption-bottom text-left text-aril">Both sides differ. The audit tells why.</caption>
        )}
      </table>
    </Sideways>
  )
}

/** Many columns are moved along in a narrow window, with the names in sight. */
function Sideways({ label, children }: { label: string | undefined; children: ReactNode }) {
  if (!label) return <div className="overflow-x-auto">{children}</div>
  return (
    // biome-ignore lint/a11y/useSemanticElements: no set of fields
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling box has to be reachable by keyboard
    <div role="group" aria-label={label} tabIndex={0} className="overflow-x-auto">
      {children}
    </div>
  )
}

function ReportRow({
  row,
  columns,
  show,
}: {
  row: Row
  columns: Column[]
  show: { flows: boolean; totals: boolean; changes: boolean; trend: boolean }
}) {
  const width =
    1 + columns.length + [show.totals, show.changes, show.flows && !show.changes, show.trend].filter(Boolean).length
  if (row.look === 'GROUP')
    return (
      <tr>
        <th scope="rowgroup" colSpan={width} className="pt-3 text-left font-semibold">
          {row.name}
        </th>
      </tr>
    )
  const sum = row.look === 'SUM' || row.look === 'TOTAL'
  return (
    <tr
      className={
        row.look === 'TOTAL' ? sumRow : sum ? '[&>td]:border-t [&>td]:border-t-ink-2 [&>td]:font-semibold' : ''
      }
    >
      <td className={sum ? '' : 'pl-3.5'}>
        {behind(row, columns, show.flows) ? (
          <Link className="hover:underline" to={behind(row, columns, show.flows) ?? ''}>
            {row.name}
          </Link>
        ) : (
          row.name
        )}{' '}
        {row.groupName && columns.length < 7 && <span className="text-small text-ink-3">{row.groupName}</span>}
      </td>
      {row.amounts.map((amount, i) => (
        <td key={columns[i] && keyOf(columns[i])} className="text-right">
          {!isZero(amount) && columns[i]?.besides !== 'PLANNED' && behind(row, columns.slice(i, i + 1), show.flows) ? (
            <Link className="hover:underline" to={behind(row, columns.slice(i, i + 1), show.flows) ?? ''}>
              {figure(amount)}
            </Link>
          ) : (
            <Figure amount={amount} quiet={!sum} />
          )}
        </td>
      ))}
      {show.totals && <td className="text-right">{row.total && <Figure amount={row.total} quiet={!sum} />}</td>}
      {show.changes && <td className="text-right text-ink-2">{row.change && <Change amount={row.change} />}</td>}
      {show.flows && !show.changes && (
        <td className="text-right text-ink-2">
          {row.share !== undefined && `${plainNumber((row.share / 10).toFixed(1))} %`}
        </td>
      )}
      {show.trend && <td className="text-right">{row.look === 'ACCOUNT' && <Trend amounts={row.amounts} />}</td>}
    </tr>
  )
}

function Figure({ amount, quiet }: { amount: string; quiet: boolean }) {
  return quiet && isZero(amount) ? <span className="text-ink-3">–</span> : figure(amount)
}

const Change = ({ amount }: { amount: string }) =>
  isZero(amount) ? <span className="text-ink-3">–</span> : signed(amount)

/** What is behind a figure within the span, or up to its end: postings of its account, or entries of the journal. */
function behind({ accountId, query }: Row, columns: Column[], flows: boolean): string | undefined {
  const firsts = columns.map((column) => column.first).sort()
  const last =
    columns
      .map((column) => column.last)
      .sort()
      .at(-1) ?? ''
  const days = `date:${flows ? `${firsts[0]}-01` : ''}..${lastDay(last)}`
  if (accountId) return `/accounts/${accountId}?${new URLSearchParams({ month: last, text: days })}`
  if (query) return `/journal?${new URLSearchParams({ every: '1', text: `${query} ${days}` })}`
  return undefined
}
