import { figure, isPositive, isZero, signed } from './figures'

/** Money in carries a plus sign and needle; money out is plain ink. */
export function Flow({ amount }: { amount: string }) {
  return <span className={isPositive(amount) ? 'text-needle' : undefined}>{signed(amount)}</span>
}

/** A difference: aril while it is not zero. */
export function Apart({ amount }: { amount: string }) {
  return isZero(amount) ? (
    <span className="text-ink-3">{figure(amount)}</span>
  ) : (
    <span className="text-aril">{signed(amount)}</span>
  )
}
