import type { ReactNode } from 'react'
import { Dialog } from '@/parts/Dialog'
import { Said } from '@/parts/View'
import { Foot } from './Foot'
import { Form, useOwnForm } from './Form'
import { TextField } from './fields'

/** Asks why something is opened again; history keeps the reason. */
export function AskReason({
  title,
  keptAs,
  go,
  back,
  send,
  onClose,
  children,
}: {
  title: string
  /** Under what a reason that was begun is kept. */
  keptAs: string
  go: string
  back: string
  /** Does it; what it throws is shown at the field. */
  send: (because: string, leave: () => void) => Promise<void>
  onClose: () => void
  /** What it means. */
  children: ReactNode
}) {
  const of = useOwnForm({ because: '' }, keptAs)
  function leave() {
    of.forget()
    onClose()
  }
  return (
    <Dialog title={title} open onClose={onClose}>
      <Said title={title}>
        <Form of={of} label={title} className="flex flex-col gap-3" send={({ because }) => send(because, leave)}>
          <p className="text-ink-2">{children}</p>
          <TextField
            name="because"
            label="Why it is opened again"
            needed="Type the reason, so that it is known next year too."
            autoFocus
          />
          <Foot go={go} back={back} onLeave={leave} />
        </Form>
      </Said>
    </Dialog>
  )
}
