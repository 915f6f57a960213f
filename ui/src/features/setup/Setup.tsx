import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Navigate, useNavigate } from 'react-router'
import { api, data, Problem } from '@/api/client'
import { booksChanged, queryClient } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { longDay } from '@/parts/figures'
import { DayInput } from '@/parts/form/DayInput'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { lined } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading } from '@/parts/States'
import { Acts, Head, Inspector, InspectorHead, Leaf, View } from '@/parts/View'
import { AccountRows } from './AccountRows'
import { BookRows } from './BookRows'
import { dayBefore, type SetupPage } from './draft'
import { OpeningEntries } from './OpeningEntries'
import { TakePackageIn } from './TakePackageIn'
import { useDraft } from './useDraft'

/** A new household as one page that is filled in like a ledger, kept as it is typed. */
export function Setup() {
  const setup = useQuery({
    queryKey: ['setup'],
    queryFn: () => data(api.GET('/api/setup')),
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  })
  if (setup.error instanceof Problem && setup.error.code === 'books-open') return <Navigate to="/chart" replace />
  if (setup.error && !setup.data) return <Failed error={setup.error} retry={setup.refetch} />
  if (!setup.data) return <Loading what="the new household" />
  return <SetupForm first={setup.data} />
}

function SetupForm({ first }: { first: SetupPage }) {
  const { draft, setDraft, page, error, kept, unread, keep, version } = useDraft(first)
  const [refused, setRefused] = useState<unknown>()
  const [busy, setBusy] = useState(false)
  const navigate = useNavigate()
  const says = useSays()
  const stops = page.missing.filter((m) => m.stops)

  async function openBooks() {
    if (busy) return
    setBusy(true)
    setRefused(undefined)
    try {
      await keep()
      await api.POST('/api/setup/open', { params: { query: { version: version.current } } })
      queryClient.removeQueries({ queryKey: ['setup'] })
      await booksChanged()
      await queryClient.invalidateQueries({ queryKey: ['session'] })
      says.note(`The books of ${draft.name} are open.`)
      navigate('/chart')
    } catch (e) {
      setRefused(e)
      setBusy(false)
    }
  }
  useCommands([
    {
      keys: ['mod+Enter'],
      label: 'Open the books',
      changes: true,
      strip: 'open the books',
      run: openBooks,
      whileTyping: true,
    },
  ])

  return (
    <View beside className="max-[1000px]:block max-[1000px]:overflow-auto">
      <Leaf>
        <Scroll label="The new household">
          <Head title="A new household" about="everything here can be changed later">
            <span className="text-ink-2 text-small" role="status">
              {unread.length > 0 ? 'not all of it can be read' : kept ? 'kept as you type' : 'keeping…'}
            </span>
          </Head>
          <p className="px-(--edge) pb-1.5 font-serif text-[17px]/8">
            The household is called{' '}
            <input
              className={`${lined} font-sans text-[14.5px] font-semibold text-dusk`}
              aria-label="Name of the household"
              value={draft.name}
              onChange={(e) => setDraft((d) => ({ ...d, name: e.target.value }))}
            />{' '}
            and begins on{' '}
            <DayInput
              line
              className="inline-block w-[150px]"
              aria-label="First day"
              text={draft.beginsOn}
              onText={(beginsOn) => setDraft((d) => ({ ...d, beginsOn }))}
            />
            .
          </p>
          <BookRows draft={draft} setDraft={setDraft} starters={page.starters} />
          <AccountRows draft={draft} setDraft={setDraft} before={dayBefore(page.draft.beginsOn)} />
          <MayChange>
            <TakePackageIn />
          </MayChange>
        </Scroll>
      </Leaf>
      <Inspector label="The opening entries">
        <InspectorHead title="The opening entries">
          at the end of {longDay(dayBefore(page.draft.beginsOn))}; they balance as you type
        </InspectorHead>
        <OpeningEntries openings={page.openings} />
        {page.advice && <p className="text-heartwood mb-3">{page.advice}</p>}
        {page.missing.length > 0 && (
          <>
            <h3>Still missing</h3>
            <ul className="mb-3 [&>li]:py-0.5">
              {page.missing.map((m) => (
                <li key={m.what} className={m.stops ? 'text-heartwood' : 'text-ink-2'}>
                  {m.what}
                </li>
              ))}
            </ul>
          </>
        )}
        {unread.map((problem) => (
          <p key={problem} className="text-aril" role="alert">
            {problem}
          </p>
        ))}
        <ProblemNote error={error ?? refused} />
        <MayChange>
          <Acts>
            <Button tone="go" size="wide" whyNot={unread[0] ?? stops[0]?.what} onClick={openBooks}>
              Open the books <kbd>Ctrl Enter</kbd>
            </Button>
            <p className="col-span-full text-small text-ink-2">
              Each balance is checked against the first statement and can be put right later. You can leave this page
              and come back.
            </p>
          </Acts>
        </MayChange>
      </Inspector>
    </View>
  )
}
