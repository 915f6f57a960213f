import { known, type Reading } from '@/api/reading'
import { figure, isZero, signed } from '@/parts/figures'
import { amountIn } from '@/parts/form/AmountInput'
import { textLink } from '@/parts/look'
import { negated, useSum } from '@/parts/useSum'
import type { Waiting } from './types'

/** What of a line no part has yet; undefined while that is not known, or if all of it is placed. */
export function useRest({ amount, currency }: Pick<Waiting, 'amount' | 'currency'>, parts: (string | undefined)[]) {
  const placed = parts.filter((part) => part !== undefined)
  const rest = useSum([amount, ...placed.map(negated)].map((of) => ({ amount: of, currency })))
  return rest === undefined || isZero(rest) ? undefined : rest
}

/** Says what no part has yet, and puts it into the part that has none. */
export function StillToPlace({
  rest,
  mayPlace,
  onPlace,
  open,
  onOpen,
}: {
  rest: string
  /** Whether a part has no amount yet. */
  mayPlace: boolean
  onPlace: () => void
  /** Whether it stands in suspense until it is placed. */
  open: boolean
  onOpen: (open: boolean) => void
}) {
  return (
    <p className="flex items-baseline justify-between text-small text-heartwood" role="status">
      <span>
        Still to place <b>{signed(rest)}</b>
      </span>
      {open ? (
        <button type="button" className={textLink({ size: 'small' })} onClick={() => onOpen(false)}>
          stands in suspense; place it now
        </button>
      ) : (
        <span className="flex gap-3">
          {mayPlace && (
            <button type="button" className={textLink({ size: 'small' })} onClick={onPlace}>
              place it in the empty part <kbd>=</kbd>
            </button>
          )}
          <button type="button" className={textLink({ size: 'small' })} onClick={() => onOpen(true)}>
            put it in suspense
          </button>
        </span>
      )}
    </p>
  )
}

/** An amount that may mean two things, with both to choose from. */
export function Asked({
  reading,
  currency,
  onText,
}: {
  reading: Reading | undefined
  currency: string
  onText: (text: string) => void
}) {
  if (!reading?.choices.length) return null
  return (
    <span className="col-span-full text-small text-heartwood" role="status">
      {reading.problem}{' '}
      {reading.choices.map(({ value }) => (
        <button
          key={value}
          type="button"
          className={textLink({ className: 'mr-2' })}
          onClick={() => onText(known(amountIn(currency), figure(value), value))}
        >
          {figure(value)}
        </button>
      ))}
    </span>
  )
}
