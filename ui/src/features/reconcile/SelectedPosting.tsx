import { useQuery } from '@tanstack/react-query'
import { api, data, type Schemas } from '@/api/client'
import { longDay, signed } from '@/parts/figures'
import { JournalEntry } from '@/parts/JournalEntry'
import { factList } from '@/parts/look'
import { InspectorHead } from '@/parts/View'

/** The entry behind the selected line, and what the bank says of it. */
export function SelectedPosting({ posting }: { posting: Schemas['TickableJson'] }) {
  const entry = useQuery({
    queryKey: ['entry', posting.entryId],
    queryFn: () => data(api.GET('/api/entries/{id}', { params: { path: { id: posting.entryId } } })),
  })
  return (
    <>
      <InspectorHead title={posting.payee} figure={signed(posting.amount)}>
        {longDay(posting.date)}, no. {posting.entryNo}
      </InspectorHead>
      {posting.bankText !== undefined && (
        <>
          <h3>From the bank</h3>
          <dl className={`${factList} mb-3`}>
            <dt>Text</dt>
            <dd>{posting.bankText}</dd>
          </dl>
        </>
      )}
      {entry.data && (
        <JournalEntry title={`No. ${posting.entryNo}`} books={entry.data.books} between={entry.data.betweenBooks} />
      )}
    </>
  )
}
