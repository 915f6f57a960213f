import { Dialog } from '@/parts/Dialog'
import { Said } from '@/parts/View'
import { AttachmentActs } from './AttachmentActs'
import { AttachmentPages, aboutFile } from './AttachmentPages'
import type { Attachment } from './useAttachments'

/** A file over what is being done, where there is no room beside it. */
export function LookAtFile({ file, onClose }: { file: Attachment; onClose: () => void }) {
  return (
    <Dialog title={file.name} open onClose={onClose} wide>
      <Said title={file.name}>
        <p className="mb-1 text-small text-ink-2">{aboutFile(file)}</p>
        <div className="mb-3">
          <AttachmentActs file={file} onGone={onClose} />
        </div>
        <AttachmentPages file={file} />
      </Said>
    </Dialog>
  )
}
