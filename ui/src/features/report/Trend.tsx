/** How an account went over the columns; the figures beside it say the same. */
export function Trend({ amounts }: { amounts: string[] }) {
  const values = amounts.map(Number)
  const low = Math.min(0, ...values)
  const high = Math.max(0, ...values)
  const y = (value: number) => 17 - (16 * (value - low)) / (high - low || 1)
  const x = (i: number) => 1 + (62 * i) / Math.max(values.length - 1, 1)
  return (
    <svg width="64" height="18" viewBox="0 0 64 18" aria-hidden="true" className="inline-block align-middle">
      <path d={`M0 ${y(0)}H64`} className="stroke-hairline-2" />
      <path
        d={values.map((value, i) => `${i === 0 ? 'M' : 'L'}${x(i)} ${y(value)}`).join('')}
        className="fill-none stroke-needle stroke-[1.2]"
      />
    </svg>
  )
}
