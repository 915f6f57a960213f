import type { Schemas } from '@/api/client'
import { counted, day, figure, isZero, longDay } from '@/parts/figures'
import { Ring } from '@/parts/Ring'
import { WhereItParts } from './WhereItParts'

type Sheet = Schemas['SheetJson']
type Figures = Schemas['FiguresJson']

/** The proof: statement over ticked, and what is apart in opening, in, out and closing. */
export function Proof({ sheet }: { sheet: Sheet }) {
  const { proof } = sheet
  const ticked = sheet.postings.filter((p) => p.ticked).length
  const all = sheet.postings.length + sheet.unposted.length
  const own = proof.statementLines
  return (
    <section
      className="grid grid-cols-[minmax(0,1fr)_var(--insp)] border-b border-hairline-2 bg-leaf"
      aria-label="The proof"
    >
      <div className="min-w-0 px-(--edge) pt-[11px] pb-[9px]">
        <div className="flex h-7 items-center gap-3.5 whitespace-nowrap">
          <h1>
            {sheet.accountName}{' '}
            <span className="text-ink-2">
              {sheet.tail && `..${sheet.tail}, `}
              {sheet.currency}
            </span>
          </h1>
          <span className="text-ink-2 max-[1180px]:hidden">
            {sheet.cash ? 'count' : 'statement'} of {longDay(sheet.closesOn)}
            {!sheet.cash && `, ${own === undefined ? 'figures only' : counted(own, 'line')}`}
          </span>
          <span className="ml-auto flex items-center gap-2">
            <Ring state={sheet.finished ? 'AGREED' : 'IN_PROGRESS'} share={sheet.agreedShare} label={null} />
            <span className={sheet.finished ? 'text-needle' : 'text-heartwood'}>
              {sheet.finished ? 'agreed to zero' : ticksOf(sheet, ticked, all)}
            </span>
          </span>
        </div>
        <table className="mt-1 w-full table-fixed" aria-label="Statement, ticked and what is apart">
          <colgroup>
            <col className="w-[150px]" />
            <col />
            <col />
            <col />
            <col />
          </colgroup>
          <thead>
            <tr className="h-5 text-small text-ink-2 [&>th]:p-0 [&>th]:text-right [&>th]:font-normal">
              <td />
              <th>{sheet.opensAfter ? `Opening, ${day(sheet.opensAfter)}` : 'Opening balance'}</th>
              <th>In</th>
              <th>Out</th>
              <th>Closing, {day(sheet.closesOn)}</th>
            </tr>
          </thead>
          <tbody>
            <Row name={sheet.cash ? 'Counted' : 'Statement'} figures={proof.statement}>
              {sourceOf(sheet)}
            </Row>
            <Row name="Ticked" figures={proof.ticked}>
              {counted(ticked, 'posting')}
            </Row>
            {proof.open.count > 0 && (
              <tr className="h-5 text-ink-2">
                <th className="whitespace-nowrap p-0 text-left font-normal">
                  Still open {counted(proof.open.count, 'posting')}
                </th>
                <td />
                <td className="p-0 text-right">{figure(proof.open.in)}</td>
                <td className="p-0 text-right">{figure(proof.open.out)}</td>
                <td />
              </tr>
            )}
          </tbody>
          <tfoot>
            <tr className="h-8 [&>*]:border-ink-2 [&>*]:border-t">
              <th className="p-0 text-left font-semibold">Apart</th>
              <Part amount={proof.apart.opening} />
              <Part amount={proof.apart.in} />
              <Part amount={proof.apart.out} />
              <td
                className={`border-ink-2 border-b-3 [border-bottom-style:double] p-0 text-right font-medium font-serif text-[26px]/[30px] ${isZero(proof.apart.closing) ? 'text-needle' : 'text-aril'}`}
                aria-live="polite"
              >
                {figure(proof.apart.closing)}
              </td>
            </tr>
          </tfoot>
        </table>
      </div>
      <div className="min-w-0 border-hairline border-l px-(--edge) pt-[11px] pb-[9px]">
        {sheet.cash ? <Counted sheet={sheet} /> : <WhereItParts sheet={sheet} />}
      </div>
    </section>
  )
}

function ticksOf({ cash }: Sheet, ticked: number, all: number): string {
  if (all === 0) return 'nothing to tick'
  return `${ticked} of ${all} ${cash ? 'postings' : 'lines'} ticked`
}

/** The pieces of a count. */
function Counted({ sheet }: { sheet: Sheet }) {
  return (
    <section aria-label="What was counted">
      <h2 className="text-base font-semibold">
        What was counted <span className="font-normal text-ink-2">pieces of each</span>
      </h2>
      {sheet.counted.length === 0 && <p className="text-small text-ink-2">Only the sum was said.</p>}
      <ul className="mt-1 grid grid-cols-3 gap-x-4 text-small">
        {sheet.counted.map((one) => (
          <li key={one.of} className="flex justify-between">
            <span className="text-ink-2">{figure(one.of)} ×</span> {one.count}
          </li>
        ))}
      </ul>
    </section>
  )
}

/** Where the upper figures come from. */
function sourceOf({ cash, counted: pieces, fromFile, proof }: Sheet): string {
  if (cash) {
    const count = pieces.reduce((sum, one) => sum + one.count, 0)
    return count > 0 ? counted(count, 'piece') : 'as a sum'
  }
  if (proof.statementLines !== undefined) return counted(proof.statementLines, 'line')
  return fromFile ? 'from its file' : 'from paper'
}

function Row({ name, figures, children }: { name: string; figures: Figures; children: string }) {
  const cell = 'p-0 text-right font-serif text-[18px]/[25px]'
  return (
    <tr className="h-[25px]">
      <th className="whitespace-nowrap p-0 text-left font-normal">
        {name} <span className="text-ink-2">{children}</span>
      </th>
      <Said amount={figures.opening} className={cell} />
      <Said amount={figures.in} className={cell} />
      <Said amount={figures.out} className={cell} />
      <td className={cell}>{figure(figures.closing)}</td>
    </tr>
  )
}

function Said({ amount, className }: { amount: string | undefined; className: string }) {
  return (
    <td className={className}>
      {amount === undefined ? (
        <span className="text-ink-3">
          –<span className="sr-only">not said</span>
        </span>
      ) : (
        figure(amount)
      )}
    </td>
  )
}

/** What is apart in one figure, as it moves the balance; a mark where nothing is. */
function Part({ amount }: { amount: string | undefined }) {
  const cell = 'p-0 text-right font-serif text-[18px]/[30px]'
  if (amount === undefined)
    return (
      <td className={cell}>
        <span className="sr-only">not known</span>
      </td>
    )
  if (isZero(amount))
    return (
      <td className={`${cell} text-needle`}>
        <span aria-hidden="true">=</span>
        <span className="sr-only">the same</span>
      </td>
    )
  return <td className={`${cell} text-aril`}>{figure(amount)}</td>
}
