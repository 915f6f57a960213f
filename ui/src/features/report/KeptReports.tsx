import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { api, data, messageOf, type Schemas } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { Dialog } from '@/parts/Dialog'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { TextField } from '@/parts/form/fields'
import { textLink } from '@/parts/look'
import { Failed, Loading } from '@/parts/States'
import { Said } from '@/parts/View'

type Kept = Schemas['KeptReportJson']

/** What a kept report is of; the month that is looked at is no part of it. */
function kept(address: string): string {
  const params = new URLSearchParams(address)
  params.delete('month')
  return params.toString()
}

/** The household's own reports: opened, kept by a name, and forgotten. */
export function KeptReports({ address, onClose }: { address: string; onClose: () => void }) {
  const says = useSays()
  const navigate = useNavigate()
  const all = useQuery({ queryKey: ['kept-reports'], queryFn: () => data(api.GET('/api/kept-reports')) })
  const of = useOwnForm({ name: '' })
  const [problem, setProblem] = useState('')

  function open(report: Kept) {
    const params = new URLSearchParams(report.address)
    const month = new URLSearchParams(address).get('month')
    if (month) params.set('month', month)
    onClose()
    navigate(`/reports/own?${params}`)
  }
  async function forget(report: Kept) {
    try {
      await data(api.DELETE('/api/kept-reports/{id}', { params: { path: { id: report.id } } }))
      says.done(`${report.name} is forgotten.`)
    } catch (error) {
      setProblem(messageOf(error))
    }
    await booksChanged()
  }
  return (
    <Dialog title="Kept reports" open onClose={onClose}>
      <Said title="Kept reports">
        {all.isPending && <Loading what="what is kept" />}
        {all.error && <Failed error={all.error} retry={all.refetch} />}
        {problem && <p role="alert">{problem}</p>}
        {all.data?.length === 0 && <p className="text-ink-2">None yet. Put one together, then keep it by a name.</p>}
        <ul aria-label="Kept reports">
          {all.data?.map((report) => (
            <li key={report.id} className="flex h-7 items-center justify-between gap-3 border-b border-hairline">
              <button type="button" className={textLink()} onClick={() => open(report)}>
                {report.name}
              </button>
              <MayChange>
                <button
                  type="button"
                  className={textLink({ tone: 'kill', size: 'small' })}
                  onClick={() => void forget(report)}
                >
                  Forget<span className="sr-only"> {report.name}</span>
                </button>
              </MayChange>
            </li>
          ))}
        </ul>
      </Said>
      <MayChange>
        <Form
          of={of}
          className="px-6"
          send={async ({ name }: { name: string }) => {
            await data(api.POST('/api/kept-reports', { body: { name, address: kept(address) } }))
            says.done(`${name.trim()} is kept.`)
            of.form.reset({ name: '' })
            await booksChanged()
          }}
        >
          <TextField name="name" label="Keep this report by the name" needed="Give it a name." />
          <Foot go="Keep it" back="Close" onLeave={onClose} />
        </Form>
      </MayChange>
    </Dialog>
  )
}
