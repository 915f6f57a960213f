import { figure, isPositive, isZero, signed } from './figures'

/** Money in carries a plus sign and needle; money out is plain ink. */
export function Flow({ amount }: { amount: string }) {
  return <span className={isPositive(amount) ? 'in' : undefined}>{signed(amount)}</span>
}

/** A difference: aril while it is not zero. */
export function Apart({ amount }: { amount: string }) {
  return isZero(amount) ? <span className="qq">{figure(amount)}</span> : <span className="apart">{signed(amount)}</span>
}
