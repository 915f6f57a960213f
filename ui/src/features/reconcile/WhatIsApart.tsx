import { useMutation, useQuery } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { booksChanged, queryClient } from '@/api/queries'
import { type Command, useCommands } from '@/app/commands'
import { MayChange, useMayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { useScopeSearch } from '@/app/scope'
import { Button } from '@/parts/Button'
import { counted, day, figure, signed } from '@/parts/figures'
import { raw, textLink } from '@/parts/look'
import { Failed, Loading } from '@/parts/States'
import { Acts, InspectorHead } from '@/parts/View'
import { LastResort } from './LastResort'

type Sheet = Schemas['SheetJson']
type Reason = Schemas['GapReasonJson']
type Way = Schemas['GapWayJson']
type Part = Schemas['GapPartJson']

/** So many things of one reason are listed; more are counted. */
const MOST_ITEMS = 6

/** So many have a key. */
const KEYS = 9

/** Why a statement and its ticked postings may be apart: each reason with what puts it right. */
export function WhatIsApart({
  sheet,
  onType,
  onClose,
}: {
  sheet: Sheet
  /** Types what is missing, where one stands. */
  onType: () => void
  onClose: () => void
}) {
  const says = useSays()
  const path = { id: sheet.id }
  const reasons = useQuery({
    queryKey: ['statement', sheet.id, 'gap', sheet.version, sheet.tickedBalance],
    queryFn: () => data(api.GET('/api/statements/{id}/gap', { params: { path } })),
  })
  const settle = useMutation({
    mutationFn: (way: Way) =>
      data(api.POST('/api/statements/{id}/gap', { params: { path }, body: { parts: way.parts.map(seen) } })),
    onSuccess: async (answer, way) => {
      queryClient.setQueryData(['sheet', sheet.id], answer)
      await booksChanged()
      says.done(`${way.parts.map((part) => DONE[part.kind]).join(' ')} Ctrl Z takes it back.`)
    },
    onError: async (error) => {
      says.failed(error)
      await queryClient.invalidateQueries({ queryKey: ['statement', sheet.id, 'gap'] })
    },
  })
  const mayChange = useMayChange()
  const ways = (reasons.data?.reasons ?? []).flatMap((reason) => reason.ways)
  const settled = ways.filter((way) => way.settled)
  const keyOf = (way: Way) => {
    const at = settled.indexOf(way)
    return at >= 0 && at < KEYS ? String(at + 1) : undefined
  }
  useCommands([
    ...settled.slice(0, KEYS).map(
      (way, at): Command => ({
        keys: [String(at + 1)],
        label: `Put right: ${way.parts.map(inShort).join(', and ')}`,
        changes: true,
        run: () => settle.mutate(way),
      }),
    ),
    { keys: ['Escape'], label: 'Back to the selected line', run: onClose },
  ])
  return (
    <>
      <InspectorHead title="What may be apart" figure={signed(sheet.difference)}>
        statement less ticked; the likeliest first
      </InspectorHead>
      {reasons.isPending && <Loading what="the reasons" />}
      {reasons.error && <Failed error={reasons.error} retry={reasons.refetch} />}
      {reasons.data && (
        <>
          <ol aria-label="Reasons" className="mb-3">
            {reasons.data.reasons.map((reason) => (
              <li key={reason.ways.map(idOf).join()} className="border-b border-hairline py-2.5">
                <OneReason
                  reason={reason}
                  alone={reasons.data.reasons.length === 1}
                  sheet={sheet}
                  act={(way) =>
                    way.settled && mayChange ? (
                      <Button size="small" onClick={() => settle.mutate(way)}>
                        {way.parts.map((part) => ACTS[part.kind]).join(', ')} {keyOf(way) && <kbd>{keyOf(way)}</kbd>}
                      </Button>
                    ) : null
                  }
                  onType={onType}
                />
              </li>
            ))}
          </ol>
          {!reasons.data.complete && (
            <p className="mb-3 text-small text-heartwood">
              So many open postings add up to it that not all combinations were looked at.
            </p>
          )}
        </>
      )}
      {reasons.data && <LastResort sheet={sheet} />}
      <Acts>
        <Button className="col-span-full" onClick={onClose}>
          Back to the selected line <kbd>Esc</kbd>
        </Button>
      </Acts>
    </>
  )
}

const seen = (part: Part) => ({ kind: part.kind, ids: part.items.map((item) => item.id), should: part.should })
const idOf = (way: Way) => way.parts.map((p) => p.kind + p.items.map((i) => i.id).join() + (p.should ?? '')).join()

/** What an act says on its button, and when it is done. */
const ACTS: Record<Part['kind'], string> = {
  UNTICKED: 'Tick',
  UNPOSTED: 'Post',
  OVERTICKED: 'Untick',
  DOUBLED: 'Make them one',
  TURNED: 'Turn it round',
  SWAPPED: 'Put the digits in order',
  OTHER_OPENING: '',
  MISSING: '',
}
const DONE: Record<Part['kind'], string> = {
  ...ACTS,
  UNTICKED: 'Ticked.',
  OVERTICKED: 'Unticked.',
  DOUBLED: 'Two entries are one.',
  TURNED: 'Turned round, and ticked.',
  SWAPPED: 'The amount is put right, and ticked.',
}

const TITLES: Record<Part['kind'], string> = {
  UNTICKED: 'Not ticked',
  UNPOSTED: 'Not posted',
  OVERTICKED: 'Ticked by mistake',
  DOUBLED: 'Booked twice',
  TURNED: 'The wrong way round',
  SWAPPED: 'Digits swapped',
  OTHER_OPENING: 'Another opening balance',
  MISSING: 'Missing on both sides',
}

/** Beside something known, what is missing is what that leaves. */
const isLeft = (part: Part, of: Way) => part.kind === 'MISSING' && of.parts.length > 1

function titleOf(way: Way): string {
  const [first, second] = way.parts.map((part) => (isLeft(part, way) ? 'a rest unexplained' : TITLES[part.kind]))
  return second ? `${first} and ${second.charAt(0).toLowerCase()}${second.slice(1)}` : (first ?? '')
}

function inShort(part: Part): string {
  const [first] = part.items
  return `${TITLES[part.kind].toLowerCase()}${first ? `, ${first.payee}` : ''}`
}

function OneReason({
  reason,
  alone,
  sheet,
  act,
  onType,
}: {
  reason: Reason
  /** Whether there is no other. */
  alone: boolean
  sheet: Sheet
  act: (way: Way) => ReactNode
  onType: () => void
}) {
  const [first] = reason.ways
  if (!first) return null
  // Of what nothing else explains, it is no use to say how likely it is.
  const chance = alone ? '' : reason.chance < 1 ? 'unlikely' : `${Math.min(reason.chance, 99)} %`
  return (
    <>
      <h3 className="flex items-baseline justify-between gap-2">
        <span>{titleOf(first)}</span>
        <span className="text-small font-normal text-ink-3" title="how likely it is beside the others">
          {chance}
        </span>
      </h3>
      {reason.ways.map((way) => (
        <div key={idOf(way)} className="mt-1.5">
          {way.parts.map((part) => (
            <PartSaid
              key={part.kind + part.items.map((i) => i.id).join()}
              part={part}
              left={isLeft(part, way)}
              sheet={sheet}
              onType={onType}
            />
          ))}
          {way.parts.length > 1 && <Sum parts={way.parts} difference={sheet.difference} />}
          <div className="mt-1 flex justify-end">{act(way)}</div>
        </div>
      ))}
      {reason.more > 0 && <p className="text-small text-ink-2">or one of {reason.more} more like it</p>}
    </>
  )
}

/** Two things that explain the difference together. */
function Sum({ parts, difference }: { parts: Part[]; difference: string }) {
  return (
    <p className="text-right text-small text-ink-2">
      {parts.map((part) => signed(part.explains)).join(' and ')} make{' '}
      <b className="border-b-3 border-double border-ink-2">{signed(difference)}</b>
    </p>
  )
}

function PartSaid({
  part,
  left,
  sheet,
  onType,
}: {
  part: Part
  /** Whether it is what the other part leaves. */
  left: boolean
  sheet: Sheet
  onType: () => void
}) {
  return (
    <>
      {left && (
        <p className="flex justify-between">
          left unexplained <span className="text-aril">{signed(part.explains)}</span>
        </p>
      )}
      {part.items.length > 0 && (
        <ul className="text-base">
          {part.items.slice(0, MOST_ITEMS).map((item) => (
            <li key={item.id} className="flex gap-2">
              <span className="w-[46px] flex-none text-ink-2">{day(item.date)}</span>
              <span className="min-w-0 flex-1 truncate" title={item.payee}>
                <span className={part.kind === 'UNPOSTED' ? raw : ''}>{item.payee}</span>{' '}
                {item.entryNo !== undefined && <span className="text-small text-ink-2">no. {item.entryNo}</span>}
              </span>
              <span className="flex-none">{signed(item.amount)}</span>
            </li>
          ))}
          {part.items.length > MOST_ITEMS && (
            <li className="text-ink-2">
              and {part.items.length - MOST_ITEMS} more, together {signed(part.explains)}
            </li>
          )}
        </ul>
      )}
      <p className="text-small text-ink-2">
        <Evidence part={part} sheet={sheet} onType={onType} />
      </p>
    </>
  )
}

function Evidence({ part, sheet, onType }: { part: Part; sheet: Sheet; onType: () => void }) {
  const search = useScopeSearch()
  const { items } = part
  switch (part.kind) {
    case 'UNTICKED':
      return items.length === 1
        ? 'In the books, and not ticked.'
        : `${counted(items.length, 'posting')} that make it together.`
    case 'UNPOSTED':
      return (
        <>
          {items.length === 1
            ? 'The bank shows it; the books have it not.'
            : `The bank shows these ${items.length} up to that day; the books have them not.`}{' '}
          <Link className={textLink({ size: 'small' })} to={`/post${search}`}>
            Post {items.length === 1 ? 'it' : 'them'}
          </Link>
        </>
      )
    case 'OVERTICKED':
      return 'Ticked: the statement may not have it.'
    case 'DOUBLED':
      return 'The same payee and amount, a few days apart.'
    case 'TURNED':
      return `Twice ${figure(items[0]?.amount.replace('-', '') ?? '')} is apart: it may have come in and not gone out, or the reverse.`
    case 'SWAPPED':
      return `${signed(part.should ?? '')} with two digits the other way round; what is apart divides by nine.`
    case 'OTHER_OPENING':
      return sheet.openingApart?.first ? (
        <>
          The statement opens with another balance.{' '}
          <Link className={textLink({ size: 'small' })} to={`/chart/opening${search}`}>
            Put it right
          </Link>
        </>
      ) : (
        'The statement opens with another balance than the one before it closed with: one of the two is misread, or one is missing between them.'
      )
    case 'MISSING':
      return (
        <>
          Nothing in the books or at the bank is like it.{' '}
          <MayChange>
            <button type="button" className={textLink({ size: 'small' })} onClick={onType}>
              Type what is missing
            </button>
          </MayChange>
        </>
      )
  }
}
