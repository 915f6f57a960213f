import { api, data } from '@/api/client'
import { queryClient } from '@/api/queries'
import { counted } from '@/parts/figures'
import { KeptByName } from '@/parts/KeptByName'
import type { Aside } from './SetAsides'

type Template = Aside['templates'][number]
export type Placed = Template['placed']

/** Divisions of an account that are kept by name: one fills the form, what is typed there can be kept. */
export function DivisionTemplates({
  aside,
  typed,
  onOpen,
  onClose,
}: {
  aside: Aside
  /** What is placed in the form now. */
  typed: () => Placed
  onOpen: (placed: Placed) => void
  onClose: () => void
}) {
  const { accountId } = aside
  return (
    <KeptByName<Template>
      title={`Templates of ${aside.accountName}`}
      empty="None yet. Type what each purpose gets, then keep it here by a name."
      all={{
        queryKey: ['division templates', accountId],
        queryFn: async () => {
          const all = await data(api.GET('/api/set-asides', { params: { query: {} } }))
          return all.find((one) => one.accountId === accountId)?.templates ?? []
        },
      }}
      inWords={(template) => counted(template.placed.length, 'purpose')}
      keepLabel="Keep what is typed by the name"
      keep={async (name) => {
        const params = { path: { id: accountId } }
        await data(api.PUT('/api/set-asides/{id}/templates', { params, body: { name, placed: typed() } }))
        await queryClient.invalidateQueries({ queryKey: ['division templates', accountId] })
      }}
      forget={(id) => data(api.DELETE('/api/set-asides/templates/{id}', { params: { path: { id } } }))}
      onOpen={(template) => onOpen(template.placed)}
      onClose={onClose}
    />
  )
}
