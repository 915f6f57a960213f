import { type Ref, useRef } from 'react'
import { MayChange } from '@/app/MayChange'
import { textLink } from '@/parts/look'
import { useDrop } from '@/parts/useDrop'
import { Thumbnail } from './Thumbnail'
import { ACCEPTED, type Attachment, type Place, useAttach, useAttachments } from './useAttachments'

/** The files of an entry or of a waiting line, small; more are dropped onto it, or chosen. */
export function AttachmentStrip({
  place,
  count,
  onLook,
  className = '',
}: {
  place: Place
  /** How many there are, known before they are read; undefined where it is not. */
  count?: number
  onLook: (file: Attachment) => void
  className?: string
}) {
  const { data: files = [], error } = useAttachments(place)
  const { attach, busy } = useAttach(place)
  const { over, target } = useDrop((dropped) => void attach(dropped))
  const some = count === undefined ? files.length > 0 : count > 0
  return (
    <section
      {...target}
      aria-label="Attachments"
      className={`flex items-center gap-3 text-small text-ink-2 ${over ? 'bg-dusk-tint' : ''} ${className}`}
    >
      {some && (
        <ul className="flex min-w-0 gap-2 overflow-x-auto p-1 -ml-1">
          {files.map((file) => (
            <li key={file.id}>
              <button
                type="button"
                className="flex items-center gap-2 border-0 bg-transparent p-0 text-left hover:[&_span]:underline"
                aria-label={`Look at ${file.name}`}
                onClick={() => onLook(file)}
              >
                <Thumbnail file={file} />
                <span className="line-clamp-3 w-[92px] wrap-anywhere whitespace-normal">{file.name}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      {error && <span role="alert">{error.message}</span>}
      <MayChange>
        <span className="flex-none" role={busy ? 'status' : undefined}>
          {busy ? 'Attaching…' : <FilePick onFiles={(chosen) => void attach(chosen)} some={some} />}
        </span>
      </MayChange>
    </section>
  )
}

/** Chooses files, and says what else attaches them. */
export function FilePick({ onFiles, some }: { onFiles: (files: File[]) => void; some: boolean }) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <button type="button" className={textLink({ size: 'small' })} onClick={() => input.current?.click()}>
        {some ? 'Attach another' : 'Attach a receipt'}
      </button>
      {!some && ', drop it here or paste it'}
      <FileInput ref={input} onFiles={onFiles} />
    </>
  )
}

/** What opens the chooser of the system when it is clicked; it is never seen itself. */
export function FileInput({ ref, onFiles }: { ref: Ref<HTMLInputElement>; onFiles: (files: File[]) => void }) {
  return (
    <input
      ref={ref}
      type="file"
      multiple
      hidden
      accept={ACCEPTED}
      aria-label="Files to attach"
      onChange={(event) => {
        onFiles([...(event.target.files ?? [])])
        event.target.value = ''
      }}
    />
  )
}
