import { useNavigate } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { KeptByName } from '@/parts/KeptByName'

const reports = { queryKey: ['kept-reports'], queryFn: () => data(api.GET('/api/kept-reports')) }

/** What a kept report is of; the month that is looked at is no part of it. */
function kept(address: string): string {
  const params = new URLSearchParams(address)
  params.delete('month')
  return params.toString()
}

/** The household's own reports: opened, kept by a name, and forgotten. */
export function KeptReports({ address, onClose }: { address: string; onClose: () => void }) {
  const navigate = useNavigate()

  function open(report: Schemas['KeptReportJson']) {
    const params = new URLSearchParams(report.address)
    const month = new URLSearchParams(address).get('month')
    if (month) params.set('month', month)
    onClose()
    navigate(`/reports/own?${params}`)
  }
  return (
    <KeptByName
      title="Kept reports"
      empty="None yet. Put one together, then keep it by a name."
      all={reports}
      keepLabel="Keep this report by the name"
      keep={(name) => data(api.POST('/api/kept-reports', { body: { name, address: kept(address) } }))}
      forget={(id) => data(api.DELETE('/api/kept-reports/{id}', { params: { path: { id } } }))}
      onOpen={open}
      onClose={onClose}
    />
  )
}
