import { skipToken, useQuery } from '@tanstack/react-query'
import { type ReactNode, useState } from 'react'
import { api, data } from '@/api/client'
import { useCommands } from '@/app/commands'
import { PlanNav } from '@/features/plan/PlanNav'
import { counted, figure, longDay, plainNumber } from '@/parts/figures'
import { Failed, Loading } from '@/parts/States'
import { Head, Inspector, Leaf, View } from '@/parts/View'
import { LenderYearForm } from './LenderYearForm'
import { LenderYears } from './LenderYears'
import { LoanLine } from './LoanLine'
import { LoanTable } from './LoanTable'
import type { Extra, Loan } from './loan'
import { TermsForm } from './TermsForm'
import { WhatIf } from './WhatIf'

/** A loan: its line, its lender's year, its table, and what an extra payment would change. */
export function LoanOf({ id, children }: { id: string; children: ReactNode }) {
  const [doing, setDoing] = useState<'terms' | 'year'>()
  const [extra, setExtra] = useState<Extra>()
  const loan = useQuery({
    queryKey: ['loan', id],
    queryFn: () => data(api.GET('/api/loans/{id}', { params: { path: { id } } })),
    placeholderData: (previous) => previous,
  })
  const whatIf = useQuery({
    queryKey: ['loan', id, 'what if', extra],
    queryFn: extra
      ? () => data(api.GET('/api/loans/{id}/what-if', { params: { path: { id }, query: extra } }))
      : skipToken,
    placeholderData: (previous) => previous,
    retry: false,
  })
  useCommands([
    { keys: ['e'], label: 'Change the terms', changes: true, strip: 'terms', run: () => setDoing('terms') },
    { keys: ['y'], label: 'What the lender says of a year', changes: true, strip: 'year', run: () => setDoing('year') },
  ])
  if (loan.error && !loan.data) return <Failed error={loan.error} retry={loan.refetch} />
  if (!loan.data) return <Loading what="the loan" />
  const tried = extra && !whatIf.error ? whatIf.data : undefined
  const close = () => setDoing(undefined)
  return (
    <View beside above={<PlanNav />} className="[--insp:min(360px,30vw)]">
      <Leaf>
        <Head title={loan.data.accountName} about={about(loan.data)}>
          {children}
        </Head>
        <LoanLine loan={loan.data} tried={tried?.table} />
        <LenderYears loan={loan.data} onTell={() => setDoing('year')} />
        <LoanTable loan={loan.data} table={tried?.table ?? loan.data.table} tried={tried !== undefined} />
      </Leaf>
      {doing === 'terms' ? (
        <Inspector label="The terms of the loan">
          <TermsForm key={loan.data.version} loan={loan.data} onClose={close} />
        </Inspector>
      ) : doing === 'year' ? (
        <Inspector label="What the lender says">
          <LenderYearForm loan={loan.data} onClose={close} />
        </Inspector>
      ) : (
        <Inspector label="What if">
          <WhatIf
            loan={loan.data}
            tried={tried}
            problem={extra && whatIf.error ? whatIf.error : undefined}
            onTry={setExtra}
            onTerms={() => setDoing('terms')}
          />
        </Inspector>
      )}
    </View>
  )
}

function about(loan: Loan): string {
  const { now } = loan
  return [
    loan.currency,
    `${plainNumber(now.rate)} %${loan.fixedUntil ? ` fixed to ${longDay(loan.fixedUntil)}` : ''}`,
    now?.payment && `${figure(now.payment)} ${loan.months === 1 ? 'a month' : `every ${loan.months} months`}`,
    `${counted(loan.left.payments, 'payment')} left`,
  ]
    .filter(Boolean)
    .join(', ')
}
