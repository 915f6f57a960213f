import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { messageOf, type Schemas, upload } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { useSays } from '@/app/says'
import { AccountPicker } from '@/parts/AccountPicker'
import { Flow } from '@/parts/Amount'
import { counted, day, figure, longDay } from '@/parts/figures'
import { Scroll } from '@/parts/Scroll'
import { Loading } from '@/parts/States'
import { TableMapping } from './TableMapping'
import type { Layout, Preview } from './types'

function form(file: File, fields: { account?: string; makeStatement?: boolean }, layout: Layout | undefined): FormData {
  const body = new FormData()
  body.set('file', file)
  for (const [name, value] of Object.entries(fields)) {
    if (value !== undefined) body.set(name, String(value))
  }
  if (layout) body.set('layout', new Blob([JSON.stringify(layout)], { type: 'application/json' }))
  return body
}

/** A file before it is taken in: what is new, what is known, and for a table what its columns mean. */
export function FilePreview({
  file,
  accountId,
  onClose,
}: {
  file: File
  accountId: string | undefined
  onClose: () => void
}) {
  const says = useSays()
  const [account, setAccount] = useState(accountId)
  const [layout, setLayout] = useState<Layout>()
  const [makeStatement, setMakeStatement] = useState(true)
  const [busy, setBusy] = useState(false)
  const preview = useQuery({
    queryKey: ['preview', file.name, file.size, file.lastModified, account, layout],
    retry: false,
    placeholderData: (previous: Preview | undefined) => previous,
    queryFn: () => upload<Preview>('/api/gather/preview', form(file, { account }, layout)),
  })
  const read = preview.data
  const forAccount = account ?? read?.accountId ?? undefined
  const settled = read !== undefined && forAccount !== undefined && !read.problem && !preview.error
  const canTake = settled && !busy && (read.newLines > 0 || (read.makesStatement && makeStatement))

  async function takeIn() {
    if (!canTake || !read) return
    setBusy(true)
    try {
      const fields = { account: forAccount, makeStatement: makeStatement && read.makesStatement }
      const chosen = layout ?? read.table?.layout
      const taken = await upload<Schemas['TakenInJson']>('/api/gather/batches', form(file, fields, chosen))
      await booksChanged()
      says.done(`Batch ${taken.no}: ${counted(taken.newLines, 'line')} taken in, ${taken.knownLines} known already.`)
      onClose()
    } catch (error) {
      says.failed(error)
      setBusy(false)
    }
  }
  useCommands([
    { keys: ['Enter'], label: 'Take the new lines in', strip: 'take in', run: takeIn },
    { keys: ['Escape'], label: 'Put the file back', strip: 'put back', run: onClose, whileTyping: true },
  ])

  return (
    <main className="split" tabIndex={-1}>
      <section className="sheet">
        <div className="head">
          <h1>{file.name}</h1>
          {read && <span className="q">{read.format}, nothing is taken in yet</span>}
        </div>
        {preview.isPending && <Loading what="the file" />}
        {preview.error && (
          <div className="px-6">
            <p className="note-error" role="alert">
              {file.name}: {messageOf(preview.error)} Nothing was taken in.
            </p>
          </div>
        )}
        {read?.table && !preview.error && <TableMapping preview={read} table={read.table} onLayout={setLayout} />}
        {read && !read.table && !preview.error && <Lines preview={read} />}
      </section>
      <aside className="insp" aria-label="What the file brings">
        <h2 className="ihs">What the file brings</h2>
        <div className="field mb-4">
          For account
          <AccountPicker
            label="For account"
            value={forAccount}
            only={(a) => a.hasStatements}
            autoFocus={!forAccount && read !== undefined}
            onChange={(a) => setAccount(a.id)}
          />
          {!forAccount && read && <span className="wait">The file does not say which account. Choose it.</span>}
        </div>
        {settled && <Counts preview={read} />}
        {settled && read.closing && (
          <p className="flex gap-2 mt-3">
            {/* biome-ignore lint/a11y/useSemanticElements: drawn by us */}
            <button
              type="button"
              role="checkbox"
              className="tick mt-0.5"
              aria-checked={makeStatement && read.makesStatement}
              aria-label="Make the statement"
              disabled={!read.makesStatement}
              onClick={() => setMakeStatement(!makeStatement)}
            />
            <span>
              {read.makesStatement
                ? `Make the statement of ${longDay(read.closing.on)}, closing at ${figure(read.closing.amount)}`
                : `The file closes at ${figure(read.closing.amount)} on ${longDay(read.closing.on)}; that statement is here already, or the account is agreed beyond it`}
            </span>
          </p>
        )}
        {settled && read.newLines === 0 && <p className="note-calm mt-3">Every line of this file is here already.</p>}
        <div className="acts">
          <button type="button" className="btn go wide" disabled={!canTake} onClick={takeIn}>
            {busy ? 'Taking in' : read?.newLines ? `Take in ${counted(read.newLines, 'line')}` : 'Take in'}{' '}
            <kbd>Enter</kbd>
          </button>
          <button type="button" className="btn full" onClick={onClose}>
            Put back <kbd>Esc</kbd>
          </button>
        </div>
      </aside>
    </main>
  )
}

function Counts({ preview }: { preview: Preview }) {
  const all = preview.newLines + preview.knownLines
  return (
    <>
      <svg className="mb-2" width="100%" height="6" aria-hidden="true">
        <rect width="100%" height="6" fill="var(--ink-3)" />
        <rect width={`${all ? (100 * preview.newLines) / all : 0}%`} height="6" fill="var(--needle)" />
      </svg>
      <dl className="counts">
        <div>
          <dd>{preview.newLines}</dd>
          <dt>new</dt>
        </div>
        <div>
          <dd>{preview.knownLines}</dd>
          <dt>known, left alone</dt>
        </div>
      </dl>
    </>
  )
}

function Lines({ preview }: { preview: Preview }) {
  const rest = preview.newLines + preview.knownLines - preview.lines.length
  return (
    <Scroll label="The file">
      <table className="tb dense" aria-label="Lines of the file">
        <colgroup>
          <col className="w-[84px]" />
          <col className="w-[70px]" />
          <col />
          <col className="w-[130px]" />
          <col className="w-[110px]" />
          <col className="w-[100px]" />
        </colgroup>
        <thead>
          <tr>
            <th>File line</th>
            <th>Date</th>
            <th>Text</th>
            <th>Reference</th>
            <th className="n">Amount</th>
            <th>Line</th>
          </tr>
        </thead>
        <tbody>
          {preview.lines.map((l) => (
            <tr key={l.sourceLine} className={l.standing === 'KNOWN' ? 'qq' : undefined}>
              <td className="q">{l.sourceLine}</td>
              <td className="q">{day(l.bookedOn)}</td>
              <td>{l.text}</td>
              <td className="q s">{l.reference}</td>
              <td className="n">
                <Flow amount={l.amount} />
              </td>
              <td>{l.standing === 'KNOWN' ? 'known' : 'new'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {rest > 0 && <p className="q px-6 py-2">and {counted(rest, 'more line')}, read the same way</p>}
    </Scroll>
  )
}
