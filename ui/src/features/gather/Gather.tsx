import { useQuery } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { api, data } from '@/api/client'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useScope, useScopeSearch } from '@/app/scope'
import { Button } from '@/parts/Button'
import { counted, monthName } from '@/parts/figures'
import { button, textLink } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading } from '@/parts/States'
import { useDrop } from '@/parts/useDrop'
import { Head, Leaf, LeafFoot, View } from '@/parts/View'
import { Arriving } from './Arriving'
import { arrivalOf, useInHand } from './arrivals'
import { Batches } from './Batches'
import { Coverage } from './Coverage'
import { DoubtInspector } from './DoubtInspector'
import type { Gathered } from './types'

/** What is here of the month, and the ways for bank lines to come in. */
export function Gather() {
  const { book, month } = useScope()
  const [arriving, setArriving] = useInHand()
  const gathered = useQuery({
    queryKey: ['gather', month, book],
    enabled: month !== undefined,
    queryFn: () => data(api.GET('/api/gather', { params: { query: { month: month ?? '', book } } })),
  })
  if (gathered.error && !gathered.data) return <Failed error={gathered.error} retry={gathered.refetch} />
  if (!gathered.data || !month) return <Loading what="bank lines" />
  if (arriving) return <Arriving files={arriving} onClose={() => setArriving(undefined)} />
  return (
    <GatherPage
      gathered={gathered.data}
      month={month}
      onFiles={(files, accountId) => setArriving(files.map((f) => arrivalOf(f, accountId)))}
    />
  )
}

function GatherPage({
  gathered,
  month,
  onFiles,
}: {
  gathered: Gathered
  month: string
  onFiles: (files: File[], accountId?: string) => void
}) {
  const navigate = useNavigate()
  const search = useScopeSearch()
  const chooser = useRef<HTMLInputElement>(null)
  const forAccount = useRef<string | undefined>(undefined)
  const drop = useDrop((files) => onFiles(files))
  const [doubtAt, setDoubtAt] = useState(0)
  const [later, setLater] = useState(false)
  const toCome = gathered.accounts.filter((a) => !a.statementOn).length
  const doubt = later ? undefined : gathered.doubts[Math.min(doubtAt, gathered.doubts.length - 1)]
  const choose = (accountId?: string) => {
    forAccount.current = accountId
    chooser.current?.click()
  }
  useCommands([
    { keys: ['f'], label: 'Choose statement files', changes: true, strip: 'choose files', run: () => choose() },
    { keys: ['n'], label: 'Connections', strip: 'connections', run: () => navigate(`/gather/connections${search}`) },
  ])

  return (
    <View beside={!!doubt} className="relative" {...drop.target}>
      <Leaf>
        <Head
          title={toCome ? `${counted(toCome, 'statement')} to come` : `All statements of ${monthName(month)} are here`}
          about={
            <>
              {gathered.linesHere
                ? `${counted(gathered.linesHere, 'bank line')} of ${monthName(month)} ${gathered.linesHere === 1 ? 'is' : 'are'} here`
                : `no bank line of ${monthName(month)} is here yet`}
              {gathered.waiting > 0 && `, ${gathered.waiting} of them to post`}
            </>
          }
        >
          {later && gathered.doubts.length > 0 && (
            <button type="button" className={textLink({ tone: 'wait' })} onClick={() => setLater(false)}>
              {counted(gathered.doubts.length, 'doubtful line')} to decide
            </button>
          )}
          <Link className={button()} to={`/gather/connections${search}`}>
            Connections <kbd>N</kbd>
          </Link>
          <MayChange>
            <Button onClick={() => choose()}>
              Choose files <kbd>F</kbd>
            </Button>
          </MayChange>
        </Head>
        <Scroll label="What is here">
          <Coverage gathered={gathered} month={month} narrow={!!doubt} onFiles={onFiles} onChoose={choose} />
          <Batches gathered={gathered} month={month} />
        </Scroll>
        <LeafFoot>
          <span className="text-ink-2">
            Drop files anywhere on this page, several at once, or onto an account: OFX, camt, MT940, CSV, XLSX. Nothing
            is taken in before you have seen what is new.
          </span>
        </LeafFoot>
      </Leaf>
      {doubt && (
        <DoubtInspector
          key={doubt.lineId}
          doubt={doubt}
          count={gathered.doubts.length}
          onNext={() => setDoubtAt((doubtAt + 1) % gathered.doubts.length)}
          onLater={() => setLater(true)}
        />
      )}
      <input
        ref={chooser}
        type="file"
        multiple
        className="sr-only"
        aria-label="Statement files"
        tabIndex={-1}
        onChange={(e) => {
          const files = [...(e.target.files ?? [])]
          if (files.length) onFiles(files, forAccount.current)
          e.target.value = ''
        }}
      />
      {drop.over > 0 && (
        <div
          className="pointer-events-none absolute inset-0 z-[5] grid place-items-center bg-paper/86 shadow-[inset_0_0_0_10px_var(--dusk-tint)] outline-2 outline-offset-[-11px] outline-dusk outline-dashed"
          aria-hidden="true"
        >
          <div className="w-[480px] rounded-md border border-dusk bg-leaf px-[30px] pt-[26px] pb-6 text-center">
            <p className="font-serif text-title/[1.2]">
              {drop.over === 1 ? 'Let go to read the file' : `Let go to read ${drop.over} files`}
            </p>
            <p className="text-ink-2 text-small mt-3">
              Nothing is taken in before you have seen what is new, known and doubtful.
            </p>
          </div>
        </div>
      )}
    </View>
  )
}
