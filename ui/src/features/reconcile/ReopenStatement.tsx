import { api, data, type Schemas } from '@/api/client'
import { booksChanged, queryClient } from '@/api/queries'
import { useSays } from '@/app/says'
import { Dialog } from '@/parts/Dialog'
import { longDay } from '@/parts/figures'
import { Foot } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { TextField } from '@/parts/form/fields'
import { Said } from '@/parts/View'

/** Opens the account's last agreed statement again, and asks for the reason, which history keeps. */
export function ReopenStatement({ sheet, onClose }: { sheet: Schemas['SheetJson']; onClose: () => void }) {
  const of = useOwnForm({ because: '' }, `opening ${sheet.id} again`)
  const says = useSays()
  function leave() {
    of.forget()
    onClose()
  }
  return (
    <Dialog title="Open the statement again" open onClose={onClose}>
      <Said title={`Open the statement of ${longDay(sheet.closesOn)} again`}>
        <Form
          of={of}
          label="Open the statement again"
          className="flex flex-col gap-3"
          send={async ({ because }) => {
            const opened = await data(
              api.POST('/api/statements/{id}/reopen', { params: { path: { id: sheet.id } }, body: { because } }),
            )
            queryClient.setQueryData(['sheet', sheet.id], opened)
            leave()
            says.done('The statement is open. What was ticked is ticked still.')
            await booksChanged()
          }}
        >
          <p className="text-ink-2">
            {sheet.accountName} does not agree any more from then on, until it is agreed again. What was ticked stays
            so.
          </p>
          <TextField
            name="because"
            label="Why it is opened again"
            needed="Type the reason, so that it is known next year too."
            autoFocus
          />
          <Foot go="Open it again" back="Leave it agreed" onLeave={leave} />
        </Form>
      </Said>
    </Dialog>
  )
}
