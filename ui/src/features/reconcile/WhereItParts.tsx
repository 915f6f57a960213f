import type { Schemas } from '@/api/client'
import { BehindChart, ZeroLine } from '@/parts/chart/axis'
import { amountScale, dayAfter, dayAt, dayScale, stepPath } from '@/parts/chart/scales'
import { day, figure, signed } from '@/parts/figures'

type Sheet = Schemas['SheetJson']
type Step = Schemas['StepJson']

const WIDTH = 312
const HEIGHT = 92
const LEFT = 8
const RIGHT = WIDTH - 8
const TOP = 16
const FOOT = 72
const MOST_NAMED = 6
const LABEL = { width: 46, height: 12 }

/** Statement less ticked, by day, as a stepped line; figures are only placed here, not computed. */
export function WhereItParts({ sheet }: { sheet: Sheet }) {
  const { parts, statementLines } = sheet.proof
  return (
    <figure>
      <figcaption>
        <b>Where it parts</b> <span className="text-ink-2">statement less ticked, by day</span>
      </figcaption>
      {statementLines === undefined ? (
        <p className="text-ink-2 text-small mt-2">
          The statement has figures only; a file or a feed would show the day.
        </p>
      ) : parts.length === 0 ? (
        <p className="text-needle mt-2">On no day: line for line the same.</p>
      ) : (
        <>
          <Line steps={parts} from={sheet.opensAfter ?? parts[0]?.day ?? sheet.closesOn} to={sheet.closesOn} />
          <BehindChart
            caption="Where statement and ticked postings part"
            rows={parts.map((s) => ({ key: s.day, cells: [day(s.day), signed(s.change), `${figure(s.apart)} apart`] }))}
          />
        </>
      )}
    </figure>
  )
}

function Line({ steps, from, to }: { steps: Step[]; from: string; to: string }) {
  const last = steps.at(-1)?.day ?? to
  const until = dayAfter(last > to ? last : to)
  const days = dayScale(from, until, [LEFT, RIGHT])
  const points = [{ day: from, amount: 0 }, ...steps.map((s) => ({ day: s.day, amount: Number(s.apart) }))]
  const y = amountScale(
    points.map((p) => p.amount),
    [FOOT - 6, TOP],
  )
  const x = (iso: string) => days(dayAt(iso))
  const named = placed(
    steps.map((s) => {
      // Beside the step, where the line does not go: right of a fall, left of a rise.
      const falls = s.change.startsWith('-')
      const left = falls ? x(s.day) + LABEL.width < RIGHT : x(s.day) - LABEL.width < LEFT
      return { step: s, left, x: x(s.day) + (left ? 4 : -4), y: y(Number(s.apart)) + (falls === left ? -4 : 9) }
    }),
  )
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" height={HEIGHT} aria-hidden="true" className="mt-1">
      <ZeroLine y={y(0)} from={LEFT} to={RIGHT} />
      <path d={`M${LEFT} ${FOOT}H${RIGHT}`} className="stroke-hairline" />
      <path d={stepPath(points, until, days, y)} className="fill-none stroke-aril stroke-[1.6]" />
      {named.map((n) => (
        <text key={n.step.day} x={n.x} y={n.y} textAnchor={n.left ? 'start' : 'end'} className="fill-aril text-micro">
          {signed(n.step.change)}
        </text>
      ))}
      <text x={LEFT} y={HEIGHT - 5} className="fill-ink-3 text-micro">
        {day(from)}
      </text>
      <text x={RIGHT} y={HEIGHT - 5} textAnchor="end" className="fill-ink-3 text-micro">
        {day(to)}
      </text>
    </svg>
  )
}

interface Label {
  step: Step
  left: boolean
  x: number
  y: number
}

/** The largest steps are named first; a name that would stand on another is left to the table. */
function placed(labels: Label[]): Label[] {
  const start = (l: Label) => (l.left ? l.x : l.x - LABEL.width)
  const chosen: Label[] = []
  for (const label of [...labels].sort((a, b) => size(b.step) - size(a.step))) {
    const free = chosen.every(
      (other) => Math.abs(start(other) - start(label)) > LABEL.width || Math.abs(other.y - label.y) > LABEL.height,
    )
    if (free && chosen.length < MOST_NAMED) chosen.push(label)
  }
  return chosen
}

const size = (step: Step) => Math.abs(Number(step.change))
