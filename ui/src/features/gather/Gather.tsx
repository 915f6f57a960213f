import { useQuery } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { api, data } from '@/api/client'
import { books } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { useScope } from '@/app/scope'
import { counted, day, moment, monthName } from '@/parts/figures'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { Coverage } from './Coverage'
import { FilePreview } from './FilePreview'
import type { Gathered } from './types'
import { useDrop } from './useDrop'
import './gather.css'

/** A file on its way in, for an account where one is known. */
interface Arriving {
  file: File
  accountId: string | undefined
}

/** What is here of the month, and the way for files to come in. */
export function Gather() {
  const { book, month } = useScope()
  const [arriving, setArriving] = useState<Arriving>()
  const gathered = useQuery({
    queryKey: ['gather', month, book],
    enabled: month !== undefined,
    queryFn: () => data(api.GET('/api/gather', { params: { query: { month: month ?? '', book } } })),
  })
  if (gathered.error) return <Failed error={gathered.error} retry={gathered.refetch} />
  if (!gathered.data || !month) return <Loading what="bank lines" />
  if (arriving) {
    return (
      <FilePreview
        key={arriving.file.name + arriving.file.lastModified}
        file={arriving.file}
        accountId={arriving.accountId}
        onClose={() => setArriving(undefined)}
      />
    )
  }
  return (
    <GatherPage gathered={gathered.data} month={month} onFile={(file, accountId) => setArriving({ file, accountId })} />
  )
}

function GatherPage({
  gathered,
  month,
  onFile,
}: {
  gathered: Gathered
  month: string
  onFile: (file: File, accountId?: string) => void
}) {
  const chooser = useRef<HTMLInputElement>(null)
  const forAccount = useRef<string | undefined>(undefined)
  const drop = useDrop((file) => onFile(file))
  const toCome = gathered.accounts.filter((a) => !a.statementOn).length
  const choose = (accountId?: string) => {
    forAccount.current = accountId
    chooser.current?.click()
  }
  useCommands([{ keys: ['f'], label: 'Choose a statement file', strip: 'choose a file', run: () => choose() }])

  return (
    <main className="gather" tabIndex={-1} {...drop.target}>
      <section className="sheet">
        <div className="head">
          <h1>
            {toCome ? `${counted(toCome, 'statement')} to come` : `All statements of ${monthName(month)} are here`}
          </h1>
          <span className="q">
            {gathered.linesHere
              ? `${counted(gathered.linesHere, 'bank line')} of ${monthName(month)} ${gathered.linesHere === 1 ? 'is' : 'are'} here`
              : `no bank line of ${monthName(month)} is here yet`}
            {gathered.waiting > 0 && `, ${gathered.waiting} of them to post`}
          </span>
          <button type="button" className="btn end" onClick={() => choose()}>
            Choose a file <kbd>F</kbd>
          </button>
        </div>
        <Scroll label="What is here">
          <Coverage gathered={gathered} month={month} onFile={onFile} onChoose={choose} />
          <Batches gathered={gathered} month={month} />
        </Scroll>
        <div className="foot">
          <span className="q">
            Drop an OFX or CSV file anywhere on this page, or onto its account. Nothing is taken in before you have seen
            what is new and what is known.
          </span>
        </div>
      </section>
      <input
        ref={chooser}
        type="file"
        className="vh"
        aria-label="Statement file"
        tabIndex={-1}
        accept=".ofx,.csv,.tsv,.txt"
        onChange={(e) => {
          const [file] = e.target.files ?? []
          if (file) onFile(file, forAccount.current)
          e.target.value = ''
        }}
      />
      {drop.over && (
        <div className="over" aria-hidden="true">
          <div>
            <p className="title">Let go to read the file</p>
            <p className="q s mt-3">Nothing is taken in before you have seen what is new and what is known.</p>
          </div>
        </div>
      )}
    </main>
  )
}

function Batches({ gathered, month }: { gathered: Gathered; month: string }) {
  const { data: allBooks = [] } = useQuery(books)
  if (gathered.batches.length === 0) {
    return (
      <Nothing title={`No file of ${monthName(month)} was gathered yet`}>
        <p>
          Ask {allBooks.length > 1 ? 'the banks of both books' : 'your bank'} for the month as OFX or CSV, and drop the
          files here.
        </p>
      </Nothing>
    )
  }
  return (
    <>
      <h2 className="lead">Batches of {monthName(month)}</h2>
      <table className="tb bat" aria-label={`Batches of ${monthName(month)}`}>
        <colgroup>
          <col className="w-[90px]" />
          <col className="w-[120px]" />
          <col className="w-[70px]" />
          <col />
          <col />
          <col className="w-[140px]" />
          <col className="w-[80px]" />
          <col className="w-[90px]" />
        </colgroup>
        <thead>
          <tr>
            <th>Batch</th>
            <th>When</th>
            <th>Format</th>
            <th>From</th>
            <th>Account</th>
            <th>Days</th>
            <th className="n">New</th>
            <th className="n">Known</th>
          </tr>
        </thead>
        <tbody>
          {gathered.batches.map((b) => (
            <tr key={b.id}>
              <td className="font-medium">{b.no}</td>
              <td className="q">{moment(b.gatheredAt)}</td>
              <td className="q">{b.format}</td>
              <td>{b.fileName}</td>
              <td className="q">{b.accountName}</td>
              <td className="q">{b.firstDay && b.lastDay && `${day(b.firstDay)} to ${day(b.lastDay)}`}</td>
              <td className="n">{b.newLines}</td>
              <td className="n q">{b.knownLines}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
