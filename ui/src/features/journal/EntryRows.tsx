import { useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { useNavigate } from 'react-router'
import type { Schemas } from '@/api/client'
import { books } from '@/api/queries'
import { useCommands } from '@/app/commands'
import type { Attachment } from '@/features/attachments/useAttachments'
import { counted } from '@/parts/figures'
import { ChosenSum } from '@/parts/grid/ChosenSum'
import { Grid, type Item } from '@/parts/grid/Grid'
import { Scroll } from '@/parts/Scroll'
import { useSelection } from '@/parts/useSelection'
import { ChangeMany } from './ChangeMany'
import { CopyEntry } from './CopyEntry'
import { columnHead, type JournalColumn, useColumns } from './columns'
import { EntryEditor } from './EntryEditor'
import { MergeEntries } from './MergeEntries'
import { OpenedEntry, openedHeight } from './OpenedEntry'
import { SpreadEntry } from './SpreadEntry'
import { TakeBackEntry } from './TakeBackEntry'
import { KeepTemplate } from './Templates'

type Entry = Schemas['EntryJson']

/** The entries as rows, each opening in place to its postings. */
export function EntryRows({
  entries,
  sought,
  order,
  onOrder,
  onEnd,
  beside,
  onLook,
  onChosen,
}: {
  entries: Entry[]
  sought: Schemas['BulkSoughtJson']
  order: string
  onOrder: (order: string) => void
  onEnd: () => void
  /** Whether something stands beside it. */
  beside: boolean
  onLook: (file: Attachment) => void
  /** Told which entry is selected, if it is one alone. */
  onChosen: (entry: Entry | undefined) => void
}) {
  const navigate = useNavigate()
  const columns = useColumns(beside)
  const { data: allBooks = [] } = useQuery(books)
  // Named once at the head; a line that is in another currency names its own.
  const usual = allBooks[0]?.currency ?? ''
  const [open, setOpen] = useState<Set<string>>(new Set())
  const selection = useSelection(
    entries.map((e) => e.id),
    'entry',
  )
  const chosen = entries.filter((e) => selection.chosen.has(e.id))
  const only = chosen.length === 1 ? chosen[0] : undefined
  const flows = chosen.filter((e) => !e.transfer)
  useEffect(() => onChosen(only), [only, onChosen])
  const [merging, setMerging] = useState<Entry[]>([])
  const [many, setMany] = useState(false)
  const [doing, setDoing] = useState<{ what: 'change' | 'copy' | 'take back' | 'keep' | 'spread'; entry: Entry }>()
  function toggle(entry: Entry | undefined) {
    if (!entry) return
    setOpen((old) => {
      const next = new Set(old)
      if (!next.delete(entry.id)) next.add(entry.id)
      return next
    })
  }
  useCommands([
    {
      keys: ['Enter', 'ArrowRight'],
      label: 'Open or fold the postings',
      strip: 'open postings',
      onRow: true,
      run: () => toggle(entries.find((e) => e.id === selection.selected)),
    },
    ...(only
      ? [
          {
            keys: ['e'],
            label: 'Change the entry',
            strip: 'change',
            run: () => setDoing({ what: 'change', entry: only }),
          },
          {
            keys: ['d'],
            label: 'Copy it to another day',
            strip: 'copy',
            run: () => setDoing({ what: 'copy', entry: only }),
          },
          {
            keys: ['v'],
            label: 'Void, reverse or delete it',
            strip: 'take back',
            run: () => setDoing({ what: 'take back', entry: only }),
          },
          {
            keys: ['s'],
            label: 'Keep it as a template',
            run: () => setDoing({ what: 'keep', entry: only }),
          },
          {
            keys: ['x'],
            label: 'Expect it again, by a schedule',
            run: () => void navigate(`/plan/ahead?${new URLSearchParams({ like: only.id })}`),
          },
          {
            keys: ['p'],
            label: 'Spread it over the months it serves',
            run: () => setDoing({ what: 'spread', entry: only }),
          },
        ].map((command) => ({ ...command, changes: true, onRow: true }) as const)
      : []),
    {
      keys: ['b'],
      label: 'Change several at once',
      strip: 'several',
      changes: true,
      run: () => setMany(true),
    },
    ...(chosen.length > 2
      ? []
      : [
          {
            keys: ['m'],
            label: chosen.length === 2 ? 'These two are one, booked twice' : 'Merge a doubled entry',
            strip: 'merge',
            changes: true,
            onRow: true,
            run: () => setMerging(chosen),
          },
        ]),
  ])
  const items = entries.flatMap((entry): Item<Entry>[] => {
    const isOpen = open.has(entry.id)
    const row = { key: entry.id, row: entry, attributes: { 'aria-level': 1, 'aria-expanded': isOpen } }
    if (!isOpen) return [row]
    return [
      row,
      {
        key: `${entry.id} opened`,
        look: '',
        height: openedHeight(entry),
        band: <OpenedEntry entry={entry} columns={columns.length} beside={beside} onLook={onLook} />,
      },
    ]
  })
  return (
    <>
      <Scroll grid label="Entries">
        <Grid
          tree
          label="Entries of the journal"
          columns={columns.map((column) => columnHead(column, order, usual, onOrder))}
          items={items}
          selection={selection}
          onPick={(entry, how) => how === 'alone' && toggle(entry)}
          onEnd={onEnd}
          cells={(entry) => columns.map((c) => <Cell key={c.name} column={c} entry={entry} usual={usual} />)}
        />
      </Scroll>
      {doing?.what === 'change' && <EntryEditor entry={doing.entry} onClose={() => setDoing(undefined)} />}
      {doing?.what === 'copy' && <CopyEntry entry={doing.entry} onClose={() => setDoing(undefined)} />}
      {doing?.what === 'take back' && <TakeBackEntry entry={doing.entry} onClose={() => setDoing(undefined)} />}
      {doing?.what === 'keep' && <KeepTemplate entry={doing.entry} onClose={() => setDoing(undefined)} />}
      {doing?.what === 'spread' && <SpreadEntry entry={doing.entry} onClose={() => setDoing(undefined)} />}
      {many && <ChangeMany ids={chosen.map((e) => e.id)} sought={sought} onClose={() => setMany(false)} />}
      {merging[0] && <MergeEntries entry={merging[0]} with={merging[1]} onClose={() => setMerging([])} />}
      <ChosenSum
        what="entry"
        many="entries"
        count={chosen.length}
        amounts={flows.map((e) => ({ amount: e.amount, currency: e.currency }))}
        besides={flows.length < chosen.length ? `besides ${counted(chosen.length - flows.length, 'transfer')}` : ''}
      />
    </>
  )
}

function Cell({ column, entry, usual }: { column: JournalColumn; entry: Entry; usual: string }) {
  return <td className={column.end ? 'text-right' : undefined}>{column.cell(entry, usual)}</td>
}
