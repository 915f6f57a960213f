import { useQuery } from '@tanstack/react-query'
import { type DragEvent, useMemo, useState } from 'react'
import { api, data } from '@/api/client'
import { accounts, books, booksChanged } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange, useMayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { useScope } from '@/app/scope'
import { Button } from '@/parts/Button'
import { counted } from '@/parts/figures'
import { Grid } from '@/parts/grid/Grid'
import { textLink } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Select } from '@/parts/Select'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useSaidAct } from '@/parts/useSaidAct'
import { useSelection } from '@/parts/useSelection'
import { Head, Leaf, View } from '@/parts/View'
import { ApplyRule } from './ApplyRule'
import { begin, type Draft, draftOf } from './draft'
import { RuleEditor } from './RuleEditor'
import { COLUMNS, RuleCells } from './RuleRow'
import { namesOf } from './Sentence'
import { SuggestedRules } from './SuggestedRules'
import type { Rule } from './types'

/** The rules in their order, each as a sentence. */
export function Rules() {
  const rules = useQuery({ queryKey: ['rules'], queryFn: () => data(api.GET('/api/rules')) })
  const all = useQuery(accounts)
  const { book } = useScope()
  if (rules.error && !rules.data) return <Failed error={rules.error} retry={rules.refetch} />
  if (!rules.data || !all.data) return <Loading what="rules" />
  return <RulesPage rules={rules.data.filter((r) => !book || r.rule.bookId === book)} order={rules.data} />
}

/** A rule that is being made: from nothing, or from a suggestion. */
interface Making {
  name: string
  first: Draft
}

function RulesPage({ rules, order }: { rules: Rule[]; order: Rule[] }) {
  const says = useSays()
  const act = useSaidAct()
  const mayChange = useMayChange()
  const { book } = useScope()
  const { data: all = [] } = useQuery(accounts)
  const { data: allBooks = [] } = useQuery(books)
  const nameOf = useMemo(() => namesOf(all), [all])
  const review = useQuery({ queryKey: ['rules', 'review'], queryFn: () => data(api.GET('/api/rules/review')) })
  const selection = useSelection(
    rules.map((r) => r.id),
    'rule',
  )
  const { selected, select } = selection
  const [making, setMaking] = useState<Making>()
  const [shows, setShows] = useState<'suggested' | 'apply'>()
  const [dragged, setDragged] = useState<string>()
  const rule = rules.find((r) => r.id === selected)
  const suggested = (review.data?.suggested ?? []).filter((s) => !book || s.bookId === book)

  function moveTo(moved: Rule, no: number) {
    if (no === moved.no) return
    act(
      () => api.POST('/api/rules/{id}/move', { params: { path: { id: moved.id } }, body: { no } }),
      `Rule ${moved.no} is now number ${no}.`,
    )
  }
  function move(step: number) {
    // The neighbour within what is shown may stand further away in the order of all rules.
    const neighbour = rule && rules[rules.indexOf(rule) + step]
    if (rule && neighbour) moveTo(rule, neighbour.no)
  }
  function remove() {
    if (!rule) return
    const params = { path: { id: rule.id }, query: { version: rule.version } }
    act(() => api.DELETE('/api/rules/{id}', { params }), `Rule ${rule.no} removed. What it posted stays.`)
  }
  function flip() {
    if (!rule) return
    const params = { path: { id: rule.id }, query: { version: rule.version } }
    act(
      () => api.PUT('/api/rules/{id}', { params, body: { ...rule.rule, on: !rule.rule.on } }),
      `Rule ${rule.no} is switched ${rule.rule.on ? 'off' : 'on'}.`,
    )
  }
  function copy(bookId: string) {
    if (!rule) return
    const to = allBooks.length > 1 ? `, for ${allBooks.find((b) => b.id === bookId)?.name}` : ''
    act(
      () => api.POST('/api/rules/{id}/copy', { params: { path: { id: rule.id } }, body: { bookId } }),
      `Rule ${rule.no} copied as rule ${order.length + 1}${to}.`,
    )
  }
  function makeNew() {
    const bookId = book ?? rule?.rule.bookId ?? allBooks[0]?.id ?? ''
    setMaking({ name: 'new', first: begin(bookId, {}, '', 'OUT') })
  }

  useCommands([
    ...([-1, 1] as const).map((step) => ({
      keys: [step < 0 ? 'Alt+ArrowUp' : 'Alt+ArrowDown'],
      label: step < 0 ? 'Move the rule up' : 'Move the rule down',
      changes: true,
      onRow: true,
      strip: 'move in order',
      run: () => move(step),
    })),
    { keys: ['n'], label: 'New rule', changes: true, strip: 'new rule', run: makeNew },
    {
      keys: ['o'],
      label: rule?.rule.on === false ? 'Switch the rule on' : 'Switch the rule off',
      id: 'switch rule',
      changes: true,
      onRow: true,
      strip: rule?.rule.on === false ? 'switch on' : 'switch off',
      run: flip,
    },
    {
      keys: ['a'],
      label: 'Apply the rule to what is booked',
      changes: true,
      onRow: true,
      strip: 'apply',
      run: () => rule && setShows('apply'),
    },
    ...(suggested.length > 0
      ? [{ keys: ['s'], label: 'Suggested rules', strip: 'suggested', run: () => setShows('suggested') }]
      : []),
    { keys: ['Delete'], label: 'Remove the rule', changes: true, onRow: true, strip: 'remove', run: remove },
  ])

  const drag = (r: Rule) =>
    mayChange
      ? {
          draggable: true,
          onDragStart: () => setDragged(r.id),
          onDragEnd: () => setDragged(undefined),
          onDragOver: (event: DragEvent) => dragged && event.preventDefault(),
          onDrop: () => {
            const moved = rules.find((one) => one.id === dragged)
            if (moved) moveTo(moved, r.no)
          },
        }
      : undefined

  return (
    <View beside>
      <Leaf>
        <Head title="Rules" about="tried from the top, the first that fits decides">
          {suggested.length > 0 && (
            <button type="button" className={textLink()} onClick={() => setShows('suggested')}>
              {counted(suggested.length, 'rule')} suggested
            </button>
          )}
          <MayChange>
            <Button onClick={makeNew}>
              New rule <kbd>N</kbd>
            </Button>
          </MayChange>
        </Head>
        {rules.length === 0 ? (
          <Nothing title="No rules yet">
            <p>A rule books all lines like one. Make one here, or in Post from a line that waits.</p>
          </Nothing>
        ) : (
          <Scroll grid label="Rules in order">
            <Grid
              label="Rules"
              columns={COLUMNS}
              items={rules.map((r) => ({ key: r.id, height: 53, row: r, attributes: drag(r) }))}
              selection={selection}
              onPick={() => setMaking(undefined)}
              cells={(r) => (
                <RuleCells
                  rule={r}
                  order={order}
                  nameOf={nameOf}
                  result={review.data?.results.find((one) => one.ruleId === r.id)}
                  onMoveTo={mayChange ? (no) => moveTo(r, no) : undefined}
                />
              )}
            />
          </Scroll>
        )}
      </Leaf>
      {making ? (
        <RuleEditor
          key={making.name}
          name={making.name}
          first={making.first}
          no={order.length + 1}
          onClose={() => setMaking(undefined)}
          onSaved={async (made) => {
            setMaking(undefined)
            await booksChanged()
            select(made.id)
            says.done(`Rule ${made.no} made. It applies to ${counted(made.waiting, 'waiting line')}.`)
          }}
        />
      ) : (
        rule && (
          <RuleEditor
            key={rule.id + rule.version}
            rule={rule}
            name={`${rule.id} ${rule.version}`}
            first={draftOf(rule.rule)}
            onClose={() => {}}
            onSaved={async () => {
              await booksChanged()
              says.done(`Rule ${rule.no} changed.`)
            }}
            more={
              <>
                <Button onClick={flip}>
                  {rule.rule.on ? 'Switch off' : 'Switch on'} <kbd>O</kbd>
                </Button>
                <Button tone="kill" onClick={remove}>
                  Remove <kbd>Delete</kbd>
                </Button>
                <Button onClick={() => setShows('apply')}>
                  Apply <kbd>A</kbd>
                </Button>
                <Select
                  line
                  className="h-7"
                  aria-label="Copy the rule"
                  value=""
                  empty="Copy for…"
                  options={allBooks.map((b) => ({ value: b.id, name: b.name }))}
                  onChange={copy}
                />
              </>
            }
          />
        )
      )}
      {shows === 'suggested' && (
        <SuggestedRules
          suggested={suggested}
          onClose={() => setShows(undefined)}
          onBegin={(s) => {
            const first = begin(s.bookId, { payee: s.payee }, s.words, s.direction)
            first.shares = first.shares.map((share) => ({ ...share, accountId: s.accountId }))
            setShows(undefined)
            setMaking({ name: `suggested ${s.words} ${s.direction}`, first })
          }}
        />
      )}
      {shows === 'apply' && rule && <ApplyRule rule={rule} onClose={() => setShows(undefined)} />}
    </View>
  )
}
