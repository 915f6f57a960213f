import { useQuery } from '@tanstack/react-query'
import { type ReactNode, useState } from 'react'
import { messageOf } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { Dialog } from './Dialog'
import { Foot } from './form/Foot'
import { Form, useOwnForm } from './form/Form'
import { TextField } from './form/fields'
import { textLink } from './look'
import { Failed, Loading } from './States'
import { Said } from './View'

/** What the household keeps by names: opened, what is there now kept, and forgotten. */
export function KeptByName<T extends { id: string; name: string }>({
  title,
  empty,
  all,
  inWords,
  keepLabel,
  keepHint,
  keep,
  more,
  forget,
  onOpen,
  onClose,
}: {
  title: string
  /** What is said while nothing is kept. */
  empty: string
  all: { queryKey: string[]; queryFn: () => Promise<T[]> }
  /** What one of them is, beside its name. */
  inWords?: (kept: T) => string
  keepLabel: string
  keepHint?: string
  keep: (name: string) => Promise<unknown>
  /** What else can be done with one of them, beside letting it go; it says what failed. */
  more?: (kept: T, failed: (error: unknown) => void) => ReactNode
  forget: (id: string) => Promise<unknown>
  onOpen: (kept: T) => void
  onClose: () => void
}) {
  const says = useSays()
  const kept = useQuery(all)
  const of = useOwnForm({ name: '' })
  const [problem, setProblem] = useState('')

  async function letGo({ id, name }: T) {
    try {
      await forget(id)
      says.done(`${name} is forgotten.`)
    } catch (error) {
      setProblem(messageOf(error))
    }
    await booksChanged()
  }
  return (
    <Dialog title={title} open onClose={onClose}>
      <Said title={title}>
        {kept.isPending && <Loading what="what is kept" />}
        {kept.error && <Failed error={kept.error} retry={kept.refetch} />}
        {problem && <p role="alert">{problem}</p>}
        {kept.data?.length === 0 && <p className="text-ink-2">{empty}</p>}
        <ul aria-label={title}>
          {kept.data?.map((one) => (
            <li key={one.id} className="flex h-7 items-center gap-3 border-b border-hairline">
              <button type="button" className={textLink()} onClick={() => onOpen(one)}>
                {one.name}
              </button>
              <span className="flex-1 truncate text-small text-ink-2">{inWords?.(one)}</span>
              <MayChange>
                {more?.(one, (error) => setProblem(messageOf(error)))}
                <button
                  type="button"
                  className={textLink({ tone: 'kill', size: 'small' })}
                  onClick={() => void letGo(one)}
                >
                  Forget<span className="sr-only"> {one.name}</span>
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
            await keep(name)
            says.done(`${name.trim()} is kept.`)
            of.form.reset({ name: '' })
            await booksChanged()
          }}
        >
          <TextField name="name" label={keepLabel} needed="Give it a name." hint={keepHint} />
          <Foot go="Keep it" back="Close" onLeave={onClose} />
        </Form>
      </MayChange>
    </Dialog>
  )
}
