import { isZero, signed } from './figures'

export interface MovedIn {
  currency: string
  in: string
  out: string
}

/** What came in or went out, by currency; the usual one is named at the head. */
export function Moved({ moved, way, usual }: { moved: MovedIn[]; way: 'in' | 'out'; usual: string }) {
  return moved.map(
    (m) =>
      !isZero(m[way]) && (
        <span key={m.currency} className="ml-2 first:ml-0">
          {m.currency !== usual && <span className="text-small text-ink-2">{m.currency} </span>}
          {signed(m[way])}
        </span>
      ),
  )
}
