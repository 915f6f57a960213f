import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import { booksChanged } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useScopeSearch } from '@/app/scope'
import { Button } from '@/parts/Button'
import { textLink } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { Head, Leaf, View } from '@/parts/View'
import { ConnectionTable } from './ConnectionTable'
import { NewConnection } from './NewConnection'
import { connections } from './queries'
import { isBusy } from './types'

/** The read-only links to banks: their health, what they fetch, and what bank and books say. */
export function Connections() {
  const all = useQuery(connections)
  const search = useScopeSearch()
  const [adding, setAdding] = useState(false)
  const busy = all.data?.some(isBusy) ?? false
  const wasBusy = useRef(false)
  useEffect(() => {
    // What was fetched changes everything else: the stations, the coverage, the balances.
    if (wasBusy.current && !busy) void booksChanged()
    wasBusy.current = busy
  }, [busy])
  useCommands(
    adding
      ? []
      : [{ keys: ['n'], label: 'New connection', changes: true, strip: 'new connection', run: () => setAdding(true) }],
  )
  if (all.error && !all.data) return <Failed error={all.error} retry={all.refetch} />
  if (!all.data) return <Loading what="the connections" />
  if (adding) return <NewConnection onClose={() => setAdding(false)} />
  return (
    <View>
      <Leaf>
        <Head title="Connections" about="read-only links to your banks">
          <Link className={textLink({})} to={`/gather${search}`}>
            back to Gather
          </Link>
          <MayChange>
            <Button onClick={() => setAdding(true)}>
              New connection <kbd>N</kbd>
            </Button>
          </MayChange>
        </Head>
        <Scroll label="Connections">
          {all.data.length === 0 && (
            <Nothing title="No bank is connected yet">
              <p>
                A connection fetches lines by itself every day, as far back as the bank hands them out. You give consent
                at the bank’s own page; it can read and nothing else, and ends after 90 days unless you renew it.
              </p>
            </Nothing>
          )}
          {all.data.map((c) => (
            <ConnectionTable key={c.id} connection={c} />
          ))}
        </Scroll>
      </Leaf>
    </View>
  )
}
