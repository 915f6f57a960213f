import { useState } from 'react'
import type { Attachment } from './useAttachments'

/** The first page of a file, small; its kind where there is no picture of it. */
export function Thumbnail({ file }: { file: Attachment }) {
  const [none, setNone] = useState(false)
  const frame = 'h-[64px] w-[50px] flex-none border border-hairline-2 bg-leaf'
  if (none) return <span className={`${frame} grid place-items-center text-[11px] text-ink-2`}>{file.type}</span>
  return (
    <img
      className={`${frame} object-cover object-top`}
      src={`/api/attachments/${file.id}/pages/0`}
      alt=""
      loading="lazy"
      onError={() => setNone(true)}
    />
  )
}
