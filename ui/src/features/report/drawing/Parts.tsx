import type { Schemas } from '@/api/client'
import { figure, plainNumber } from '@/parts/figures'
import { WIDTH } from './axis'

const HEIGHT = 46
const STRIP = 26
/** From dark to light, so that they are told apart in grey; numbers name them. */
const TINTS = [1, 0.72, 0.5, 0.34, 0.22, 0.12]

/** One strip, divided as the whole is; the list below it names its parts by their numbers. */
export function Parts({ rows }: { rows: Schemas['DrawnRowJson'][] }) {
  const whole = rows.reduce((sum, row) => sum + Number(row.total), 0)
  let from = 0
  const parts = rows.map((row, i) => {
    const width = (Number(row.total) / whole) * WIDTH
    from += width
    return { row, i, x: from - width, width }
  })
  return (
    <>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" role="presentation">
        {parts.map(({ row, i, x, width }) => (
          <g key={row.name}>
            <rect
              x={x + 1}
              y={HEIGHT - STRIP}
              width={Math.max(width - 2, 0.5)}
              height={STRIP - 1}
              fillOpacity={TINTS[i]}
              className="fill-needle stroke-needle stroke-[0.6]"
            />
            {width > 12 && (
              <text x={x + width / 2} y={HEIGHT - STRIP - 6} textAnchor="middle" className="fill-ink-2 text-[11.5px]">
                {i + 1}
              </text>
            )}
          </g>
        ))}
      </svg>
      <ol className="mt-1 grid grid-cols-3 gap-x-6 text-small narrow:grid-cols-2" aria-label="Parts of the whole">
        {rows.map((row, i) => (
          <li key={row.name} className="flex items-baseline gap-1.5 border-b border-hairline py-0.5">
            <span className="w-3 text-ink-2">{i + 1}</span>
            <span className="flex-1 truncate">{row.name}</span>
            <span className="text-ink-2">{figure(row.total)}</span>
            <span className="w-[52px] text-right">{plainNumber((row.share / 10).toFixed(1))} %</span>
          </li>
        ))}
      </ol>
    </>
  )
}
