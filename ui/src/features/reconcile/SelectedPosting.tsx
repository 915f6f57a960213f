import { useQuery } from '@tanstack/react-query'
import { api, data, type Schemas } from '@/api/client'
import { longDay, signed } from '@/parts/figures'
import { JournalEntry } from '@/parts/JournalEntry'

/** The entry behind the selected line, and what the bank says of it. */
export function SelectedPosting({ posting }: { posting: Schemas['TickableJson'] }) {
  const entry = useQuery({
    queryKey: ['entry', posting.entryId],
    queryFn: () => data(api.GET('/api/entries/{id}', { params: { path: { id: posting.entryId } } })),
  })
  return (
    <>
      <div className="ih">
        <h2>{posting.payee}</h2>
        <span className="big">{signed(posting.amount)}</span>
      </div>
      <p className="q s ihs">
        {longDay(posting.date)}, no. {posting.entryNo}
      </p>
      {posting.bankText !== undefined && (
        <>
          <h3>From the bank</h3>
          <dl className="kv mb-3">
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
