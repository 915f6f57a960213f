import { useNavigate } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { KeptByName } from '@/parts/KeptByName'
import { textLink } from '@/parts/look'

type Kept = Schemas['KeptReportJson']

export const keptReports = { queryKey: ['kept-reports'], queryFn: () => data(api.GET('/api/kept-reports')) }

/** What a kept report is of; the month that is looked at is no part of it. */
function kept(address: string): string {
  const params = new URLSearchParams(address)
  params.delete('month')
  return params.toString()
}

/** A kept report's address, as it stands at a month. */
export function addressOf(report: Kept, month: string | undefined): string {
  const params = new URLSearchParams(report.address)
  if (month) params.set('month', month)
  return `/reports/own?${params}`
}

/** The household's own reports: opened, kept by a name, put on the Almanac, and forgotten. */
export function KeptReports({ address, onClose }: { address: string; onClose: () => void }) {
  const navigate = useNavigate()
  return (
    <KeptByName
      title="Kept reports"
      empty="None yet. Put one together, then keep it by a name."
      all={keptReports}
      keepLabel="Keep this report by the name"
      keep={(name) => data(api.POST('/api/kept-reports', { body: { name, address: kept(address) } }))}
      more={(report, failed) => <OnAlmanac report={report} failed={failed} />}
      forget={(id) => data(api.DELETE('/api/kept-reports/{id}', { params: { path: { id } } }))}
      onOpen={(report) => {
        onClose()
        navigate(addressOf(report, new URLSearchParams(address).get('month') ?? undefined))
      }}
      onClose={onClose}
    />
  )
}

function OnAlmanac({ report, failed }: { report: Kept; failed: (error: unknown) => void }) {
  async function stand() {
    try {
      await data(
        api.PUT('/api/kept-reports/{id}/almanac', {
          params: { path: { id: report.id } },
          body: { onAlmanac: !report.onAlmanac },
        }),
      )
    } catch (error) {
      failed(error)
    }
    await booksChanged()
  }
  return (
    <button type="button" className={textLink({ size: 'small' })} onClick={() => void stand()}>
      {report.onAlmanac ? 'Take' : 'Put'} <span className="sr-only">{report.name} </span>
      {report.onAlmanac ? 'off the Almanac' : 'on the Almanac'}
    </button>
  )
}
