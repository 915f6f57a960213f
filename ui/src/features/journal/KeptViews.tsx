import { api, data, type Schemas } from '@/api/client'
import { KeptByName } from '@/parts/KeptByName'

export type JournalView = Schemas['JournalViewJson']

const views = { queryKey: ['journal views'], queryFn: () => data(api.GET('/api/journal/views')) }

const inWords = (view: { query: string; everyMonth: boolean }) =>
  `${view.query || 'everything'}${view.everyMonth ? ', every month' : ', the chosen month'}`

/** What the household looks for often: opened, kept by a name, and forgotten. */
export function KeptViews({
  now,
  onOpen,
  onClose,
}: {
  /** What is sought now, to be kept. */
  now: { query: string; everyMonth: boolean; order: string }
  onOpen: (view: JournalView) => void
  onClose: () => void
}) {
  return (
    <KeptByName
      title="Kept views"
      empty="None yet. Look for something, then keep it here by a name."
      all={views}
      inWords={inWords}
      keepLabel="Keep what is sought now by the name"
      keepHint={inWords(now)}
      keep={(name) => data(api.POST('/api/journal/views', { body: { name, ...now } }))}
      forget={(id) => data(api.DELETE('/api/journal/views/{id}', { params: { path: { id } } }))}
      onOpen={onOpen}
      onClose={onClose}
    />
  )
}
