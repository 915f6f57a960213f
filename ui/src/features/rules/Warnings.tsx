import { counted } from '@/parts/figures'
import { textLink } from '@/parts/look'
import type { Rule, Warning } from './types'

/** What is to be said of a rule that does not do what it was made for, and what helps. */
export function Warnings({
  warnings,
  rules,
  onMoveAbove,
}: {
  warnings: Warning[]
  rules: Rule[]
  onMoveAbove?: (no: number) => void
}) {
  return warnings.map((warning) => {
    const by = rules.find((r) => r.id === warning.byRuleId)
    return (
      <span key={warning.kind} className="block truncate text-small text-heartwood">
        {words(warning, by)}{' '}
        {warning.kind === 'NEVER_FIRES' && by && onMoveAbove && (
          <button
            type="button"
            className={textLink({ size: 'small' })}
            onClick={(event) => {
              event.stopPropagation()
              onMoveAbove(by.no)
            }}
          >
            Move above rule {by.no}
          </button>
        )}
      </span>
    )
  })
}

function words(warning: Warning, by: Rule | undefined): string {
  const { lines = 0, of = 0 } = warning
  switch (warning.kind) {
    case 'NEVER_FIRES':
      return warning.proved
        ? `can never fire: rule ${by?.no} fits whatever fits this one`
        : `never fires: rule ${by?.no} takes ${lines === 1 ? 'its only line' : `all ${lines} of its lines`} first`
    case 'BOOKED_ELSEWHERE':
      return `contradicts: ${lines} of its ${counted(of, 'line')} were booked elsewhere`
    case 'BOTH_WAYS':
      return `takes both ways: ${lines} paid in, ${of - lines} paid out`
    case 'IDLE':
      return 'no line of the last twelve months fits it'
    case 'QUIET':
      return `quiet: ${warning.accountName} was closed`
  }
}
