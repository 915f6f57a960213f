import { useQuery } from '@tanstack/react-query'
import { useMemo, useRef, useState } from 'react'
import { Link } from 'react-router'
import { Problem } from '@/api/client'
import { useCommands } from '@/app/commands'
import { FindBox } from '@/parts/FindBox'
import { counted } from '@/parts/figures'
import { type Column, Grid, type Item } from '@/parts/grid/Grid'
import { textLink } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { Head, Inspector, InspectorHead, Leaf, View } from '@/parts/View'
import { type ApiDocument, type Operation, operations, type Value } from './operations'

const ADDRESS = '/api/openapi'

const COLUMNS: Column[] = [
  { head: '', width: 'w-[72px]' },
  { head: 'Address', width: 'w-[38%]' },
  { head: 'What it does' },
]

/** What programs can ask: every address, what it takes and what it answers. */
export function ApiPage() {
  const [find, setFind] = useState('')
  const field = useRef<HTMLInputElement>(null)
  const document = useQuery({
    queryKey: ['api document'],
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () => {
      const answer = await fetch(ADDRESS)
      if (!answer.ok) throw new Problem(answer.status, 'http', `The description answered with ${answer.status}.`)
      return (await answer.json()) as ApiDocument
    },
  })
  const all = useMemo(() => (document.data ? operations(document.data) : []), [document.data])
  const sought = find.toLowerCase()
  const found = all.filter((one) => `${one.method} ${one.path} ${one.about}`.toLowerCase().includes(sought))
  const selection = useSelection(
    found.map((one) => one.id),
    'address',
  )
  const one = found.find((operation) => operation.id === selection.selected)
  useCommands([{ keys: ['/'], label: 'Find an address', strip: 'find', run: () => field.current?.focus() }])
  return (
    <View beside>
      <Leaf>
        <Head title="For programs" about={all.length > 0 && counted(all.length, 'address', 'addresses')}>
          <search>
            <FindBox
              ref={field}
              className="w-[280px]"
              label="Find an address"
              placeholder="any part of it"
              value={find}
              onChange={setFind}
            />
          </search>
        </Head>
        <p className="px-(--edge) pb-2 text-ink-2">
          A program sends <code>Authorization: Bearer</code> and a token{' '}
          <Link className={textLink()} to="/you">
            that you make
          </Link>
          . With an <code>Idempotency-Key</code> a change is carried out once, however often it is asked. The same as{' '}
          <a className={textLink()} href={ADDRESS} download="yew-ledger-openapi.json">
            OpenAPI document
          </a>
          .
        </p>
        {document.isPending && <Loading what="what programs can ask" />}
        {document.error && <Failed error={document.error} retry={document.refetch} />}
        {document.data && found.length === 0 && (
          <Nothing title="No address is like that">
            <p>Look for another part of it.</p>
          </Nothing>
        )}
        {found.length > 0 && (
          <Scroll grid label="Addresses">
            <Grid
              label="Addresses"
              columns={COLUMNS}
              items={grouped(found)}
              selection={selection}
              cells={(operation) => (
                <>
                  <td className="text-ink-2 text-small">{operation.method}</td>
                  <td className="truncate">{operation.path}</td>
                  <td className="truncate text-ink-2">{operation.about}</td>
                </>
              )}
            />
          </Scroll>
        )}
      </Leaf>
      <Inspector label="The selected address">{one && <OfOne operation={one} />}</Inspector>
    </View>
  )
}

function grouped(found: Operation[]): Item<Operation>[] {
  return found.flatMap((row, at) => {
    const begins = row.group !== found[at - 1]?.group
    return [...(begins ? [{ key: row.group, height: 32, band: <Group name={row.group} /> }] : []), { key: row.id, row }]
  })
}

function Group({ name }: { name: string }) {
  return (
    <td colSpan={COLUMNS.length} className="font-semibold text-small">
      {name}
    </td>
  )
}

function OfOne({ operation }: { operation: Operation }) {
  return (
    <>
      <InspectorHead title={`${operation.method} ${operation.path}`}>{operation.about}</InspectorHead>
      <Values title="It takes, in its address" values={operation.parameters} />
      <Values title="It takes, as JSON" values={operation.sends} />
      <Values title={`It answers: ${operation.answerType}`} values={operation.answers} />
    </>
  )
}

function Values({ title, values }: { title: string; values: Value[] }) {
  if (values.length === 0) return null
  return (
    <>
      <h3>{title}</h3>
      <dl className="mb-3">
        {values.map((value) => (
          <div key={value.name} className="border-b border-hairline py-1">
            <dt>
              {value.name} <span className="text-ink-2 text-small">{value.type}</span>
              {!value.required && <span className="text-ink-2 text-small">, may be left out</span>}
            </dt>
            {value.description && <dd className="text-ink-2 text-small">{value.description}</dd>}
          </div>
        ))}
      </dl>
    </>
  )
}
