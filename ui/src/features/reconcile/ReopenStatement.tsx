import { api, data, type Schemas } from '@/api/client'
import { booksChanged, queryClient } from '@/api/queries'
import { useSays } from '@/app/says'
import { longDay } from '@/parts/figures'
import { AskReason } from '@/parts/form/AskReason'

/** Opens the account's last agreed statement again. */
export function ReopenStatement({ sheet, onClose }: { sheet: Schemas['SheetJson']; onClose: () => void }) {
  const says = useSays()
  return (
    <AskReason
      title={`Open the statement of ${longDay(sheet.closesOn)} again`}
      keptAs={`opening ${sheet.id} again`}
      go="Open it again"
      back="Leave it agreed"
      send={async (because, leave) => {
        const opened = await data(
          api.POST('/api/statements/{id}/reopen', { params: { path: { id: sheet.id } }, body: { because } }),
        )
        queryClient.setQueryData(['sheet', sheet.id], opened)
        leave()
        says.done('The statement is open. What was ticked is ticked still.')
        await booksChanged()
      }}
      onClose={onClose}
    >
      {sheet.accountName} does not agree any more from then on, until it is agreed again. What was ticked stays so.
    </AskReason>
  )
}
