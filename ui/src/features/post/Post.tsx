import { useQuery } from '@tanstack/react-query'
import { useMemo, useRef, useState } from 'react'
import { api, data } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { type Command, useCommands } from '@/app/commands'
import { useSays } from '@/app/says'
import { useScope } from '@/app/scope'
import { RuleFromLines } from '@/features/rules/RuleFromLines'
import type { Account } from '@/parts/AccountPicker'
import { counted } from '@/parts/figures'
import { ChosenSum } from '@/parts/grid/ChosenSum'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { Leaf, View } from '@/parts/View'
import { acceptedOf, accountOf, alikeOf, type Booking, isReady, payeeOf, transferOf } from './booking'
import { LeftOutLink } from './LeftOut'
import { LineInspector } from './LineInspector'
import { type Finding, type Order, PostHead } from './PostHead'
import { StackTable } from './StackTable'
import { TrustedPostsLink } from './TrustedPosts'
import type { Reason, StacksPage, Waiting } from './types'
import { useAnswers } from './useAnswers'
import { usePosting } from './usePosting'

/** Waiting lines, stacked by reason; the selected one shown as the entry that it would become. */
export function Post() {
  const { book } = useScope()
  const [find, setFind] = useState('')
  const [order, setOrder] = useState<Order>('DATE')
  const [paged, setPaged] = useState<Paged>()
  const stacks = useQuery({
    queryKey: ['waiting', book, find, order, paged],
    queryFn: () =>
      data(
        api.GET('/api/waiting-lines', { params: { query: { book, text: find.trim() || undefined, order, ...paged } } }),
      ),
    placeholderData: (previous, query) => (query?.queryKey[1] === book ? previous : undefined),
  })
  if (stacks.error && !stacks.data) return <Failed error={stacks.error} retry={stacks.refetch} />
  if (!stacks.data) return <Loading what="waiting lines" />
  if (stacks.data.count === 0 && find === '') {
    return (
      <View>
        <Nothing title="Nothing waits to be posted">
          <p>Every bank line that was gathered is in the journal or left out. New ones come by Gather.</p>
          <TrustedPostsLink />
          <LeftOutLink />
        </Nothing>
      </View>
    )
  }
  return <PostPage page={stacks.data} finding={{ find, setFind, order, setOrder }} onPaged={setPaged} />
}

/** Which page of a stack is looked at. */
interface Paged {
  of: Reason
  page: number
}

type Mode = 'look' | 'change' | 'split' | 'rule' | 'leave' | 'pair'

function PostPage({ page, finding, onPaged }: { page: StacksPage; finding: Finding; onPaged: (paged: Paged) => void }) {
  const box = useRef<HTMLInputElement>(null)
  const says = useSays()
  const [folded, setFolded] = useState<Set<Reason>>(new Set())
  const answers = useAnswers()
  const { answerFor, isTicked, tick } = answers
  const [mode, setMode] = useState<Mode>('look')
  /** The line that is being answered in its row. */
  const [answering, setAnswering] = useState<string>()
  /** What was just said of a line may hold for others that look like it. */
  const [alike, setAlike] = useState<{ of: string; bookings: Record<string, Booking> }>()

  const shown = useMemo(() => page.stacks.filter((s) => !folded.has(s.reason)).flatMap((s) => s.lines), [page, folded])
  const selection = useSelection(
    shown.map((l) => l.id),
    'line',
  )
  const { select, move } = selection
  const line = shown.find((l) => l.id === selection.selected)
  const chosen = shown.filter((l) => selection.chosen.has(l.id))
  const several = chosen.length > 1

  const { send, pair } = usePosting(answers, (stayed) => {
    setMode('look')
    if (stayed) select(stayed)
  })
  const post = (lines: Waiting[]) => send(acceptedOf(lines, answerFor))

  function takeAlike() {
    if (!alike) return
    answers.book(alike.bookings)
    setAlike(undefined)
  }
  const stackOf = (l: Waiting) => page.stacks.find((s) => s.lines.some((other) => other.id === l.id))
  const tickedOf = (lines: Waiting[]) => lines.filter(isTicked)

  function nextStack() {
    const reasons = page.stacks.map((s) => s.reason)
    const here = line ? reasons.indexOf(stackOf(line)?.reason ?? 'RULE') : -1
    const next = page.stacks[(here + 1) % page.stacks.length]
    if (!next) return
    setFolded((old) => new Set([...old].filter((r) => r !== next.reason)))
    select(next.lines[0]?.id)
  }

  /** What was said of a line, with what it may say of others. */
  function say(l: Waiting, booking: Booking) {
    answers.book({ [l.id]: booking })
    setAlike({
      of: payeeOf({ booking }),
      bookings: alikeOf(
        l,
        booking,
        page.stacks.flatMap((s) => s.lines),
        answerFor,
      ),
    })
  }
  function answerOn(l: Waiting | undefined) {
    setAnswering(l?.id)
    if (!l) return
    select(l.id)
    setMode('look')
  }
  /** Answered by name alone, the next open question is asked; what needs more is asked beside. */
  function answered(l: Waiting, account: Account) {
    const before = answerFor(l)
    const said = 'standing' in before ? undefined : before.booking
    const payee = payeeOf(before) || l.name
    const booking: Booking = {
      payee,
      note: said?.note ?? '',
      tags: said?.tags,
      parts: [{ accountId: account.id, amount: l.amount }],
    }
    say(l, booking)
    if (payee === '' || (account.hasOpeningBalance && account.currency !== l.currency)) {
      setAnswering(undefined)
      return setMode('change')
    }
    const rest = shown.slice(shown.indexOf(l) + 1)
    answerOn(rest.find((other) => !isReady(answerFor(other))))
  }

  const transfer = chosen.length === 2 ? transferOf(chosen) : undefined
  const alone: Command[] = several
    ? []
    : [
        { keys: ['b'], label: 'Say on the line where it books to', strip: 'answer', run: () => answerOn(line) },
        { keys: ['c'], label: 'Change this line only', strip: 'change', run: () => setMode('change') },
        { keys: ['s'], label: 'Split this line', strip: 'split', run: () => setMode('split') },
        { keys: ['e'], label: 'Find the entry that it is', strip: 'find entry', run: () => setMode('pair') },
        { keys: ['o'], label: 'Leave this line out', strip: 'leave out', run: () => setMode('leave') },
      ].map((command) => ({ ...command, changes: true, onRow: true }))
  const offers = Object.keys(alike?.bookings ?? {}).length
  useCommands([
    ...(offers > 0
      ? [{ keys: ['a'], label: 'The same for those alike', changes: true, strip: 'same for alike', run: takeAlike }]
      : []),
    { keys: ['/'], label: 'Find waiting lines', run: () => box.current?.focus() },
    { keys: ['n'], label: 'Next stack', strip: 'next stack', run: nextStack },
    {
      keys: [' '],
      label: several ? 'Tick or untick these lines' : 'Tick or untick the line',
      id: 'tick',
      changes: true,
      strip: 'tick',
      onRow: true,
      run: () => {
        tick(chosen, !chosen.some(isTicked))
        if (!several) move(1)
      },
    },
    {
      keys: ['Enter'],
      id: 'post line',
      label: several ? `Post these ${chosen.length} lines` : 'Post this line',
      changes: true,
      strip: several ? 'post these' : 'post line',
      onRow: true,
      run: () => post(chosen),
    },
    {
      keys: ['Shift+Enter'],
      label: 'Post the ticked lines of this stack',
      changes: true,
      strip: 'post stack',
      run: () => line && post(tickedOf(stackOf(line)?.lines ?? [])),
    },
    ...(transfer
      ? [
          {
            keys: ['t'],
            label: 'They are one transfer',
            changes: true,
            onRow: true,
            strip: 'one transfer',
            run: () => send([transfer]),
          },
        ]
      : []),
    ...alone,
    {
      keys: ['r'],
      label: several ? `Make a rule from these ${chosen.length} lines` : 'Make a rule from this line',
      id: 'make rule',
      changes: true,
      onRow: true,
      strip: 'make rule',
      run: () => setMode('rule'),
    },
    ...othersOf(line).map((a, i) => ({
      keys: [String(i + 1)],
      label: `It is no. ${a.entryNo}, ${a.payee}`,
      changes: true,
      onRow: true,
      run: () => line && pair(line, a.postingId, a.entryNo),
    })),
  ])

  return (
    <View beside>
      <Leaf>
        <PostHead ref={box} page={page} finding={finding} />
        <Scroll grid label="Lines to post">
          <StackTable
            page={page}
            folded={folded}
            onFold={(reason) =>
              setFolded((old) =>
                old.has(reason) ? new Set([...old].filter((r) => r !== reason)) : new Set([...old, reason]),
              )
            }
            selection={selection}
            onPick={() => {
              setMode('look')
              setAnswering(undefined)
            }}
            answerFor={answerFor}
            isTicked={isTicked}
            onTick={tick}
            onPost={post}
            stayed={answers.stayed}
            onLeaf={(of, page) => onPaged({ of, page })}
            onAnswer={answerOn}
            answering={answering}
            onAnswered={answered}
            onAnswerLeft={() => setAnswering(undefined)}
          />
        </Scroll>
        <ChosenSum what="line" amounts={chosen.map((l) => ({ amount: l.amount, currency: l.currency }))} />
      </Leaf>
      {line && mode === 'rule' && (
        <RuleFromLines
          lines={chosen.length > 0 ? chosen : [line]}
          accountId={accountOf(answerFor(line))}
          onClose={() => setMode('look')}
          onSaved={async (rule) => {
            setMode('look')
            await booksChanged()
            says.done(`Rule ${rule.no} made. It applies to ${counted(rule.waiting, 'waiting line')}.`)
          }}
        />
      )}
      {line && mode !== 'rule' && (
        <LineInspector
          key={line.id}
          line={line}
          answer={answerFor(line)}
          several={chosen.length}
          mode={mode}
          setMode={setMode}
          onChange={(booking) => say(line, booking)}
          stayed={answers.stayed[line.id]}
          onPaired={(entry) => {
            answers.pairWith(line.id, entry)
            setMode('look')
          }}
          onDifference={(accountId) => answers.place(line.id, accountId)}
          alike={{ of: alike?.of ?? '', count: offers }}
          onAlike={takeAlike}
          onPost={() => post(chosen)}
          onPair={(postingId, entryNo) => pair(line, postingId, entryNo)}
        />
      )}
    </View>
  )
}

/** The entries that a line may be besides the one that is proposed, each of which has a key. */
const othersOf = (line: Waiting | undefined) =>
  (line?.alternatives ?? []).filter((a) => a.postingId !== line?.proposal?.standing?.postingId).slice(0, 3)
