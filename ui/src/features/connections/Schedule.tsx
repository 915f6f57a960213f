import { useState } from 'react'
import type { Schemas } from '@/api/client'
import { box } from '@/parts/look'
import { Select } from '@/parts/Select'
import { zones } from '@/parts/zones'

type At = Schemas['ScheduleJson']

/** What a new connection begins with: early in the household's day. */
export const atSix = (zone: string): At => ({ at: '06:00', zone })

/** 7, 730, 7:30, 07.30 as 07:30; undefined if it is no time of day. */
export function timeOfDay(typed: string): string | undefined {
  const [, hours = '', minutes = '00'] = /^\s*(\d{1,2})(?:[:. ]?(\d{2}))?\s*$/.exec(typed) ?? []
  return hours !== '' && Number(hours) < 24 && Number(minutes) < 60 ? `${hours.padStart(2, '0')}:${minutes}` : undefined
}

/** Every day at a time of day in a zone. */
export function Schedule({ schedule, onChange }: { schedule: At; onChange: (to: At) => void }) {
  const [typed, setTyped] = useState(schedule.at.slice(0, 5))
  const wrong = timeOfDay(typed) === undefined
  return (
    <span className="schedule">
      Refreshed every day at{' '}
      <input
        className={box({ size: 'line', wrong, className: 'w-[64px] text-center' })}
        aria-label="Time of day"
        aria-invalid={wrong}
        inputMode="numeric"
        value={typed}
        onChange={(e) => {
          setTyped(e.target.value)
          const at = timeOfDay(e.target.value)
          if (at) onChange({ ...schedule, at })
        }}
        onBlur={() => setTyped(timeOfDay(typed) ?? typed)}
      />{' '}
      in{' '}
      <Select
        line
        aria-label="Time zone"
        value={schedule.zone}
        options={zones(schedule.zone).map((zone) => ({ value: zone, name: zone }))}
        onChange={(zone) => onChange({ ...schedule, zone })}
      />
      {wrong && (
        <span role="alert" className="block text-small text-aril">
          Type a time of day such as 06:30; until then it stays {schedule.at.slice(0, 5)}.
        </span>
      )}
    </span>
  )
}
