import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '@/api/client'
import { accounts, booksChanged } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { useScope } from '@/app/scope'
import { Button } from '@/parts/Button'
import { counted } from '@/parts/figures'
import { type Column, Grid } from '@/parts/grid/Grid'
import { Icon } from '@/parts/Icon'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { Head, Leaf, View } from '@/parts/View'
import { RuleEditor } from './RuleEditor'
import type { Rule } from './types'

/** The rules in their order, each as a sentence. */
export function Rules() {
  const rules = useQuery({ queryKey: ['rules'], queryFn: () => data(api.GET('/api/rules')) })
  const all = useQuery(accounts)
  const { book } = useScope()
  if (rules.error && !rules.data) return <Failed error={rules.error} retry={rules.refetch} />
  if (!rules.data || !all.data) return <Loading what="rules" />
  return <RulesPage rules={rules.data.filter((r) => !book || r.bookId === book)} order={rules.data} />
}

function RulesPage({ rules, order }: { rules: Rule[]; order: Rule[] }) {
  const says = useSays()
  const selection = useSelection(
    rules.map((r) => r.id),
    'rule',
  )
  const { selected, select } = selection
  const [making, setMaking] = useState(false)
  const rule = rules.find((r) => r.id === selected)

  async function act(work: () => Promise<unknown>, said: string, undo?: () => void) {
    try {
      await work()
      says.done(said, undo)
    } catch (error) {
      says.failed(error)
    }
    await booksChanged()
  }
  function move(step: number) {
    if (!rule) return
    // The neighbour within what is shown may stand further away in the order of all rules.
    const at = rules.indexOf(rule)
    const neighbour = rules[at + step]
    if (!neighbour) return
    act(
      () => api.POST('/api/rules/{id}/move', { params: { path: { id: rule.id } }, body: { no: neighbour.no } }),
      `Rule ${rule.no} is now number ${neighbour.no}.`,
    )
  }
  /** Makes a removed rule anew, at the place where it was. */
  function putBack(gone: Rule) {
    const { words, direction, onAccountId, payee, toAccountId } = gone
    act(async () => {
      const made = await data(api.POST('/api/rules', { body: { words, direction, onAccountId, payee, toAccountId } }))
      await api.POST('/api/rules/{id}/move', { params: { path: { id: made.id } }, body: { no: gone.no } })
    }, `Rule ${gone.no} is back.`)
  }
  function remove() {
    if (!rule) return
    const params = { path: { id: rule.id }, query: { version: rule.version } }
    act(
      () => api.DELETE('/api/rules/{id}', { params }),
      `Rule ${rule.no} removed. What it posted stays.`,
      () => putBack(rule),
    )
  }

  useCommands([
    {
      keys: ['Alt+ArrowUp'],
      label: 'Move the rule up',
      changes: true,
      onRow: true,
      strip: 'move in order',
      run: () => move(-1),
    },
    {
      keys: ['Alt+ArrowDown'],
      label: 'Move the rule down',
      changes: true,
      onRow: true,
      strip: 'move in order',
      run: () => move(1),
    },
    { keys: ['n'], label: 'New rule', changes: true, strip: 'new rule', run: () => setMaking(true) },
    { keys: ['Delete'], label: 'Remove the rule', changes: true, onRow: true, strip: 'remove', run: remove },
  ])

  return (
    <View beside>
      <Leaf>
        <Head title="Rules" about="tried from the top, the first that fits decides">
          <MayChange>
            <Button onClick={() => setMaking(true)}>
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
              items={rules.map((r) => ({ key: r.id, height: 53, row: r }))}
              selection={selection}
              onPick={() => setMaking(false)}
              cells={(r) => <RuleCells rule={r} />}
            />
          </Scroll>
        )}
      </Leaf>
      {making ? (
        <RuleEditor
          key="new"
          no={order.length + 1}
          onClose={() => setMaking(false)}
          onSaved={async (made) => {
            setMaking(false)
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
            onClose={() => {}}
            onRemove={remove}
            onSaved={async () => {
              await booksChanged()
              says.done(`Rule ${rule.no} changed.`)
            }}
          />
        )
      )}
    </View>
  )
}

const COLUMNS: Column[] = [
  { head: 'No.', width: 'w-[66px]' },
  { head: 'Rule' },
  { head: 'Waiting now', width: 'w-[120px]', end: true },
]

function RuleCells({ rule: r }: { rule: Rule }) {
  return (
    <>
      <td className="h-[53px] text-ink-2">{r.no}</td>
      <td className="whitespace-normal text-ink-2 [&_b]:text-ink">
        <Sentence rule={r} />
      </td>
      <td className="text-right">
        {r.waiting ? (
          <span className="text-heartwood">{r.waiting} waiting</span>
        ) : (
          <span className="text-ink-3">–</span>
        )}
      </td>
    </>
  )
}

const WAYS = { IN: 'paid in', OUT: 'paid out', EITHER: '' } as const

function Sentence({ rule }: { rule: Rule }) {
  return (
    <>
      When any text has the {rule.words.includes(' ') ? 'words' : 'word'} <b>{rule.words}</b>
      {rule.direction !== 'EITHER' && (
        <>
          , <b>{WAYS[rule.direction]}</b>
        </>
      )}
      {rule.onAccountName && (
        <>
          , on <b>{rule.onAccountName}</b>
        </>
      )}
      <br />
      <Icon name="arrow" size={13} />{' '}
      {rule.payee && (
        <>
          payee <b>{rule.payee}</b>,{' '}
        </>
      )}
      book to <b>{rule.toAccountName}</b>
    </>
  )
}
