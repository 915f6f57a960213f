// First of all: its layers come before those of the features.
import './styles/index.css'
import './app/nonce'

import { QueryClientProvider, useQuery } from '@tanstack/react-query'
import { Tooltip } from 'radix-ui'
import { StrictMode, useEffect, useState } from 'react'
import { createRoot } from 'react-dom/client'
import { createBrowserRouter, RouterProvider } from 'react-router'
import { ApiPage } from '@/features/api-document/ApiPage'
import { Loans } from '@/features/loan/Loans'
import { Forecast } from '@/features/plan/Forecast'
import { SetAsides } from '@/features/plan/SetAsides'
import { YearAhead } from '@/features/schedule/YearAhead'
import { Worth } from '@/features/worth/Worth'
import { onSessionEnd, Problem } from './api/client'
import { onNotRead, queryClient, session } from './api/queries'
import { CommandsProvider, OwnKeysProvider } from './app/commands'
import { Frame } from './app/Frame'
import { SaysProvider, useSays } from './app/says'
import { applyTheme } from './app/theme'
import { ErrorBoundary, RouteWentWrong } from './app/WentWrong'
import { Almanac } from './features/almanac/Almanac'
import { AccountPage } from './features/chart/AccountPage'
import { Chart } from './features/chart/Chart'
import { OpeningBalances } from './features/chart/OpeningBalances'
import { Close } from './features/close/Close'
import { BackFromBank } from './features/connections/BackFromBank'
import { Connections } from './features/connections/Connections'
import { Rates } from './features/currency/Rates'
import { Exports } from './features/export/Exports'
import { Gather } from './features/gather/Gather'
import { Begin } from './features/household/Begin'
import { Books } from './features/household/Books'
import { Join } from './features/household/Join'
import { People } from './features/household/People'
import { SignIn, SignInAgain } from './features/household/SignIn'
import { You } from './features/household/You'
import { Journal } from './features/journal/Journal'
import { Payees } from './features/payees/Payees'
import { Budgets } from './features/plan/Budgets'
import { Post } from './features/post/Post'
import { AgreementReport } from './features/reconcile/AgreementReport'
import { Reconcile } from './features/reconcile/Reconcile'
import { StatementSheet } from './features/reconcile/StatementSheet'
import { GeneralLedger } from './features/report/GeneralLedger'
import { MonthAgainst } from './features/report/MonthAgainst'
import { Report } from './features/report/Report'
import { FirstReport } from './features/report/ReportNav'
import { SalesTax } from './features/report/SalesTax'
import { TrialBalance } from './features/report/TrialBalance'
import { Rules } from './features/rules/Rules'
import { Setup } from './features/setup/Setup'
import { OwnSheet } from './features/sheet/OwnSheet'
import { Tags } from './features/tags/Tags'
import { writeWith } from './parts/figures'
import { keepFor } from './parts/kept'
import { Failed, Loading, Nothing } from './parts/States'

const router = createBrowserRouter([
  {
    element: <Frame />,
    errorElement: <RouteWentWrong />,
    children: [
      {
        errorElement: <RouteWentWrong />,
        children: [
          { path: '/', element: <Almanac /> },
          { path: '/gather', element: <Gather /> },
          { path: '/gather/connections', element: <Connections /> },
          { path: '/gather/connections/:connectionId', element: <BackFromBank /> },
          { path: '/post', element: <Post /> },
          { path: '/reconcile', element: <Reconcile /> },
          { path: '/reconcile/:statementId', element: <StatementSheet /> },
          { path: '/reconcile/:statementId/report', element: <AgreementReport /> },
          { path: '/close', element: <Close /> },
          { path: '/journal', element: <Journal /> },
          { path: '/journal/sheet', element: <OwnSheet /> },
          { path: '/payees', element: <Payees /> },
          { path: '/tags', element: <Tags /> },
          { path: '/accounts/:accountId', element: <AccountPage /> },
          { path: '/chart', element: <Chart /> },
          { path: '/chart/opening', element: <OpeningBalances /> },
          { path: '/setup', element: <Setup /> },
          { path: '/books', element: <Books /> },
          { path: '/currencies', element: <Rates /> },
          { path: '/people', element: <People /> },
          { path: '/you', element: <You /> },
          { path: '/exports', element: <Exports /> },
          { path: '/api-document', element: <ApiPage /> },
          { path: '/rules', element: <Rules /> },
          { path: '/plan', element: <Budgets /> },
          { path: '/plan/ahead', element: <YearAhead /> },
          { path: '/plan/forecast', element: <Forecast /> },
          { path: '/plan/loans', element: <Loans /> },
          { path: '/plan/worth', element: <Worth /> },
          { path: '/plan/set-asides', element: <SetAsides /> },
          { path: '/reports', element: <FirstReport /> },
          { path: '/reports/income', element: <Report key="income" kind="INCOME_STATEMENT" /> },
          { path: '/reports/balance', element: <Report key="balance" kind="BALANCE_SHEET" /> },
          { path: '/reports/worth', element: <Report key="worth" kind="NET_WORTH" /> },
          { path: '/reports/cash-flow', element: <Report key="cash-flow" kind="CASH_FLOW" /> },
          { path: '/reports/tax-form', element: <Report key="tax-form" kind="TAX_FORM" /> },
          { path: '/reports/month', element: <MonthAgainst /> },
          { path: '/reports/own', element: <Report key="own" kind="OWN" /> },
          { path: '/reports/ledger', element: <GeneralLedger /> },
          { path: '/reports/trial-balance', element: <TrialBalance /> },
          { path: '/reports/sales-tax', element: <SalesTax /> },
          {
            path: '*',
            element: <Nothing title="There is no such page">The path above leads to every station.</Nothing>,
          },
        ],
      },
    ],
  },
])

/** The application once somebody is signed in; until then, signing in. The address is kept meanwhile. */
function Household() {
  const [, door, token] = window.location.pathname.split('/')
  if (door === 'join' && token) return <Join token={token} />
  if (door === 'begin') return <Begin />
  return <SignedInHousehold />
}

function SignedInHousehold() {
  const { data, error, isPending, refetch } = useQuery(session)
  const [ended, setEnded] = useState(false)
  const { failed } = useSays()
  useEffect(() => {
    onSessionEnd(() => setEnded(true))
    onNotRead((problem, again) => failed(problem, again))
  }, [failed])
  if (isPending) return <Loading what="the household" />
  if (data) {
    writeWith(data.formats)
    keepFor(data.personId, data.householdId)
    // Written another way, all that is on the screen is written anew.
    return (
      <>
        <OwnKeysProvider keys={data.keys}>
          <RouterProvider key={JSON.stringify(data.formats)} router={router} />
        </OwnKeysProvider>
        <SignInAgain
          email={data.email}
          open={ended || (error instanceof Problem && error.status === 401)}
          onSignedIn={() => setEnded(false)}
        />
      </>
    )
  }
  if (error instanceof Problem && error.status !== 401) return <Failed error={error} retry={refetch} />
  return <SignIn />
}

applyTheme()
const root = document.getElementById('root')
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queryClient}>
        <Tooltip.Provider delayDuration={400}>
          <CommandsProvider>
            <SaysProvider>
              <ErrorBoundary>
                <Household />
              </ErrorBoundary>
            </SaysProvider>
          </CommandsProvider>
        </Tooltip.Provider>
      </QueryClientProvider>
    </StrictMode>,
  )
}
