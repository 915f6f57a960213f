import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { api, data, type Schemas, upload } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useSays } from '@/app/says'

export type Attachment = Schemas['AttachmentJson']

/** Where files are attached: an entry, a bank line that waits, a statement, or nothing yet. */
export interface Place {
  entryId?: string
  lineId?: string
  statementId?: string
}

/** Files that a chooser offers; the application looks at the content. */
export const ACCEPTED = '.pdf,.jpg,.jpeg,.png,.heic,.heif'

export function useAttachments({ entryId, lineId, statementId }: Place) {
  const query = { entry: entryId, line: lineId, statement: statementId }
  return useQuery({
    queryKey: ['attachments', entryId, lineId, statementId],
    queryFn: () => data(api.GET('/api/attachments', { params: { query } })),
  })
}

/** Puts files to a place, one after the other; what is refused says why, and the others go on. */
export function useAttach(place: Place) {
  const says = useSays()
  const [busy, setBusy] = useState(0)
  async function attach(files: File[]) {
    setBusy((n) => n + files.length)
    const refused: string[] = []
    const kept: string[] = []
    for (const file of files) {
      try {
        kept.push((await send(file, place)).name)
      } catch (error) {
        refused.push(error instanceof Error ? error.message : String(error))
      }
      setBusy((n) => n - 1)
    }
    if (refused.length > 0) says.failed(new Error(refused.join(' ')))
    else says.done(`${kept.join(', ')} ${said(kept.length, place)}`)
    await booksChanged()
  }
  return { attach, busy: busy > 0 }
}

function said(files: number, { entryId, lineId, statementId }: Place): string {
  if (!entryId && !lineId && !statementId) return files > 1 ? 'wait for their entries.' : 'waits for its entry.'
  return `${files > 1 ? 'are' : 'is'} attached.`
}

function send(file: File, { entryId, lineId, statementId }: Place): Promise<Attachment> {
  const form = new FormData()
  form.append('file', file, file.name)
  const query = new URLSearchParams()
  if (entryId) query.set('entry', entryId)
  if (lineId) query.set('line', lineId)
  if (statementId) query.set('statement', statementId)
  return upload<Attachment>(`/api/attachments?${query}`, form)
}

/** Files that are pasted while nothing is being typed that takes them. */
export function usePasted(onFiles: (files: File[]) => void) {
  const latest = useRef(onFiles)
  latest.current = onFiles
  useEffect(() => {
    function onPaste(event: ClipboardEvent) {
      const files = [...(event.clipboardData?.files ?? [])]
      if (files.length === 0) return
      event.preventDefault()
      latest.current(files)
    }
    document.addEventListener('paste', onPaste)
    return () => document.removeEventListener('paste', onPaste)
  }, [])
}
