import { useQuery } from '@tanstack/react-query'
import { api, data } from '@/api/client'
import { moment } from '@/parts/figures'
import { Failed, Loading } from '@/parts/States'
import type { Attachment } from './useAttachments'

/** The pages of a file, one below the other, as pictures that the application has drawn. */
export function AttachmentPages({ file }: { file: Attachment }) {
  const pages = useQuery({
    queryKey: ['attachment pages', file.id],
    queryFn: () => data(api.GET('/api/attachments/{id}/pages', { params: { path: { id: file.id } } })),
    staleTime: Number.POSITIVE_INFINITY,
  })
  if (pages.isPending) return <Loading what={file.name} />
  if (pages.error) return <Failed error={pages.error} retry={pages.refetch} />
  const { pages: all, drawn, problem } = pages.data
  return (
    <div className="flex flex-col gap-2 pb-3">
      {problem && <p className="text-ink-2">{problem}</p>}
      {Array.from({ length: drawn }, (_, i) => i + 1).map((page) => (
        <img
          key={page}
          className="w-full border border-hairline-2 bg-white"
          src={`/api/attachments/${file.id}/pages/${page}`}
          alt={`${file.name}, page ${page} of ${all}`}
          loading="lazy"
        />
      ))}
      {drawn > 0 && drawn < all && (
        <p className="text-small text-ink-2">
          The first {drawn} of {all} pages are shown. Open the file to see the others.
        </p>
      )}
    </div>
  )
}

/** How large a file is and when it came. */
export const aboutFile = (file: Attachment) => `${file.type}, ${sizeOf(file.bytes)}, came ${moment(file.arrivedAt)}`

const sizeOf = (bytes: number) =>
  bytes < 100_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${Math.round(bytes / 100_000) / 10} MB`
