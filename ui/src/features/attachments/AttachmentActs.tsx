import { api, data } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { textLink } from '@/parts/look'
import { useSaidAct } from '@/parts/useSaidAct'
import type { Attachment, Place } from './useAttachments'

/** What can be done with a file: opened, put to an entry, taken off it, removed. */
export function AttachmentActs({
  file,
  to,
  onGone,
}: {
  file: Attachment
  /** An entry that it can be put to, and its number. */
  to?: { entryId: string; no: number }
  /** Told when it is no longer where it was. */
  onGone?: () => void
}) {
  const act = useSaidAct()
  const put = (place: Place) =>
    data(
      api.PUT('/api/attachments/{id}/place', {
        params: { path: { id: file.id } },
        body: { version: file.version, ...place },
      }),
    )
  return (
    <p className="flex flex-wrap gap-x-4 gap-y-1 text-small">
      <a className={textLink({ size: 'small' })} href={`/api/attachments/${file.id}/file`} download={file.name}>
        Open the file
      </a>
      <MayChange>
        {to && to.entryId !== file.entryId && (
          <button
            type="button"
            className={textLink({ size: 'small' })}
            onClick={() =>
              void act(() => put({ entryId: to.entryId }), `${file.name} is attached to no. ${to.no}.`).then(onGone)
            }
          >
            Attach to no. {to.no}
          </button>
        )}
        {(file.entryId || file.statementId) && (
          <button
            type="button"
            className={textLink({ size: 'small' })}
            onClick={() => void act(() => put({}), `${file.name} waits for its entry.`).then(onGone)}
          >
            Take it off
          </button>
        )}
        <button
          type="button"
          className={textLink({ tone: 'kill', size: 'small' })}
          onClick={() =>
            void act(
              () =>
                data(
                  api.DELETE('/api/attachments/{id}', {
                    params: { path: { id: file.id }, query: { version: file.version } },
                  }),
                ),
              `${file.name} is removed.`,
            ).then(onGone)
          }
        >
          Remove
        </button>
      </MayChange>
    </p>
  )
}
