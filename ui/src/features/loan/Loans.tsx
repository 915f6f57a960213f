import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '@/api/client'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useScope } from '@/app/scope'
import { PlanNav } from '@/features/plan/PlanNav'
import { Button } from '@/parts/Button'
import { Select } from '@/parts/Select'
import { Failed, Loading, Nothing } from '@/parts/States'
import { Head, Inspector, Leaf, View } from '@/parts/View'
import { LoanOf } from './LoanOf'
import { TermsForm } from './TermsForm'

/** The loans of the household, one at a time. */
export function Loans() {
  const { book } = useScope()
  const [chosen, setChosen] = useState<string>()
  const [telling, setTelling] = useState(false)
  const loans = useQuery({
    queryKey: ['loans', book],
    queryFn: () => data(api.GET('/api/loans', { params: { query: { book } } })),
    placeholderData: (previous) => previous,
  })
  useCommands([
    { keys: ['n'], label: 'Tell the terms of a loan', changes: true, strip: 'new loan', run: () => setTelling(true) },
  ])
  if (loans.error && !loans.data) return <Failed error={loans.error} retry={loans.refetch} />
  if (!loans.data) return <Loading what="the loans" />
  const id = loans.data.find((one) => one.id === chosen)?.id ?? loans.data[0]?.id
  const pick = loans.data.length > 1 && id && (
    <Select
      aria-label="Loan"
      value={id}
      options={loans.data.map((one) => ({ value: one.id, name: one.name }))}
      onChange={setChosen}
    />
  )
  const tell = (
    <MayChange>
      <Button onClick={() => setTelling(true)}>
        New loan <kbd>N</kbd>
      </Button>
    </MayChange>
  )
  const form = telling && (
    <Inspector label="The terms of a loan">
      <TermsForm
        onClose={(made) => {
          setTelling(false)
          if (made) setChosen(made)
        }}
      />
    </Inspector>
  )
  if (id && !form) {
    return (
      <LoanOf key={id} id={id}>
        {pick}
        {tell}
      </LoanOf>
    )
  }
  return (
    <View beside={telling} above={<PlanNav />} className="[--insp:min(400px,40vw)]">
      <Leaf>
        <Head title="Loans">{tell}</Head>
        {loans.data.length === 0 && (
          <Nothing title="No loan is told yet">
            Say the rate, the payment and its day: each payment is then split into interest and what it repays, by what
            is owed on its day. The account of the loan stands in the Chart.
          </Nothing>
        )}
      </Leaf>
      {form}
    </View>
  )
}
