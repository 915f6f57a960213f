import { useQuery } from '@tanstack/react-query'
import { api, data, type Schemas } from '@/api/client'
import { counted, day, longDay, signed } from '@/parts/figures'
import { JournalEntry } from '@/parts/JournalEntry'
import { factList } from '@/parts/look'
import { InspectorHead } from '@/parts/View'
import type { SheetRow } from './rows'
import { SelectedPosting } from './SelectedPosting'

type Match = Schemas['MatchJson']

/** What is selected of a sheet, and what speaks for it. */
export function SelectedRow({ row }: { row: SheetRow }) {
  if ('posting' in row) return <SelectedPosting posting={row.posting} />
  if ('match' in row) return <SelectedMatch match={row.match} />
  return <SelectedLine only={row.only} />
}

function SelectedLine({ only: { line, proposal } }: { only: Schemas['OnlyAtBankJson'] }) {
  return (
    <>
      <InspectorHead title={proposal?.payee ?? line.text} figure={signed(line.amount)}>
        {longDay(line.date)}, not in the books
      </InspectorHead>
      <FromTheBank lines={[line]} />
      <p className="text-ink-2">
        {proposal ? (
          <>
            Proposed: <b>{proposal.to.join(', ')}</b>
            {proposal.sure ? '.' : ', likely and not certain.'}
          </>
        ) : (
          'Nothing is known of it yet: Post asks what it is.'
        )}
      </p>
    </>
  )
}

function FromTheBank({ lines }: { lines: Schemas['ComparedLineJson'][] }) {
  return (
    <>
      <h3>From the bank</h3>
      <dl className={`${factList} mb-3`}>
        {lines.map((line) => (
          <div key={line.lineId} className="contents">
            <dt>{day(line.date)}</dt>
            <dd className="flex justify-between gap-2">
              <span>{line.text}</span> <span>{signed(line.amount)}</span>
            </dd>
          </div>
        ))}
      </dl>
    </>
  )
}

function SelectedMatch({ match }: { match: Match }) {
  const [line] = match.lines
  return (
    <>
      <InspectorHead title={match.postings[0]?.payee ?? ''} figure={signed(match.sides.bank)}>
        {longDay(line?.date ?? '')}, {TOLD[match.kind]}
      </InspectorHead>
      <FromTheBank lines={match.lines} />
      {match.postings.map((p) => (
        <Entry key={p.postingId} id={p.entryId} no={p.entryNo} day={p.date} />
      ))}
      <p className="mt-3 text-small text-ink-2">{evidence(match)}</p>
    </>
  )
}

const TOLD: Record<Match['kind'], string> = {
  SAME: 'not paired yet',
  SEVERAL_POSTINGS: 'several entries make the line',
  SEVERAL_LINES: 'several lines make the entry',
  AMOUNT_DISAGREES: 'the amount disagrees',
  DAY_DISAGREES: 'the day disagrees',
}

/** What speaks for the two being one, in sentences. */
function evidence({ sharedWords, daysApart, rivalled, kind }: Match): string {
  const words = sharedWords.length > 0 ? `Both say ${sharedWords.join(' ')}.` : 'They have no word in common.'
  const days = daysApart === 0 ? 'The same day.' : `${counted(daysApart, 'day')} apart.`
  const rival = rivalled ? ' Something else that is open would do as well.' : ''
  const change =
    kind === 'AMOUNT_DISAGREES'
      ? ' The entry gets the amount of the bank.'
      : kind === 'DAY_DISAGREES'
        ? ' The entry gets the day of the bank.'
        : ''
  return `${words} ${days}${rival}${change}`
}

function Entry({ id, no, day: on }: { id: string; no: number; day: string }) {
  const entry = useQuery({
    queryKey: ['entry', id],
    queryFn: () => data(api.GET('/api/entries/{id}', { params: { path: { id } } })),
  })
  return entry.data ? (
    <div className="mb-3">
      <JournalEntry title={`No. ${no}, ${day(on)}`} books={entry.data.books} between={entry.data.betweenBooks} />
    </div>
  ) : null
}
