import type { Schemas } from '@/api/client'

type State = Schemas['CellJson']['state']

const WORDS: Record<State, string> = {
  NOT_OPEN: 'not open yet',
  NO_STATEMENT: 'no statement yet',
  IN_PROGRESS: 'in progress',
  AGREED: 'agreed to zero',
  CLOSED: 'closed',
}

/** The state of an account-month in words, as assistive technology hears it. */
export function stateInWords(state: State, share: number): string {
  return state === 'IN_PROGRESS' ? `in progress, ${share} % of lines agreed` : WORDS[state]
}

/** The state of an account-month as a yew's ring; `label` null where words stand beside it. */
export function Ring({
  state,
  share = 0,
  size = 22,
  apart = false,
  label,
}: {
  state: State
  share?: number
  size?: number
  /** Whether a difference is left that no figure stands for. */
  apart?: boolean
  label: string | null
}) {
  const thick = size < 16 ? 2.4 : 1.65
  const named = label === null ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label }
  return (
    // biome-ignore lint/a11y/noSvgWithoutTitle: named by its label, or hidden where words stand beside it
    <svg width={size} height={size} viewBox="0 0 22 22" fill="none" {...named}>
      {state === 'NOT_OPEN' && <path d="M7.5 11h7" stroke="var(--hairline-2)" strokeWidth="1.4" />}
      {state === 'NO_STATEMENT' && (
        <circle
          cx="11"
          cy="11"
          r="8.6"
          stroke="var(--ink-3)"
          strokeWidth={thick}
          strokeLinecap="round"
          strokeDasharray={size < 16 ? '0.01 4.5' : '0.01 2.992'}
        />
      )}
      {state === 'AGREED' && [8.6, 4.9].map((r) => <Circle key={r} r={r} colour="var(--needle)" thick={thick} />)}
      {state === 'CLOSED' && <path d="M14.5 2.3A9.4 9.4 0 1 0 19.7 7.5L14.8 7.2Z" fill="var(--needle-2)" />}
      {state === 'IN_PROGRESS' &&
        [8.6, 4.9].map((r) => (
          <g key={r}>
            <Circle r={r} colour="color-mix(in srgb, var(--heartwood) 45%, transparent)" thick={thick} />
            <circle
              cx="11"
              cy="11"
              r={r}
              stroke="var(--heartwood)"
              strokeWidth={thick}
              pathLength="100"
              strokeDasharray={`${Math.max(share, 8)} 100`}
              transform="rotate(-90 11 11)"
            />
          </g>
        ))}
      {apart && <circle cx="11" cy="11" r="3.2" fill="var(--aril)" />}
    </svg>
  )
}

function Circle({ r, colour, thick }: { r: number; colour: string; thick: number }) {
  return <circle cx="11" cy="11" r={r} stroke={colour} strokeWidth={thick} />
}

/** The mark of the product: rings around a heart that is a little off centre. */
export function Mark({ size = 26 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 28 28" fill="none" stroke="currentColor" aria-hidden="true">
      <circle cx="14" cy="14" r="12.2" strokeWidth="1.7" />
      <circle cx="13.5" cy="14.2" r="8.9" strokeWidth="1.5" />
      <circle cx="13" cy="14.5" r="5.8" strokeWidth="1.4" />
      <circle cx="12.6" cy="14.7" r="2.8" strokeWidth="1.4" />
    </svg>
  )
}
