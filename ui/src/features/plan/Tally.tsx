import type { Schemas } from '@/api/client'
import { dateOf, lastDay } from '@/parts/figures'

type Row = Schemas['BudgetRowJson']

export const TALLY = 124
const HEIGHT = 18
const MID = 9
/** How far the stick may go beyond what was planned before it is cut. */
const BEYOND = 18

/** Where a day stands on the scale of its month. */
function placeOfDay(day: string): number {
  const last = dateOf(lastDay(day.slice(0, 7))).getUTCDate()
  return ((dateOf(day).getUTCDate() - 1) / (last - 1)) * TALLY
}

/**
 * A stick as long as the part of the plan that is booked, with a notch for each day that something was booked on, and
 * hollow as far as something is to come;
 * what is left is a thin line up to the mark at its end. The figures beside it say the same.
 */
export function Tally({ row, today }: { row: Row; today: string | undefined }) {
  const room = Number(row.month.brought) + Number(row.month.planned)
  const booked = Number(row.month.booked)
  const scale = (amount: number) =>
    room > 0 ? Math.min(Math.max((amount / room) * TALLY, 0), TALLY + BEYOND) : amount > 0 ? BEYOND : 0
  let sum = 0
  const notches = row.days.map((day) => {
    sum += Number(day.amount)
    return { key: day.date, x: scale(sum) }
  })
  const over = booked > room
  const coming = Number(row.month.toCome)
  return (
    <svg
      width={TALLY + BEYOND}
      height={HEIGHT}
      viewBox={`0 0 ${TALLY + BEYOND} ${HEIGHT}`}
      aria-hidden="true"
      className="block"
    >
      {today && <path d={`M${placeOfDay(today)} 0V${HEIGHT}`} className="stroke-dusk/60" />}
      {room > 0 && (
        <>
          <path d={`M0 ${MID}H${TALLY}`} className="stroke-hairline-2" />
          <path d={`M${TALLY} ${MID - 6}V${MID + 6}`} className="stroke-ink-2" />
        </>
      )}
      <path d={`M0 ${MID}H${scale(Math.min(booked, Math.max(room, 0)))}`} className="stroke-ink-2 stroke-[4]" />
      {coming > 0 && (
        <path
          d={`M${scale(booked)} ${MID - 2}H${scale(booked + coming)}V${MID + 2}H${scale(booked)}Z`}
          className="fill-leaf stroke-ink-2"
        />
      )}
      {over && (
        <path
          d={`M${scale(Math.max(room, 0))} ${MID}H${scale(booked)}`}
          className="stroke-heartwood stroke-[4] [stroke-dasharray:3_1]"
        />
      )}
      {notches.map(({ key, x }) => (
        <path key={key} d={`M${x} ${MID - 6}V${MID}`} className="stroke-ink-2" />
      ))}
    </svg>
  )
}
