import type { Schemas } from '@/api/client'
import { zones } from '@/parts/zones'

type At = Schemas['ScheduleJson']

/** What a new connection begins with: early in the household's day. */
export const atSix = (zone: string): At => ({ at: '06:00', zone })

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
        {zones(schedule.zone).map((zone) => (
          <option key={zone}>{zone}</option>
        ))}
      </select>
    </span>
  )
}
