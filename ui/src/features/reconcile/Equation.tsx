import type { Schemas } from '@/api/client'
import { day, figure, isZero, longDay } from '@/parts/figures'
import { Ring } from '@/parts/Ring'

/** The reconciliation as one sum: opening + in − out = ticked, beside what the statement says. */
export function Equation({ sheet }: { sheet: Schemas['SheetJson'] }) {
  const ticked = sheet.postings.filter((p) => p.ticked).length
  const agrees = isZero(sheet.difference)
  const all = sheet.postings.length + sheet.unposted.length
  return (
    <section className="rtop" aria-label="Reconciliation sum">
      <div className="rtl">
        <div className="rt">
          <h1 className="title">
            {sheet.accountName}{' '}
            <span className="q">
              {sheet.tail && `..${sheet.tail}, `}
              {sheet.currency}
            </span>
          </h1>
          <span className="q">
            statement of {longDay(sheet.closesOn)}, {sheet.fromFile ? 'from its file' : 'from paper'}
          </span>
        </div>
        <div className="eqn">
          <Term
            name={sheet.opensAfter ? `Opening, ${day(sheet.opensAfter)}` : 'Opening balance'}
            amount={sheet.opening}
          />
          <i>+</i>
          <Term name="In" amount={sheet.in} />
          <i>−</i>
          <Term name="Out" amount={sheet.out} />
          <i>=</i>
          <Term name={`Ticked, ${ticked}`} amount={sheet.tickedBalance} />
          <Term name={`Statement says, ${day(sheet.closesOn)}`} amount={sheet.closing} stated />
        </div>
      </div>
      <div className="rtr">
        <div className="rt">
          <span className="rst">
            <Ring state={sheet.finished ? 'AGREED' : 'IN_PROGRESS'} share={sheet.agreedShare} label={null} />
            <span className={sheet.finished ? 'in' : 'wait'}>
              {sheet.finished ? 'agreed to zero' : `${ticked} of ${all} lines ticked`}
            </span>
          </span>
        </div>
        <div className="eqn">
          <div className={agrees ? 'dif zero' : 'dif'} aria-live="polite">
            <dfn>Difference</dfn>
            <b>{figure(sheet.difference)}</b>
          </div>
        </div>
      </div>
    </section>
  )
}

function Term({ name, amount, stated }: { name: string; amount: string; stated?: boolean }) {
  return (
    <div className={stated ? 'st' : undefined}>
      <dfn>{name}</dfn>
      <b>{figure(amount)}</b>
    </div>
  )
}
