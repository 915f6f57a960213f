import { MayChange } from '@/app/MayChange'
import { day, longDay } from '@/parts/figures'
import { entryTable, textLink } from '@/parts/look'

/** Figures that were told for days, the newest first, each of which can be taken out. */
export function DatedFigures({
  title,
  one,
  rows,
  onOut,
}: {
  title: string
  /** What one of them is, for who hears it. */
  one: string
  rows: { day: string; figure: string }[]
  onOut: (day: string) => void
}) {
  if (rows.length === 0) return null
  return (
    <table className={`${entryTable} mb-4 w-full`} aria-label={title}>
      <thead>
        <tr>
          <th scope="col" colSpan={3} className="text-left font-normal">
            {title}
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.day}>
            <td>{day(row.day)}</td>
            <td className="text-right">{row.figure}</td>
            <td className="w-[52px] text-right text-small">
              <MayChange>
                <button
                  type="button"
                  className={textLink({ tone: 'kill', size: 'small' })}
                  onClick={() => onOut(row.day)}
                >
                  out
                  <span className="sr-only">
                    {' '}
                    with the {one} of {longDay(row.day)}
                  </span>
                </button>
              </MayChange>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
