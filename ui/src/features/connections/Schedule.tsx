import type { Schemas } from '@/api/client'

type At = Schemas['ScheduleJson']

const here = Intl.DateTimeFormat().resolvedOptions().timeZone
const ZONES = [...new Set([here, ...Intl.supportedValuesOf('timeZone')])]

export const atSix: At = { at: '06:00', zone: here }

/** Every day at a time of day in a zone. */
export function Schedule({ schedule, onChange }: { schedule: At; onChange: (to: At) => void }) {
  return (
    <span className="schedule">
      Refreshed every day at{' '}
      <input
        type="time"
        className="pick"
        aria-label="Time of day"
        value={schedule.at.slice(0, 5)}
        onChange={(e) => e.target.value && onChange({ ...schedule, at: e.target.value })}
      />{' '}
      in{' '}
      <select
        className="pick"
        aria-label="Time zone"
        value={schedule.zone}
        onChange={(e) => onChange({ ...schedule, zone: e.target.value })}
      >
        {!ZONES.includes(schedule.zone) && <option>{schedule.zone}</option>}
        {ZONES.map((zone) => (
          <option key={zone}>{zone}</option>
        ))}
      </select>
    </span>
  )
}
