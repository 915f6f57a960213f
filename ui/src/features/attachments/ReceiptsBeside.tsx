import { Button } from '@/parts/Button'
import { Failed, Loading } from '@/parts/States'
import { useDrop } from '@/parts/useDrop'
import { Acts, Inspector, InspectorHead } from '@/parts/View'
import { AttachmentActs } from './AttachmentActs'
import { AttachmentPages, aboutFile } from './AttachmentPages'
import { FilePick } from './AttachmentStrip'
import { Thumbnail } from './Thumbnail'
import { type Attachment, useAttach, useAttachments } from './useAttachments'

/** What is looked at beside the journal: one file, or all that wait for their entry. */
export type Beside = { file: Attachment } | 'waiting'

/** An entry that files can be put to. */
interface Chosen {
  entryId: string
  no: number
}

/** Receipts beside the journal. */
export function ReceiptsBeside({
  beside,
  chosen,
  onBeside,
}: {
  beside: Beside
  chosen: Chosen | undefined
  onBeside: (beside: Beside | undefined) => void
}) {
  const close = () => onBeside(undefined)
  if (beside === 'waiting') return <Waiting chosen={chosen} onBeside={onBeside} />
  const { file } = beside
  return (
    <Inspector label={file.name}>
      <InspectorHead title={file.name}>{aboutFile(file)}</InspectorHead>
      <div className="mb-3">
        <AttachmentActs file={file} to={chosen} onGone={close} />
      </div>
      <AttachmentPages key={file.id} file={file} />
      <Acts>
        <Button className="col-span-full" onClick={close}>
          Close
        </Button>
      </Acts>
    </Inspector>
  )
}

function Waiting({ chosen, onBeside }: { chosen: Chosen | undefined; onBeside: (beside: Beside | undefined) => void }) {
  const waiting = useAttachments({})
  const { attach, busy } = useAttach({})
  const { over, target } = useDrop((files) => void attach(files))
  return (
    <Inspector label="Receipts that wait">
      <div {...target} className={over ? 'bg-dusk-tint' : ''}>
        <InspectorHead title="Receipts that wait">
          {chosen ? `No. ${chosen.no} is selected.` : 'Select the entry that one belongs to, then attach it.'}
        </InspectorHead>
        {waiting.isPending && <Loading what="receipts" />}
        {waiting.error && <Failed error={waiting.error} retry={waiting.refetch} />}
        {waiting.data?.length === 0 && <p className="mb-2 text-ink-2">None waits for its entry.</p>}
        <ul aria-label="Receipts that wait">
          {waiting.data?.map((file) => (
            <li key={file.id} className="flex gap-3 border-b border-hairline py-2">
              <button
                type="button"
                className="border-0 bg-transparent p-0"
                aria-label={`Look at ${file.name}`}
                onClick={() => onBeside({ file })}
              >
                <Thumbnail file={file} />
              </button>
              <div className="min-w-0 flex-1">
                <p className="truncate font-semibold" title={file.name}>
                  {file.name}
                </p>
                <p className="text-small text-ink-2">
                  {aboutFile(file)}
                  {file.lineId && ', with a line to post'}
                </p>
                <AttachmentActs file={file} to={chosen} />
              </div>
            </li>
          ))}
        </ul>
        <p className="py-3 text-small text-ink-2" role={busy ? 'status' : undefined}>
          {busy ? 'Keeping it…' : <FilePick onFiles={(files) => void attach(files)} some={false} />}
        </p>
      </div>
      <Acts>
        <Button className="col-span-full" onClick={() => onBeside(undefined)}>
          Close
        </Button>
      </Acts>
    </Inspector>
  )
}
