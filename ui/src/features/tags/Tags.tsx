import { useQuery } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { tags as allTags, books } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useScope } from '@/app/scope'
import { Button } from '@/parts/Button'
import { Dialog } from '@/parts/Dialog'
import { FindBox } from '@/parts/FindBox'
import { counted, day, longDay } from '@/parts/figures'
import { type Column, Grid } from '@/parts/grid/Grid'
import { factList } from '@/parts/look'
import { Moved } from '@/parts/Moved'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useSaidAct } from '@/parts/useSaidAct'
import { useSelection } from '@/parts/useSelection'
import { Acts, Head, Inspector, InspectorHead, Leaf, View } from '@/parts/View'
import { ChangeTag } from './ChangeTag'
import { MergeTag } from './MergeTag'

export type Tag = Schemas['TagJson']

const columns = (usual: string): Column[] => [
  { head: 'Tag' },
  { head: 'Entries', width: 'w-[76px]', end: true },
  { head: 'First', width: 'w-[96px]' },
  { head: 'Last', width: 'w-[96px]' },
  { head: `In, ${usual}`, width: 'w-[112px]', end: true },
  { head: `Out, ${usual}`, width: 'w-[112px]', end: true },
]

/** What goes across categories: what each came to, how it is called, and whether it is still offered. */
export function Tags() {
  const navigate = useNavigate()
  const { book } = useScope()
  const [find, setFind] = useState('')
  const field = useRef<HTMLInputElement>(null)
  const [doing, setDoing] = useState<'change' | 'merge'>()
  const act = useSaidAct()
  const tags = useQuery(allTags)
  const { data: allBooks = [] } = useQuery(books)
  const usual = allBooks[0]?.currency ?? ''
  const rows = (tags.data ?? [])
    .filter((t) => t.name.toLowerCase().includes(find.trim().toLowerCase()))
    .sort((a, b) => Number(a.putAway) - Number(b.putAway))
  const selection = useSelection(
    rows.map((t) => t.id),
    'tag',
  )
  const tag = rows.find((t) => t.id === selection.selected)
  const entriesOf = (t: Tag) =>
    navigate(`/journal?${new URLSearchParams({ ...(book ? { book } : {}), every: '1', text: t.query })}`)
  const putAway = (t: Tag) =>
    act(
      () =>
        data(
          api.PUT('/api/tags/{id}', {
            params: { path: { id: t.id } },
            body: { version: t.version, name: t.name, putAway: !t.putAway },
          }),
        ),
      t.putAway ? `${t.name} is offered again.` : `${t.name} is put away; its entries keep it.`,
    )
  useCommands([
    { keys: ['/'], label: 'Find tags', strip: 'find', run: () => field.current?.focus() },
    ...(tag
      ? [
          { keys: ['Enter'], label: 'Its entries', strip: 'entries', onRow: true, run: () => entriesOf(tag) },
          ...[
            { keys: ['e'], label: 'Rename the tag', strip: 'rename', run: () => setDoing('change') },
            { keys: ['m'], label: 'Merge it into another', strip: 'merge', run: () => setDoing('merge') },
            {
              keys: ['p'],
              label: tag.putAway ? 'Take it out again' : 'Put it away',
              strip: tag.putAway ? 'take out' : 'put away',
              run: () => void putAway(tag),
            },
          ].map((command) => ({ ...command, changes: true, onRow: true }) as const),
        ]
      : []),
  ])
  return (
    <View beside>
      <Leaf>
        <Head title="Tags" about={tags.data && counted(tags.data.length, 'tag')}>
          <search>
            <FindBox
              ref={field}
              className="w-[280px]"
              label="Find tags"
              placeholder="any part of a name"
              value={find}
              onChange={setFind}
            />
          </search>
        </Head>
        {tags.isPending && <Loading what="the tags" />}
        {tags.error && <Failed error={tags.error} retry={tags.refetch} />}
        {tags.data && rows.length === 0 && (
          <Nothing title={find ? 'No tag is called so' : 'No tag yet'}>
            <p>
              {find
                ? 'Look for another part of the name.'
                : 'Type one into an entry: it marks what belongs together across categories, such as a wedding or a fair.'}
            </p>
          </Nothing>
        )}
        {rows.length > 0 && (
          <Scroll grid label="Tags">
            <Grid
              label="Tags"
              columns={columns(usual)}
              items={rows.map((row) => ({ key: row.id, row }))}
              selection={selection}
              onOpen={entriesOf}
              cells={(t) => <Cells tag={t} usual={usual} />}
            />
          </Scroll>
        )}
      </Leaf>
      <Inspector label="The selected tag">
        {tag && (
          <>
            <InspectorHead title={tag.name}>
              {counted(tag.entries, 'entry', 'entries')}
              {tag.putAway && ', put away'}
            </InspectorHead>
            <dl className={factList}>
              <dt>From</dt>
              <dd>{tag.first ? longDay(tag.first) : 'no entry has it'}</dd>
              {tag.last && (
                <>
                  <dt>To</dt>
                  <dd>{longDay(tag.last)}</dd>
                </>
              )}
              <dt>In</dt>
              <dd>
                <Moved moved={tag.moved} way="in" usual="" />
              </dd>
              <dt>Out</dt>
              <dd>
                <Moved moved={tag.moved} way="out" usual="" />
              </dd>
            </dl>
            <Acts>
              <Button onClick={() => entriesOf(tag)}>
                Its entries <kbd>Enter</kbd>
              </Button>
              <MayChange>
                <Button onClick={() => setDoing('change')}>
                  Rename <kbd>E</kbd>
                </Button>
                <Button onClick={() => setDoing('merge')}>
                  Merge <kbd>M</kbd>
                </Button>
                <Button onClick={() => void putAway(tag)}>
                  {tag.putAway ? 'Take out' : 'Put away'} <kbd>P</kbd>
                </Button>
              </MayChange>
            </Acts>
          </>
        )}
      </Inspector>
      {tag && doing === 'change' && (
        <Dialog title={`Rename ${tag.name}`} open onClose={() => setDoing(undefined)}>
          <ChangeTag tag={tag} onClose={() => setDoing(undefined)} />
        </Dialog>
      )}
      {tag && doing === 'merge' && (
        <Dialog title={`Merge ${tag.name}`} open onClose={() => setDoing(undefined)}>
          <MergeTag tag={tag} onClose={() => setDoing(undefined)} />
        </Dialog>
      )}
    </View>
  )
}

function Cells({ tag, usual }: { tag: Tag; usual: string }) {
  return (
    <>
      <td>
        {tag.name} {tag.putAway && <span className="text-small text-ink-2">put away</span>}
      </td>
      <td className="text-right text-ink-2">{tag.entries}</td>
      <td className="text-ink-2">{tag.first && day(tag.first)}</td>
      <td className="text-ink-2">{tag.last && day(tag.last)}</td>
      <td className="text-right text-needle">
        <Moved moved={tag.moved} way="in" usual={usual} />
      </td>
      <td className="text-right">
        <Moved moved={tag.moved} way="out" usual={usual} />
      </td>
    </>
  )
}
