import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useDeferredValue, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { books } from '@/api/queries'
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
import { useSelection } from '@/parts/useSelection'
import { Acts, Head, Inspector, InspectorHead, Leaf, View } from '@/parts/View'
import { ChangePayee } from './ChangePayee'
import { MergePayee } from './MergePayee'

export type Payee = Schemas['DirectoryPayeeJson']

const MOST = 200

const OFF = 'narrow:hidden'

const columns = (usual: string): Column[] => [
  { head: 'Payee' },
  { head: 'Entries', width: 'w-[76px]', end: true },
  { head: 'Last', width: 'w-[96px]' },
  { head: `In, ${usual}`, width: 'w-[112px]', end: true },
  { head: `Out, ${usual}`, width: 'w-[112px]', end: true },
  // Beside, it stands too.
  { head: 'Category', width: 'w-[22%]', off: OFF },
]

/** Everybody that entries are with: what they come to, how they are called, and how two become one. */
export function Payees() {
  const navigate = useNavigate()
  const { book } = useScope()
  const [find, setFind] = useState('')
  const text = useDeferredValue(find)
  const field = useRef<HTMLInputElement>(null)
  const [doing, setDoing] = useState<'change' | 'merge'>()
  const payees = useQuery({
    queryKey: ['payees', 'directory', text],
    placeholderData: keepPreviousData,
    queryFn: () => data(api.GET('/api/payees/directory', { params: { query: { text } } })),
  })
  const { data: allBooks = [] } = useQuery(books)
  // Named once at the head; what is in another currency names its own.
  const usual = allBooks[0]?.currency ?? ''
  const rows = payees.data ?? []
  const selection = useSelection(
    rows.map((p) => p.id),
    'payee',
  )
  const payee = rows.find((p) => p.id === selection.selected)
  const entriesOf = (p: Payee) =>
    navigate(`/journal?${new URLSearchParams({ ...(book ? { book } : {}), every: '1', text: p.query })}`)
  useCommands([
    { keys: ['/'], label: 'Find payees', strip: 'find', run: () => field.current?.focus() },
    ...(payee
      ? [
          {
            keys: ['Enter'],
            label: 'Its entries',
            strip: 'entries',
            onRow: true,
            run: () => entriesOf(payee),
          },
          {
            keys: ['e'],
            label: 'Change the payee',
            strip: 'change',
            changes: true,
            onRow: true,
            run: () => setDoing('change'),
          },
          {
            keys: ['m'],
            label: 'Merge it into another',
            strip: 'merge',
            changes: true,
            onRow: true,
            run: () => setDoing('merge'),
          },
        ]
      : []),
  ])
  return (
    <View beside>
      <Leaf>
        <Head
          title="Payees"
          about={payees.data && (rows.length === MOST ? `the ${MOST} most used` : counted(rows.length, 'payee'))}
        >
          <search>
            <FindBox
              ref={field}
              className="w-[280px]"
              label="Find payees"
              placeholder="any part of a name"
              value={find}
              onChange={setFind}
            />
          </search>
        </Head>
        {payees.isPending && <Loading what="the payees" />}
        {payees.error && <Failed error={payees.error} retry={payees.refetch} />}
        {payees.data && rows.length === 0 && (
          <Nothing title={find ? 'Nobody is called so' : 'Nobody yet'}>
            <p>{find ? 'Look for another part of the name.' : 'Whoever an entry is with stands here.'}</p>
          </Nothing>
        )}
        {rows.length > 0 && (
          <Scroll grid label="Payees">
            <Grid
              label="Payees"
              columns={columns(usual)}
              items={rows.map((row) => ({ key: row.id, row }))}
              selection={selection}
              onOpen={entriesOf}
              cells={(p) => <Cells payee={p} usual={usual} />}
            />
          </Scroll>
        )}
      </Leaf>
      <Inspector label="The selected payee">
        {payee && (
          <>
            <InspectorHead title={payee.name}>
              {counted(payee.entries, 'entry', 'entries')}
              {payee.last && `, the last on ${longDay(payee.last)}`}
            </InspectorHead>
            <dl className={factList}>
              <dt>Goes to</dt>
              <dd>
                {payee.category ?? payee.usualCategory ?? 'nothing yet'}
                {(payee.category || payee.usualCategory) && (
                  <span className="text-ink-2">{payee.category ? ', as was said' : ', as it mostly went'}</span>
                )}
              </dd>
              {payee.accountNumber && (
                <>
                  <dt>Account</dt>
                  <dd>{payee.accountNumber}</dd>
                </>
              )}
              {payee.contact && (
                <>
                  <dt>Contact</dt>
                  <dd className="whitespace-pre-line">{payee.contact}</dd>
                </>
              )}
              {payee.note && (
                <>
                  <dt>Note</dt>
                  <dd className="whitespace-pre-line">{payee.note}</dd>
                </>
              )}
              <dt>Banks write</dt>
              <dd>
                {payee.knownAs.length === 0 && 'no text of theirs is known'}
                {payee.knownAs.map((known) => (
                  <div key={known}>{known}</div>
                ))}
              </dd>
            </dl>
            <Acts>
              <Button onClick={() => entriesOf(payee)}>
                Its entries <kbd>Enter</kbd>
              </Button>
              <MayChange>
                <Button onClick={() => setDoing('change')}>
                  Change <kbd>E</kbd>
                </Button>
                <Button onClick={() => setDoing('merge')}>
                  Merge <kbd>M</kbd>
                </Button>
              </MayChange>
            </Acts>
          </>
        )}
      </Inspector>
      {payee && doing === 'change' && (
        <Dialog title={`Change ${payee.name}`} open onClose={() => setDoing(undefined)}>
          <ChangePayee payee={payee} onClose={() => setDoing(undefined)} />
        </Dialog>
      )}
      {payee && doing === 'merge' && (
        <Dialog title={`Merge ${payee.name}`} open onClose={() => setDoing(undefined)}>
          <MergePayee payee={payee} onClose={() => setDoing(undefined)} />
        </Dialog>
      )}
    </View>
  )
}

function Cells({ payee, usual }: { payee: Payee; usual: string }) {
  return (
    <>
      <td>{payee.name}</td>
      <td className="text-right text-ink-2">{payee.entries}</td>
      <td className="text-ink-2">{payee.last && day(payee.last)}</td>
      <td className="text-right text-needle">
        <Moved moved={payee.moved} way="in" usual={usual} />
      </td>
      <td className="text-right">
        <Moved moved={payee.moved} way="out" usual={usual} />
      </td>
      <td className={`text-ink-2 ${OFF}`}>{payee.category ?? payee.usualCategory}</td>
    </>
  )
}
