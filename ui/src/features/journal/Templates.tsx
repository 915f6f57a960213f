import { useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { Dialog } from '@/parts/Dialog'
import { figure } from '@/parts/figures'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { TextField } from '@/parts/form/fields'
import { textLink } from '@/parts/look'
import { Failed, Loading } from '@/parts/States'
import { useSaidAct } from '@/parts/useSaidAct'
import { Said } from '@/parts/View'

export type Template = Schemas['TemplateJson']

const templates = { queryKey: ['templates'], queryFn: () => data(api.GET('/api/templates')) }

/** So many are begun by their number. */
const NUMBERED = 9

/** Entries that others are typed after: begun by a click or their number, and forgotten. */
export function Templates({ onBegin, onClose }: { onBegin: (template: Template) => void; onClose: () => void }) {
  const act = useSaidAct()
  const kept = useQuery(templates)
  const all = kept.data ?? []
  // A number may be pressed before the templates are there.
  const [pressed, setPressed] = useState<number>()
  useEffect(() => {
    const template = pressed && kept.data?.[pressed - 1]
    if (template) onBegin(template)
    if (kept.data) setPressed(undefined)
  }, [pressed, kept.data, onBegin])
  const forget = (template: Template) =>
    act(
      () => data(api.DELETE('/api/templates/{id}', { params: { path: { id: template.id } } })),
      `${template.name} is forgotten.`,
    )
  return (
    <Dialog
      title="Templates"
      open
      onClose={onClose}
      onKeyDown={(event) => /^[1-9]$/.test(event.key) && setPressed(Number(event.key))}
    >
      <Said title="Begin from a template">
        {kept.isPending && <Loading what="the templates" />}
        {kept.error && <Failed error={kept.error} retry={kept.refetch} />}
        {kept.data?.length === 0 && (
          <p className="text-ink-2">
            None yet. Select an entry in the journal and press <kbd>S</kbd> to keep it as one.
          </p>
        )}
        <ol aria-label="Templates">
          {all.map((template, i) => (
            <li key={template.id} className="flex h-8 items-center gap-3 border-b border-hairline">
              <span className="w-5 flex-none">{i < NUMBERED && <kbd>{i + 1}</kbd>}</span>
              <button
                type="button"
                className={textLink()}
                // biome-ignore lint/a11y/noAutofocus: it was asked for, to choose one
                autoFocus={i === 0}
                onClick={() => onBegin(template)}
              >
                {template.name}
              </button>
              <span className="min-w-0 flex-1 truncate text-small text-ink-2">
                {template.payee}, {template.inWords}, as no. {template.entryNo}
              </span>
              {template.amount && (
                <span className="text-small">
                  {template.currency} {figure(template.amount)}
                </span>
              )}
              <MayChange>
                <button
                  type="button"
                  className={textLink({ tone: 'kill', size: 'small' })}
                  onClick={() => void forget(template)}
                >
                  Forget<span className="sr-only"> {template.name}</span>
                </button>
              </MayChange>
            </li>
          ))}
        </ol>
      </Said>
    </Dialog>
  )
}

/** Keeps an entry as a template by a name. */
export function KeepTemplate({ entry, onClose }: { entry: Schemas['EntryJson']; onClose: () => void }) {
  const says = useSays()
  const of = useOwnForm({ name: entry.payee })
  return (
    <Dialog title={`Keep no. ${entry.no} as a template`} open onClose={onClose}>
      <Form
        of={of}
        className="flex flex-col gap-3 p-5"
        send={async ({ name }: { name: string }) => {
          await data(api.POST('/api/templates', { body: { name, entryId: entry.id } }))
          says.done(`${name.trim()} is kept as a template.`)
        }}
        done={onClose}
      >
        <h2 className="text-title/[1.2]">Keep no. {entry.no} as a template</h2>
        <p className="text-ink-2">
          Payee, amount, places, tags and note are filled in when you begin from it with <kbd>T</kbd>. A template of the
          same name is replaced.
        </p>
        <TextField name="name" label="Name" needed="Give it a name." autoFocus />
        <Foot go="Keep it" onLeave={onClose} />
      </Form>
    </Dialog>
  )
}
