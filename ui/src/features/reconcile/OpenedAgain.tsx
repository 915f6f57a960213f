import { useMutation, useQuery } from '@tanstack/react-query'
import { api, data, type Schemas } from '@/api/client'
import { booksChanged, queryClient } from '@/api/queries'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { Apart, Flow } from '@/parts/Amount'
import { Button } from '@/parts/Button'
import { counted, day, figure, isZero, moment } from '@/parts/figures'
import { noteBox } from '@/parts/look'
import { InspectorHead } from '@/parts/View'

type Sheet = Schemas['SheetJson']
type Break = Schemas['BreakJson']
type Opened = Schemas['OpenedAgainJson']

/** Who opened a statement again that had agreed, and what of it changed since; nothing of any other. */
export function useOpenedAgain(sheet: Sheet): Opened | undefined {
  const state = useQuery({
    queryKey: ['statement', sheet.id, 'breaks', sheet.tickedBalance, sheet.postings.length],
    enabled: !sheet.finished,
    queryFn: () => data(api.GET('/api/statements/{id}/breaks', { params: { path: { id: sheet.id } } })),
    placeholderData: (previous) => previous,
  })
  return sheet.finished ? undefined : state.data?.openedAgain
}

/** That the chain is broken here, over the rows of the statement. */
export function OpenedAgainNote({ opened, onLook }: { opened: Opened; onLook: () => void }) {
  const { breaks, apart } = opened
  return (
    <div className="flex flex-none items-baseline gap-3 border-b border-hairline bg-aril-tint px-(--edge) py-1.5">
      <span className="min-w-0 flex-1 truncate" title={opened.because}>
        It agreed, until {opened.who} opened it again, {moment(opened.at)}: {opened.because}
      </span>
      <span>
        {breaks.length === 0 ? (
          'nothing changed since'
        ) : (
          <>
            {counted(breaks.length, 'posting')} changed since, <Apart amount={apart} />
          </>
        )}
      </span>
      {breaks.length > 0 && (
        <Button size="small" onClick={onLook}>
          What changed <kbd>C</kbd>
        </Button>
      )}
    </div>
  )
}

const HOW: Record<Break['how'], string> = {
  UNTICKED: 'is ticked no more',
  AMOUNT: 'has another amount',
  DAY: 'has another day',
  ELSEWHERE: 'stands on another account',
  GONE: 'is gone from the books',
  ADDED: 'was not among what was agreed',
}

/** Each posting that is not as it was agreed: who, when, what and how much, and the way back. */
export function WhatChanged({ sheet, opened, onClose }: { sheet: Sheet; opened: Opened; onClose: () => void }) {
  return (
    <>
      <InspectorHead title="What changed" figure={<Apart amount={opened.apart} />}>
        since it agreed at {figure(opened.closingAgreed)}, {sheet.currency}
      </InspectorHead>
      {opened.breaks.length === 0 && <p className={noteBox()}>Everything is as it was agreed.</p>}
      <ol className="grid gap-2">
        {opened.breaks.map((broken) => (
          <Changed key={broken.postingId} sheet={sheet} broken={broken} />
        ))}
      </ol>
      <div className="mt-3">
        <Button onClick={onClose}>Back to the line</Button>
      </div>
    </>
  )
}

function Changed({ sheet, broken }: { sheet: Sheet; broken: Break }) {
  const says = useSays()
  const { by } = broken
  const undoes = broken.how === 'GONE' || broken.how === 'ELSEWHERE'
  const restore = useMutation({
    mutationFn: async () => {
      if (undoes) await data(api.POST('/api/acts/{id}/undo', { params: { path: { id: by?.actId ?? '' } } }))
      else
        queryClient.setQueryData(
          ['sheet', sheet.id],
          await data(
            api.POST('/api/statements/{id}/breaks/restore', {
              params: { path: { id: sheet.id } },
              body: { postingId: broken.postingId },
            }),
          ),
        )
    },
    onSuccess: () => says.done(`No. ${broken.entryNo} is back as it was. Ctrl Z takes it back.`),
    onError: (error) => says.failed(error),
    onSettled: () => booksChanged(),
  })
  return (
    <li className="border-b border-hairline pb-2">
      <div className="flex justify-between gap-3">
        <span>
          <b className="font-medium">{broken.payee}</b> no. {broken.entryNo}, {day(broken.date)}
        </span>
        {isZero(broken.change) ? '=' : <Apart amount={broken.change} />}
      </div>
      <p className="text-ink-2">
        {HOW[broken.how]}
        {broken.agreed && broken.now && broken.agreed !== broken.now && (
          <>
            : <Flow amount={broken.agreed} /> then, <Flow amount={broken.now} /> now
          </>
        )}
        {broken.dateNow && `: ${day(broken.date)} then, ${day(broken.dateNow)} now`}
        {!broken.ticked && broken.standingId && broken.how !== 'UNTICKED' && '; not ticked'}
      </p>
      {by && (
        <p className="text-small text-ink-2">
          {by.who}, {moment(by.at)}: {by.words}
        </p>
      )}
      {(by || !undoes) && (
        <MayChange>
          <Button size="small" className="mt-1" onClick={() => restore.mutate()}>
            {undoes ? 'Undo that' : broken.how === 'ADDED' ? 'Untick it' : 'Restore it'}
          </Button>
        </MayChange>
      )}
    </li>
  )
}
