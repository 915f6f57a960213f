import type { Schemas } from '@/api/client'
import { dateOf, isoOf } from '@/parts/figures'

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

const DAY = 86_400_000

/** How many days lie between two. */
export const daysBetween = (from: string, to: string) => (dateOf(to).getTime() - dateOf(from).getTime()) / DAY

/** A day some days later. */
export const daysAfter = (day: string, days: number) => isoOf(new Date(dateOf(day).getTime() + days * DAY))
