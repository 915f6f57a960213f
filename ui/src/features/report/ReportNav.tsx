import { Navigate, useLocation } from 'react-router'
import { SubNav } from '@/app/SubNav'
import { useScopeSearch } from '@/app/scope'

/** The reports, each at its own place. */
export const REPORTS = [
  { to: '/reports/income', kind: 'INCOME_STATEMENT', name: 'Income statement' },
  { to: '/reports/balance', kind: 'BALANCE_SHEET', name: 'Balance sheet' },
  { to: '/reports/cash-flow', kind: 'CASH_FLOW', name: 'Cash flow' },
  { to: '/reports/worth', kind: 'NET_WORTH', name: 'Net worth' },
  { to: '/reports/trial-balance', kind: 'TRIAL_BALANCE', name: 'Trial balance' },
  { to: '/reports/ledger', kind: 'GENERAL_LEDGER', name: 'General ledger' },
  { to: '/reports/tax-form', kind: 'TAX_FORM', name: 'Tax form' },
  { to: '/reports/sales-tax', kind: 'SALES_TAX', name: 'Sales tax' },
  { to: '/reports/month', kind: 'MONTH', name: 'Month' },
  { to: '/reports/own', kind: 'OWN', name: 'Own report' },
] as const

/** The way from one report to another; what it covers goes along. */
export function ReportNav() {
  const scope = useScopeSearch()
  const { search } = useLocation()
  // What was chosen of one report holds for the next.
  return <SubNav label="Reports" places={REPORTS} strip="report" search={search || scope} />
}

/** Who asks for reports without saying which gets the first. */
export function FirstReport() {
  const { search } = useLocation()
  return <Navigate to={REPORTS[0].to + search} replace />
}
