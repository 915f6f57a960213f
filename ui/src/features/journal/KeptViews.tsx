import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
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
  const says = useSays()
  const kept = useQuery(views)
  const of = useOwnForm({ name: '' })
  const [problem, setProblem] = useState('')

  async function forget(view: JournalView) {
    try {
      await data(api.DELETE('/api/journal/views/{id}', { params: { path: { id: view.id } } }))
      says.done(`${view.name} is forgotten.`)
    } catch (error) {
      setProblem(messageOf(error))
    }
    await booksChanged()
  }
  return (
    <Dialog title="Kept views" open onClose={onClose}>
      <Said title="Kept views">
        {kept.isPending && <Loading what="what is kept" />}
        {kept.error && <Failed error={kept.error} retry={kept.refetch} />}
        {problem && <p role="alert">{problem}</p>}
        {kept.data?.length === 0 && (
          <p className="text-ink-2">None yet. Look for something, then keep it here by a name.</p>
        )}
        <ul aria-label="Kept views">
          {kept.data?.map((view) => (
            <li key={view.id} className="flex h-7 items-center gap-3 border-b border-hairline">
              <button type="button" className={textLink()} onClick={() => onOpen(view)}>
                {view.name}
              </button>
              <span className="flex-1 truncate text-small text-ink-2">{inWords(view)}</span>
              <MayChange>
                <button
                  type="button"
                  className={textLink({ tone: 'kill', size: 'small' })}
                  onClick={() => void forget(view)}
                >
                  Forget<span className="sr-only"> {view.name}</span>
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
            await data(api.POST('/api/journal/views', { body: { name, ...now } }))
            says.done(`${name.trim()} is kept.`)
            of.form.reset({ name: '' })
          }}
        >
          <TextField
            name="name"
            label="Keep what is sought now by the name"
            needed="Give it a name."
            hint={inWords(now)}
          />
          <Foot go="Keep it" back="Close" onLeave={onClose} />
        </Form>
      </MayChange>
    </Dialog>
  )
}
