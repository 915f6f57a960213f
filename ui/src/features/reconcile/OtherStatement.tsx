import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { useCommands } from '@/app/commands'
import { useScope, useScopeSearch } from '@/app/scope'
import { Apart } from '@/parts/Amount'
import { Button } from '@/parts/Button'
import { Check } from '@/parts/Check'
import { counted, day, figure, isZero, signed } from '@/parts/figures'
import { textLink } from '@/parts/look'
import { Select } from '@/parts/Select'
import { Failed, Loading } from '@/parts/States'
import { negated } from '@/parts/useSum'
import { Acts, InspectorHead } from '@/parts/View'
import { useTicks } from './useTicks'

type Sheet = Schemas['SheetJson']

/** Another statement in hand beside this one: its proof, and what is open in it, which is ticked here too. */
export function OtherStatement({
  beside,
  amount,
  onClose,
}: {
  beside: Sheet
  /** What the selected line moves; its other side is pointed at. */
  amount: string | undefined
  onClose: () => void
}) {
  useCommands([{ keys: ['Escape'], label: 'Back to the selected line', run: onClose }])
  const { book } = useScope()
  const [chosen, setChosen] = useState<string>()
  const list = useQuery({
    queryKey: ['statements', book],
    queryFn: () => data(api.GET('/api/statements', { params: { query: { book } } })),
  })
  const others = (list.data ?? []).flatMap((of) =>
    of.statements
      .filter((statement) => statement.id !== beside.id)
      .map((statement) => ({ value: statement.id, name: `${of.accountName}, ${day(statement.closesOn)}` })),
  )
  const id = others.find((other) => other.value === chosen)?.value ?? others[0]?.value
  if (list.error) return <Failed error={list.error} retry={list.refetch} />
  if (!list.data) return <Loading what="the statements in hand" />
  return (
    <>
      <InspectorHead title="Beside it">another statement in hand</InspectorHead>
      {id === undefined ? (
        <p className="text-ink-2">No other statement is in hand. Begin one in Reconcile, then it stands here.</p>
      ) : (
        <>
          <Select aria-label="Statement beside" value={id} options={others} onChange={setChosen} />
          <Other key={id} id={id} amount={amount} />
        </>
      )}
      <Acts>
        <Button className="col-span-full" onClick={onClose}>
          Back to the selected line <kbd>Esc</kbd>
        </Button>
      </Acts>
    </>
  )
}

function Other({ id, amount }: { id: string; amount: string | undefined }) {
  const sheet = useQuery({
    queryKey: ['sheet', id],
    queryFn: () => data(api.GET('/api/statements/{id}', { params: { path: { id } } })),
  })
  if (sheet.error && !sheet.data) return <Failed error={sheet.error} retry={sheet.refetch} />
  if (!sheet.data) return <Loading what="the statement" />
  return <InShort stored={sheet.data} amount={amount} />
}

function InShort({ stored, amount }: { stored: Sheet; amount: string | undefined }) {
  const { sheet, tick } = useTicks(stored)
  const search = useScopeSearch()
  // What was ticked here stays in sight, so that a slip is taken back where it was made.
  const [open] = useState(() => new Set(stored.postings.filter((p) => !p.ticked).map((p) => p.postingId)))
  const postings = sheet.postings.filter((p) => open.has(p.postingId) || !p.ticked)
  return (
    <>
      <dl
        className="my-3 grid grid-cols-[1fr_auto] gap-y-0.5 [&>dd]:pl-4"
        aria-label={`The proof of ${sheet.accountName}`}
      >
        <dt className="text-ink-2">Statement</dt>
        <dd className="text-right">{figure(sheet.proof.statement.closing ?? '0')}</dd>
        <dt className="text-ink-2">Ticked</dt>
        <dd className="text-right">{figure(sheet.proof.ticked.closing ?? '0')}</dd>
        <dt className="border-t border-ink-2 font-semibold">Apart</dt>
        <dd className="border-t border-ink-2 text-right">
          {isZero(sheet.difference) ? (
            <span className="text-needle">nothing</span>
          ) : (
            <Apart amount={sheet.difference} />
          )}
        </dd>
      </dl>
      {postings.length === 0 && <p className="text-ink-2">No posting is open in it.</p>}
      <ul aria-label={`Open in ${sheet.accountName}`} className="min-h-0 flex-1 overflow-auto">
        {postings.map((p) => (
          <li
            key={p.postingId}
            className={`flex items-center gap-2 border-b border-hairline py-1 ${p.amount === opposite(amount) ? 'bg-dusk-tint' : ''}`}
          >
            <Check
              checked={p.ticked}
              disabled={sheet.finished}
              aria-label={`Tick ${p.payee} ${figure(p.amount)}`}
              onChange={(now) => tick([p.postingId], now)}
            />
            <span className="w-[52px] flex-none text-ink-2">{day(p.date)}</span>
            <span className="flex-1 truncate">
              {p.payee}
              {p.amount === opposite(amount) && <span className="sr-only">, the other side of the selected line</span>}
            </span>
            <span>{signed(p.amount)}</span>
          </li>
        ))}
      </ul>
      {sheet.unposted.length > 0 && (
        <p className="pt-2 text-small text-ink-2">
          {counted(sheet.unposted.length, 'line')} of it {sheet.unposted.length === 1 ? 'waits' : 'wait'} to be posted,
          together {signed(sheet.unpostedSum)}.
        </p>
      )}
      <p className="pt-2">
        <Link className={textLink()} to={`/reconcile/${sheet.id}${search}`}>
          Go to {sheet.accountName}
        </Link>
      </p>
    </>
  )
}

/** What a transfer shows on its other account. */
function opposite(amount: string | undefined): string | undefined {
  return amount === undefined || isZero(amount) ? undefined : negated(amount)
}
