import { SubNav } from '@/app/SubNav'
import { useScopeSearch } from '@/app/scope'

const PARTS = [
  { to: '/plan/ahead', name: 'Year ahead' },
  { to: '/plan/forecast', name: 'Forecast' },
  { to: '/plan', name: 'Budgets' },
  { to: '/plan/set-asides', name: 'Set-asides' },
  { to: '/plan/loans', name: 'Loans' },
  { to: '/plan/worth', name: 'Worth' },
] as const

/** The way from one part of Plan to another. */
export function PlanNav() {
  return <SubNav label="Plan" places={PARTS} strip="part of Plan" search={useScopeSearch()} />
}
