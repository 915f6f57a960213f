import { Fragment } from 'react'
import type { Schemas } from '@/api/client'
import { day, figure } from '@/parts/figures'
import { Icon, StateMark } from '@/parts/Icon'

type Row = Schemas['RegisterRowJson']

/** An account's postings with the balance after each, newest first, under its finished statements. */
export function RegisterTable({
  name,
  rows,
  selected,
  select,
  more,
}: {
  name: string
  rows: Row[]
  selected: string | undefined
  select: (postingId: string) => void
  more: (() => void) | undefined
}) {
  return (
    <>
      <table className="tb reg" aria-label={`Register of ${name}`}>
        <colgroup>
          <col className="w-[48px]" />
          <col className="w-[64px]" />
          <col className="w-[56px]" />
          <col />
          <col className="w-[150px]" />
          <col className="w-[84px]" />
          <col className="w-[84px]" />
          <col className="w-[104px]" />
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
    </>
  )
}

/** Going back in time, the first posting of a finished statement stands under its closing balance. */
function beginsStatement(rows: Row[], i: number): boolean {
  const on = rows[i]?.statementOn
  return Boolean(on) && rows[i - 1]?.statementOn !== on
}
