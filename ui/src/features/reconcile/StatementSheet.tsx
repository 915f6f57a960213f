import { usePrefetchQuery, useQuery } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { booksChanged, queryClient } from '@/api/queries'
import { type Command, useCommands } from '@/app/commands'
import { useSays } from '@/app/says'
import { useScopeSearch } from '@/app/scope'
import { QuickEntry } from '@/features/journal/QuickEntry'
import { isZero, longDay } from '@/parts/figures'
import { ChosenSum } from '@/parts/grid/ChosenSum'
import { allPayees } from '@/parts/PayeePicker'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { Leaf, View } from '@/parts/View'
import { InHand } from './InHand'
import { OpenedAgainNote, useOpenedAgain } from './OpenedAgain'
import { amountOf, nextOrder } from './order'
import { PairChosen } from './PairChosen'
import { Proof } from './Proof'
import { ReopenStatement } from './ReopenStatement'
import {
  chosenSides,
  groupsOf,
  hasLines,
  paperGroups,
  postingsOf,
  type SheetRow,
  together,
  type Way,
  wayOf,
} from './rows'
import { type Beside, SheetBeside } from './SheetBeside'
import { AgreedFoot, OpenFoot } from './SheetFoot'
import { SheetTable } from './SheetTable'
import { useComparison } from './useComparison'
import { useSheetRows } from './useSheetRows'
import { useTicks } from './useTicks'

type Sheet = Schemas['SheetJson']

/** One statement, ticked off until nothing is apart. */
export function StatementSheet() {
  const { statementId = '' } = useParams()
  const sheet = useQuery({
    queryKey: ['sheet', statementId],
    queryFn: () => data(api.GET('/api/statements/{id}', { params: { path: { id: statementId } } })),
  })
  if (sheet.error && !sheet.data) return <Failed error={sheet.error} retry={sheet.refetch} />
  if (!sheet.data) return <Loading what="the statement" />
  return <SheetPage key={statementId} stored={sheet.data} />
}

function SheetPage({ stored }: { stored: Sheet }) {
  const { sheet, tick } = useTicks(stored)
  const says = useSays()
  const navigate = useNavigate()
  const search = useScopeSearch()
  const [beside, setBeside] = useState<Beside>('line')
  const [typing, setTyping] = useState(false)
  usePrefetchQuery(allPayees)
  const [reopening, setReopening] = useState(false)
  const opened = useOpenedAgain(sheet)
  const isApart = !sheet.finished && !isZero(sheet.difference)
  const amount = useRef<HTMLInputElement>(null)
  const compares = hasLines(sheet)
  const { comparison, settle } = useComparison(sheet, compares)
  const rows = useSheetRows(!compares ? paperGroups(sheet) : comparison.data ? groupsOf(sheet, comparison.data) : [])
  const { selection, selected } = rows
  const atBank = sheet.postings.filter((p) => p.bankText !== undefined)
  const several = rows.chosen.length > 1
  const chosen = rows.chosen.flatMap(postingsOf)
  const toPair = several && compares ? chosenSides(rows.chosen) : undefined

  async function run(work: Promise<{ data?: Sheet }>): Promise<boolean> {
    try {
      queryClient.setQueryData(['sheet', sheet.id], await data(work))
      says.clear()
      return true
    } catch (error) {
      says.failed(error)
      await queryClient.invalidateQueries({ queryKey: ['sheet', sheet.id] })
      return false
    }
  }
  const path = { id: sheet.id }
  function settleRows(of: SheetRow[]) {
    const ways = of.map(wayOf).filter((way): way is Way => way !== undefined)
    if (ways.length > 0) settle(together(ways))
    else if (of.some((row) => 'only' in row)) navigate(`/post${search}`)
  }
  function tickAllAtBank() {
    const open = atBank.filter((p) => !p.ticked)
    tick(
      (open.length ? open : atBank).map((p) => p.postingId),
      open.length > 0,
    )
  }
  async function agree() {
    const query = { version: sheet.version }
    if (await run(api.POST('/api/statements/{id}/finish', { params: { path, query } }))) {
      await booksChanged()
      says.done(`${sheet.accountName} agrees through ${longDay(sheet.closesOn)}.`)
      navigate(`/${search}`)
    }
  }
  async function leaveOpen() {
    await booksChanged()
    navigate(`/reconcile${search}`)
  }

  const report = `/reconcile/${sheet.id}/report${search}`
  const ofAgreed: Command[] = [
    { keys: ['r'], label: 'The report of what was agreed', strip: 'report', run: () => navigate(report) },
    {
      keys: ['o'],
      label: 'Open the statement again',
      changes: true,
      strip: 'open again',
      run: () => setReopening(true),
    },
  ]
  const ofOpen: Command[] = [
    {
      keys: [' '],
      id: 'tick',
      label: several ? 'Tick or untick these lines' : 'Tick or untick the line',
      changes: true,
      strip: 'tick',
      onRow: true,
      run: () => {
        tick(
          chosen.map((p) => p.postingId),
          chosen.some((p) => !p.ticked),
        )
        if (!several) selection.move(1)
      },
    },
    ...(compares
      ? [
          {
            keys: ['Enter'],
            id: 'settle',
            label: several ? 'Settle these lines' : ((selected && wayOf(selected)?.label) ?? 'Settle the line'),
            changes: true,
            strip: 'settle it',
            onRow: true,
            run: () => settleRows(rows.chosen),
          },
        ]
      : []),
    {
      keys: ['a'],
      label: 'Tick all that the bank shows',
      changes: true,
      strip: 'tick all at the bank',
      run: tickAllAtBank,
    },
    {
      keys: ['t'],
      label: 'Tick by amount',
      changes: true,
      strip: 'by amount',
      run: () => amount.current?.focus(),
    },
    {
      keys: ['e'],
      label: 'Correct the statement’s day or balance',
      changes: true,
      strip: 'correct',
      run: () => setBeside('correcting'),
    },
    { keys: ['n'], label: 'New entry', changes: true, strip: 'new entry', run: () => setTyping(true) },
    ...(isApart ? [{ keys: ['w'], label: 'Why it is apart', strip: 'why apart', run: () => setBeside('apart') }] : []),
    ...(opened
      ? [
          {
            keys: ['c'],
            label: 'What changed since it agreed',
            strip: 'what changed',
            run: () => setBeside('changed'),
          },
        ]
      : []),
    { keys: ['g'], label: 'Agree the statement', changes: true, strip: 'agree', run: agree },
  ]
  useCommands([
    ...(sheet.finished ? ofAgreed : ofOpen),
    {
      keys: ['d'],
      label: 'The statement itself, as PDF or picture',
      strip: 'document',
      run: () => setBeside('document'),
    },
    {
      keys: ['b'],
      label: 'Another statement in hand beside this one',
      strip: 'another beside',
      run: () => setBeside('other'),
    },
    {
      keys: ['s'],
      label: `Sort by ${nextOrder(rows.order)}`,
      strip: `sort by ${nextOrder(rows.order)}`,
      id: 'sort',
      run: () => rows.sort(nextOrder(rows.order)),
    },
    {
      keys: ['h'],
      label: rows.hides ? 'Show what is ticked' : 'Hide what is ticked',
      strip: rows.hides ? 'show ticked' : 'hide ticked',
      run: rows.hide,
    },
    ...(rows.hasSetAsides
      ? [
          {
            keys: ['v'],
            label: rows.ownOnly ? 'Show its set-asides too' : 'Leave its set-asides out',
            strip: rows.ownOnly ? 'with set-asides' : 'without set-asides',
            id: 'set-asides',
            run: rows.leaveSetAsides,
          },
        ]
      : []),
    {
      keys: ['l'],
      label: sheet.finished ? 'Back to the statements' : 'Leave it open',
      strip: sheet.finished ? 'statements' : 'leave open',
      run: leaveOpen,
    },
  ])

  // What is agreed is not corrected any more, and what agrees is not apart.
  const none = (beside === 'apart' && !isApart) || (beside === 'changed' && !opened)
  const shown = none || (sheet.finished && beside !== 'document' && beside !== 'other') ? 'line' : beside
  return (
    <View
      beside
      above={
        <>
          <InHand sheet={sheet} />
          <Proof sheet={sheet} />
        </>
      }
      className={shown === 'document' ? '[--insp:min(42vw,540px)]' : ''}
    >
      <Leaf>
        {rows.ownOnly && (
          <p className="flex-none border-b border-hairline px-(--edge) py-1 text-small text-ink-2">
            Its set-asides are left out of the list. The proof counts them, since the bank sees the sum.
          </p>
        )}
        {opened && <OpenedAgainNote opened={opened} onLook={() => setBeside('changed')} />}
        {typing && !sheet.finished && (
          <QuickEntry
            bookId={sheet.bookId}
            fixedId={sheet.accountId}
            day={sheet.closesOn}
            onClose={() => setTyping(false)}
          />
        )}
        {sheet.postings.length + sheet.unposted.length === 0 ? (
          <Nothing title={sheet.cash ? 'Nothing came or went' : 'Nothing to tick yet'}>
            {sheet.cash
              ? 'The books have nothing of this cash since it was counted last. Type what was paid from it or came into it: N begins an entry.'
              : `No posting up to ${longDay(sheet.closesOn)} is open. Gather and post its lines, or type what the statement shows: N begins an entry.`}
          </Nothing>
        ) : (
          <Scroll grid label="The statement">
            {compares && !comparison.data ? (
              comparison.error ? (
                <Failed error={comparison.error} retry={comparison.refetch} />
              ) : (
                <Loading what="what both sides have" />
              )
            ) : (
              <SheetTable sheet={sheet} rows={rows} onTick={tick} onSettle={(row) => settleRows([row])} />
            )}
          </Scroll>
        )}
        {toPair ? (
          <PairChosen sides={toPair} currency={sheet.currency} onPair={(way) => settle(way.settle)} />
        ) : (
          <ChosenSum
            what="line"
            count={rows.chosen.length}
            amounts={rows.chosen.map((row) => ({ amount: amountOf(row), currency: sheet.currency }))}
          />
        )}
        {sheet.finished ? (
          <AgreedFoot report={report} onReopen={() => setReopening(true)} />
        ) : (
          <OpenFoot
            sheet={sheet}
            amount={amount}
            tickAllAtBank={atBank.length > 0 ? tickAllAtBank : undefined}
            tick={tick}
            leaveOpen={leaveOpen}
            agree={agree}
          />
        )}
      </Leaf>
      <SheetBeside
        shown={shown}
        sheet={sheet}
        opened={opened}
        selected={selected}
        show={setBeside}
        onType={() => setTyping(true)}
      />
      {reopening && <ReopenStatement sheet={sheet} onClose={() => setReopening(false)} />}
    </View>
  )
}
