/** A cut through a yew: a ring for each month of some years, the youngest not yet closed. */

const RINGS = 24
const STEPS = 120

/** A closed line around the heart, dented by a few slow waves that every ring shares a little less. */
function ring(radius: number, index: number, share = 1): string {
  const points: string[] = []
  for (let i = 0; i <= STEPS * share; i++) {
    const angle = (i / STEPS) * 2 * Math.PI - Math.PI / 2
    const wave =
      1 +
      0.016 * Math.sin(3 * angle + 0.7) +
      0.011 * Math.sin(5 * angle + index * 0.13) +
      0.006 * Math.sin(9 * angle - index * 0.31)
    const x = 382 + radius * 0.09 + radius * wave * Math.cos(angle)
    const y = 414 - radius * 0.045 + radius * wave * Math.sin(angle)
    points.push(`${x.toFixed(1)} ${y.toFixed(1)}`)
  }
  return `M${points.join('L')}`
}

/** Years differ: some rings are wide, some narrow. */
function radii(): number[] {
  const list: number[] = []
  let radius = 13
  for (let i = 0; i < RINGS; i++) {
    list.push(radius)
    radius += 14 + 6.5 * Math.sin(i * 1.9) + (i % 6 === 5 ? 4 : 0)
  }
  return list
}

export function GrowthRings() {
  const all = radii()
  const youngest = (all.at(-1) ?? 0) + 14
  return (
    <svg className="h-full max-h-screen w-full max-[680px]:hidden" viewBox="0 0 820 800" fill="none" aria-hidden="true">
      {all.map((radius, i) => (
        <path
          key={radius}
          d={ring(radius, i)}
          stroke="var(--needle)"
          strokeWidth={i % 6 === 5 ? 1.7 : 0.9}
          opacity={0.55 + (0.45 * i) / RINGS}
        />
      ))}
      <path d={ring(youngest, RINGS)} stroke="var(--hairline-2)" strokeWidth="1" />
      <path d={ring(youngest, RINGS, 0.56)} stroke="var(--heartwood)" strokeWidth="1.8" strokeLinecap="round" />
    </svg>
  )
}
