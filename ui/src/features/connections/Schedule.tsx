import { useEffect, useState } from 'react'
import type { Schemas } from '@/api/client'
import { type Kind, known, useReading } from '@/api/reading'
import { TypedInput } from '@/parts/form/TypedInput'
import { Select } from '@/parts/Select'
import { zones } from '@/parts/zones'

type At = Schemas['ScheduleJson']

const TIME: Kind = { of: 'time' }

/** What a new connection begins with: early in the household's day. */
export const atSix = (zone: string): At => ({ at: '06:00', zone })

/** Every day at a time of day in a zone. */
export function Schedule({ schedule, onChange }: { schedule: At; onChange: (to: At) => void }) {
  const now = schedule.at.slice(0, 5)
  const [typed, setTyped] = useState(() => known(TIME, now, now))
  const reading = useReading(TIME, typed)
  // What was understood is set once it differs; what was not leaves the time as it is.
  // biome-ignore lint/correctness/useExhaustiveDependencies: another reading is what counts
  useEffect(() => {
    if (reading.value !== undefined && reading.value !== now) onChange({ ...schedule, at: reading.value })
  }, [reading.value])
  return (
    <span>
      Refreshed every day at{' '}
      <TypedInput
        line
        className="inline-flex w-[64px]"
        aria-label="Time of day"
        inputMode="numeric"
        text={typed}
        onText={setTyped}
        kind={TIME}
        reading={reading}
        write={(value) => value}
        inWords={() => ''}
      />{' '}
      in{' '}
      <Select
        line
        className="inline-flex"
        aria-label="Time zone"
        value={schedule.zone}
        options={zones(schedule.zone).map((zone) => ({ value: zone, name: zone }))}
        onChange={(zone) => onChange({ ...schedule, zone })}
      />
      {(reading.problem !== undefined || typed.trim() === '') && (
        <span role="alert" className="block text-small text-aril">
          {reading.problem ?? 'Type a time of day such as 06:30.'} Until then it stays {now}.
        </span>
      )}
    </span>
  )
}
