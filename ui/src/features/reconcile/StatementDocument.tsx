import { useRef, useState } from 'react'
import type { Schemas } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { AttachmentActs } from '@/features/attachments/AttachmentActs'
import { AttachmentPages, aboutFile } from '@/features/attachments/AttachmentPages'
import { FileInput } from '@/features/attachments/AttachmentStrip'
import { useAttach, useAttachments, usePasted } from '@/features/attachments/useAttachments'
import { Button } from '@/parts/Button'
import { longDay } from '@/parts/figures'
import { Failed, Loading } from '@/parts/States'
import { useDrop } from '@/parts/useDrop'
import { Acts, InspectorHead } from '@/parts/View'

/** The statement itself, as its bank sends it, beside the list that is ticked off. */
export function StatementDocument({ sheet, onClose }: { sheet: Schemas['SheetJson']; onClose: () => void }) {
  const place = { statementId: sheet.id }
  const files = useAttachments(place)
  const { attach, busy } = useAttach(place)
  const { over, target } = useDrop((dropped) => void attach(dropped))
  const [shown, setShown] = useState(0)
  const chooser = useRef<HTMLInputElement>(null)
  usePasted((pasted) => void attach(pasted))
  const all = files.data ?? []
  const file = all[Math.min(shown, all.length - 1)]
  return (
    <div {...target} className={`flex min-h-0 flex-1 flex-col ${over ? 'bg-dusk-tint' : ''}`}>
      <InspectorHead title={file ? file.name : 'The statement itself'}>
        {file ? aboutFile(file) : `of ${longDay(sheet.closesOn)}, as PDF or picture`}
      </InspectorHead>
      {files.isPending && <Loading what="the document" />}
      {files.error && <Failed error={files.error} retry={files.refetch} />}
      {files.data && !file && (
        <p className="mb-3 text-ink-2">
          None is attached. Drop it here, paste it, or choose it: its pages then stand beside what you tick.
        </p>
      )}
      {file && (
        <>
          <div className="mb-2 flex flex-wrap items-baseline gap-4">
            <AttachmentActs file={file} onGone={() => setShown(0)} />
            {all.length > 1 && (
              <Button size="small" onClick={() => setShown((shown + 1) % all.length)}>
                {Math.min(shown, all.length - 1) + 1} of {all.length}: the next
              </Button>
            )}
          </div>
          <AttachmentPages key={file.id} file={file} />
        </>
      )}
      <Acts>
        <MayChange>
          <Button onClick={() => chooser.current?.click()}>
            {busy ? 'Attaching…' : file ? 'Attach another' : 'Choose a file'}
          </Button>
        </MayChange>
        <Button onClick={onClose}>Back to the line</Button>
      </Acts>
      <FileInput ref={chooser} onFiles={(chosen) => void attach(chosen)} />
    </div>
  )
}
