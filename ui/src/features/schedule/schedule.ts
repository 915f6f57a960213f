import type { Schemas } from '@/api/client'

export type Schedule = Schemas['ScheduleOfJson']
export type DueItem = Schemas['DueItemJson']
/** One that is not made yet. */
export type Begun = Schemas['BegunScheduleJson']
export type Draft = Schemas['ScheduleDraftJson']
export type Unit = Schemas['RhythmJson']['unit']
export type On = Schemas['RhythmJson']['on']

/** An item is known by its schedule and the day that the rule gives it. */
export const keyOf = (item: DueItem) => `${item.scheduleId} ${item.day}`

/** Whether it is still expected. */
export const isExpected = ({ state }: DueItem) => state === 'COMING' || state === 'OVERDUE'

/** How many days lie between two. */
export const daysBetween = (from: string, to: string) =>
  Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000)

/** A day some days later. */
export const daysAfter = (day: string, days: number) =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10)
