import { useState } from 'react'
import { api, data } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { Button } from '@/parts/Button'
import { counted, day, figure, isZero, signed, writtenDay } from '@/parts/figures'
import { textLink } from '@/parts/look'
import { Select } from '@/parts/Select'
import { useSaidAct } from '@/parts/useSaidAct'
import type { LenderYear, Loan } from './loan'

/** The lender's year beside the same year in the books, equal to the cent or told where they part. */
export function LenderYears({ loan, onTell }: { loan: Loan; onTell: () => void }) {
  const [through, setThrough] = useState<string>()
  const years = loan.lenderYears
  const year = years.find((one) => one.through === through) ?? years.at(-1)
  const act = useSaidAct()
  if (!year) {
    return (
      <MayChange>
        <p className="flex-none px-(--edge) pb-3 text-small text-ink-2">
          <button type="button" className={textLink({ size: 'small' })} onClick={onTell}>
            What does the lender say of a year?
          </button>{' '}
          Its figures are held against the books to the cent.
        </p>
      </MayChange>
    )
  }
  return (
    <section className="flex-none px-(--edge) pb-3" aria-label="The lender’s year">
      <table className="w-full starts:pl-0 ends:pr-0 cells:h-[26px] heads:h-[24px] heads:text-small heads:text-ink-2 [&_td]:text-right [&_th]:text-right [&_th]:whitespace-normal [&_td:first-child]:text-left [&_th:first-child]:text-left">
        <colgroup>
          <col className="w-[27%] narrow:w-[19%]" />
        </colgroup>
        <thead>
          <tr>
            <th scope="col">
              {years.length > 1 ? (
                <Select
                  aria-label="Year"
                  value={year.through}
                  options={years.map((one) => ({ value: one.through, name: `Year to ${writtenDay(one.through)}` }))}
                  onChange={setThrough}
                />
              ) : (
                `Year to ${writtenDay(year.through)}`
              )}
            </th>
            <th scope="col">Owed, {writtenDay(year.after)}</th>
            <th scope="col">Paid</th>
            <th scope="col">Interest</th>
            <th scope="col">Repaid</th>
            <th scope="col">Owed, {writtenDay(year.through)}</th>
          </tr>
        </thead>
        <tbody>
          <Figures of={year.lender}>
            Lender says <span className="text-small text-ink-2">{year.note}</span>
          </Figures>
          <Figures of={year.books}>
            Books say <span className="text-small text-ink-2">{counted(year.entries, 'entry', 'entries')}</span>
          </Figures>
          <tr className="border-t border-ink-2 font-semibold">
            <td>Apart</td>
            <Apart amount={year.apart.owedBefore} />
            <Apart amount={year.apart.paid} />
            <Apart amount={year.apart.interest} />
            <Apart amount={year.apart.repaid} />
            <Apart amount={year.apart.owedAfter} />
          </tr>
        </tbody>
      </table>
      <div className="flex flex-wrap items-baseline gap-x-3 text-small">
        <Parting year={year} />
        <MayChange>
          <Button size="small" className="ml-auto" onClick={onTell}>
            Another year <kbd>Y</kbd>
          </Button>
          <Button
            size="small"
            onClick={() =>
              act(
                () =>
                  data(
                    api.DELETE('/api/loans/{id}/years', {
                      params: { path: { id: loan.id }, query: { through: year.through } },
                    }),
                  ),
                'The lender’s year is taken out.',
              )
            }
          >
            Take it out
          </Button>
        </MayChange>
      </div>
    </section>
  )
}

function Figures({ of, children }: { of: LenderYear['lender']; children: React.ReactNode }) {
  return (
    <tr className="font-serif text-lead narrow:text-base [&>td:first-child]:font-sans [&>td:first-child]:text-base">
      <td>{children}</td>
      <td>{figure(of.owedBefore)}</td>
      <td>{figure(of.paid)}</td>
      <td>{figure(of.interest)}</td>
      <td>{figure(of.repaid)}</td>
      <td>{figure(of.owedAfter)}</td>
    </tr>
  )
}

function Apart({ amount }: { amount: string }) {
  const none = isZero(amount)
  return <td className={none ? 'text-needle' : 'text-aril'}>{none ? <span title="equal">=</span> : signed(amount)}</td>
}

/** Where the two part, as far as the terms can tell. */
function Parting({ year }: { year: LenderYear }) {
  if (year.agrees) return <p className="text-needle">The books agree with the lender to the cent.</p>
  if (year.parting.length === 0) {
    return (
      <p className="text-heartwood">
        Each payment of the year has the interest of the terms. Look for a rate or a day that the lender counts
        otherwise.
      </p>
    )
  }
  const first = year.parting.slice(0, 3).map((row) => {
    const of = row.entryNo === undefined ? `the payment of ${day(row.day)}` : `no. ${row.entryNo} of ${day(row.day)}`
    return row.entryNo === undefined
      ? `${of} is not in the books`
      : `${of} has ${signed(row.interestApart)} interest beside the terms`
  })
  return (
    <p className="text-heartwood">
      They may part here: {first.join('; ')}
      {year.parting.length > 3 && `; and ${year.parting.length - 3} more`}.
    </p>
  )
}
