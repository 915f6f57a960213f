import { type ScaleLinear, type ScaleTime, scaleLinear, scaleUtc } from 'd3-scale'
import { curveStepAfter, line } from 'd3-shape'

/** A day of the calendar, `2026-09-30`, as the moment that begins it everywhere. */
export const dayAt = (iso: string) => new Date(`${iso}T00:00:00Z`)

const DAY = 86_400_000

/** Where days stand between two edges; days outside stand at the edge. */
export function dayScale(from: string, to: string, edges: [number, number]): ScaleTime<number, number> {
  const start = dayAt(from)
  // One day alone has a width too.
  const end = new Date(Math.max(dayAt(to).getTime(), start.getTime() + DAY))
  return scaleUtc([start, end], edges).clamp(true)
}

/** Where amounts stand between foot and top; zero is always among them. */
export function amountScale(amounts: number[], edges: [number, number]): ScaleLinear<number, number> {
  const low = Math.min(0, ...amounts)
  const high = Math.max(0, ...amounts)
  return scaleLinear([low, low === high ? low + 1 : high], edges)
}

export interface Point {
  day: string
  amount: number
}

/** A line that stays until the next point and steps there; it runs on to the given day. */
export function stepPath(
  points: Point[],
  until: string,
  x: ScaleTime<number, number>,
  y: ScaleLinear<number, number>,
): string {
  const last = points.at(-1)
  if (!last) return ''
  const path = line<Point>(
    (point) => x(dayAt(point.day)),
    (point) => y(point.amount),
  ).curve(curveStepAfter)
  return path([...points, { day: until, amount: last.amount }]) ?? ''
}

/** The first days of the months between two days. */
export function monthsBetween(from: string, to: string): string[] {
  const list: string[] = []
  const month = dayAt(`${from.slice(0, 7)}-01`)
  for (;;) {
    const iso = month.toISOString().slice(0, 10)
    if (iso > to) return list
    if (iso >= from) list.push(iso)
    month.setUTCMonth(month.getUTCMonth() + 1)
  }
}

/** A year before a day. */
export function yearBefore(iso: string): string {
  const day = dayAt(iso)
  day.setUTCFullYear(day.getUTCFullYear() - 1)
  return day.toISOString().slice(0, 10)
}

export function dayAfter(iso: string): string {
  return new Date(dayAt(iso).getTime() + DAY).toISOString().slice(0, 10)
}
