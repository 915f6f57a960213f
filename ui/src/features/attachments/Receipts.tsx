import { useState } from 'react'
import { AttachmentStrip } from './AttachmentStrip'
import { LookAtFile } from './LookAtFile'
import { type Attachment, type Place, useAttach, usePasted } from './useAttachments'

/** What is attached to an entry, or to a line, which then goes to the entry that it becomes; looked at over the page. */
export function Receipts({ place }: { place: Place }) {
  const [looked, setLooked] = useState<Attachment>()
  const { attach } = useAttach(place)
  usePasted((files) => void attach(files))
  return (
    <>
      <AttachmentStrip className="min-h-8 flex-none pb-1" place={place} onLook={setLooked} />
      {looked && <LookAtFile file={looked} onClose={() => setLooked(undefined)} />}
    </>
  )
}
