const PATHS = {
  down: 'M3 5l4 4 4-4',
  right: 'M5 3l4 4-4 4',
  up: 'M3 9l4-4 4 4',
  arrow: 'M1.5 7h10M8.5 3.8 11.7 7l-3.2 3.2',
  equal: 'M2.5 5h9M2.5 9h9',
  calendar: 'M2 3.5h10v8.5H2zM2 6.3h10M4.6 2v2.6M9.4 2v2.6',
  search: 'M2.2 6a3.8 3.8 0 1 0 7.6 0 3.8 3.8 0 1 0-7.6 0M9 9l3.2 3.2',
  close: 'M3.5 3.5l7 7M10.5 3.5l-7 7',
  check: 'M3 7.4l2.8 2.8L11.2 4',
  checks: 'M.8 7.6l2.6 2.6L8.4 4M6.6 9.9l.3.3L12.9 4',
  clip: 'M9.6 4.2 5.4 8.6a1.1 1.1 0 0 0 1.6 1.6l4.4-4.6a2.2 2.2 0 0 0-3.2-3.1L3.6 7.3a3.3 3.3 0 0 0 4.7 4.7l3.5-3.6',
  circle: 'M2.8 7a4.2 4.2 0 1 0 8.4 0 4.2 4.2 0 1 0-8.4 0',
} as const

const DRAWN =
  'inline-block align-[-2px] fill-none stroke-current stroke-[1.4] [stroke-linecap:round] [stroke-linejoin:round]'

/** A line drawing of 14 by 14; give it a title where it stands without words. */
export function Icon({ name, size = 14, title }: { name: keyof typeof PATHS; size?: number; title?: string }) {
  return title ? (
    <svg className={DRAWN} width={size} height={size} viewBox="0 0 14 14" role="img" aria-label={title}>
      <path d={PATHS[name]} />
    </svg>
  ) : (
    <svg className={DRAWN} width={size} height={size} viewBox="0 0 14 14" aria-hidden="true">
      <path d={PATHS[name]} />
    </svg>
  )
}

/** How far the bank confirms a posting; nothing where it is at no bank. */
export function StateMark({ state }: { state: 'OPEN' | 'CLEARED' | 'RECONCILED' | undefined }) {
  if (!state) return null
  const look = {
    OPEN: { name: 'circle', title: 'open', tone: 'text-heartwood' },
    CLEARED: { name: 'check', title: 'cleared', tone: 'text-needle' },
    RECONCILED: { name: 'checks', title: 'reconciled', tone: 'text-needle' },
  } as const
  const { name, title, tone } = look[state]
  return (
    <span className={tone}>
      <Icon name={name} title={title} />
    </span>
  )
}
