import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { counted, moment } from '@/parts/figures'
import { type Column, Grid } from '@/parts/grid/Grid'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useSaidAct } from '@/parts/useSaidAct'
import { useSelection } from '@/parts/useSelection'
import { Head, Inspector, Leaf, View } from '@/parts/View'
import { ExportForm } from './ExportForm'
import { ExportInspector } from './ExportInspector'
import { type Exports as All, exportsQuery, FORMATS, type Kept, ROWS, whenWritten } from './export'

const COLUMNS: Column[] = [
  { head: 'Export' },
  { head: 'Rows', width: 'w-[110px]' },
  { head: 'Form', width: 'w-[86px]' },
  { head: 'Written', width: 'w-[210px]', off: 'narrow:hidden' },
  { head: 'Last', width: 'w-[170px]' },
]

/** What of the books leaves again and again: for a spreadsheet that fetches it, or into a folder. */
export function Exports() {
  const all = useQuery(exportsQuery)
  if (all.error && !all.data) return <Failed error={all.error} retry={all.refetch} />
  if (!all.data) return <Loading what="the exports" />
  return <List all={all.data} />
}

function List({ all }: { all: All }) {
  const [doing, setDoing] = useState<'new' | 'change'>()
  const act = useSaidAct()
  const says = useSays()
  const selection = useSelection(
    all.exports.map((e) => e.id),
    'export',
    all.exports[0]?.id,
  )
  const now = all.exports.find((e) => e.id === selection.selected)
  const close = () => setDoing(undefined)
  // Nothing of the books changes by it, so that there is nothing to undo.
  async function write(kept: Kept) {
    try {
      const { rows } = await data(api.POST('/api/exports/{id}/write', { params: { path: { id: kept.id } } }))
      const how = kept.wanted.delivery?.mode === 'APPEND' ? `${counted(rows, 'row')} more` : 'anew'
      says.note(`${kept.wanted.delivery?.file} is written, ${how}.`)
    } catch (error) {
      says.failed(error)
    }
    await booksChanged()
  }
  const giveUp = (kept: Kept) =>
    act(
      () =>
        api.DELETE('/api/exports/{id}', {
          params: { path: { id: kept.id }, query: { version: kept.version } },
        }),
      `${kept.wanted.name} is given up.`,
    )
  useCommands([
    { keys: ['n'], label: 'New export', changes: true, strip: 'new export', run: () => setDoing('new') },
    ...(now && doing === undefined
      ? [
          { keys: ['e'], label: 'Change the export', changes: true, strip: 'change', run: () => setDoing('change') },
          ...(now.wanted.delivery
            ? [{ keys: ['w'], label: 'Write it now', changes: true, strip: 'write now', run: () => void write(now) }]
            : []),
          { keys: ['Delete'], label: 'Give the export up', changes: true, onRow: true, run: () => void giveUp(now) },
        ]
      : []),
  ])
  const form = doing === 'new' || (doing === 'change' && now !== undefined)
  return (
    <View beside={form || now !== undefined} className="[--insp:min(460px,44vw)]">
      <Leaf>
        <Head title="Exports" about="what leaves the books again and again, in the form that you want">
          <MayChange>
            <Button onClick={() => setDoing('new')}>
              New export <kbd>N</kbd>
            </Button>
          </MayChange>
        </Head>
        {all.exports.length === 0 ? (
          <Nothing title="No export is saved">
            <p>
              An export is made once and leaves often: for a spreadsheet that fetches it by itself, or as a file for
              somebody else. Make one with <kbd>N</kbd>.
            </p>
          </Nothing>
        ) : (
          <Scroll grid label="Saved exports">
            <Grid
              label="Saved exports"
              columns={COLUMNS}
              items={all.exports.map((e) => ({ key: e.id, row: e }))}
              selection={selection}
              onPick={close}
              cells={(kept) => <Cells kept={kept} />}
            />
          </Scroll>
        )}
      </Leaf>
      {form ? (
        <Inspector label={doing === 'new' ? 'New export' : 'Change the export'}>
          <ExportForm
            key={doing === 'new' ? 'new' : now?.id}
            kept={doing === 'change' ? now : undefined}
            all={all}
            onSaved={(id) => selection.pick(id, 'alone')}
            onClose={close}
          />
        </Inspector>
      ) : (
        now && (
          <ExportInspector
            kept={now}
            onChange={() => setDoing('change')}
            onWrite={() => void write(now)}
            onGiveUp={() => void giveUp(now)}
          />
        )
      )}
    </View>
  )
}

function Cells({ kept }: { kept: Kept }) {
  return (
    <>
      <td>{kept.wanted.name}</td>
      <td>{ROWS.find((r) => r.value === kept.wanted.of)?.name}</td>
      <td>{FORMATS.find((f) => f.value === kept.wanted.format)?.name}</td>
      <td className="text-ink-2 narrow:hidden">{whenWritten(kept)}</td>
      <td className={kept.problem ? 'text-aril' : 'text-ink-2'} title={kept.problem}>
        {kept.problem
          ? 'not written'
          : kept.ranAt
            ? `${moment(kept.ranAt)}${kept.rows ? `, ${counted(kept.rows, 'row')}` : ''}`
            : ''}
      </td>
    </>
  )
}
