import { Navigate, NavLink, useLocation, useNavigate } from 'react-router'
import { useCommands } from '@/app/commands'
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
  const navigate = useNavigate()
  // What was chosen of one report holds for the next.
  const kept = search || scope
  useCommands(
    REPORTS.map((report, i) => ({
      keys: [String((i + 1) % 10)],
      label: report.name,
      strip: 'report',
      run: () => navigate(report.to + kept),
    })),
  )
  return (
    <nav
      aria-label="Reports"
      className="flex h-9 flex-none items-stretch gap-1 border-b border-hairline bg-paper px-(--edge)"
    >
      {REPORTS.map((report) => (
        <NavLink
          key={report.to}
          to={report.to + kept}
          className="flex items-center border-b-2 border-transparent px-2 whitespace-nowrap text-ink-2 hover:text-ink aria-[current]:border-needle aria-[current]:font-semibold aria-[current]:text-ink"
        >
          {report.name}
        </NavLink>
      ))}
    </nav>
  )
}

/** Who asks for reports without saying which gets the first. */
export function FirstReport() {
  const { search } = useLocation()
  return <Navigate to={REPORTS[0].to + search} replace />
}
