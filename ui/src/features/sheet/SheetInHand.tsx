import { useState } from 'react'
import { useNavigate } from 'react-router'
import { messageOf, Problem } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { useSays } from '@/app/says'
import { useScopeSearch } from '@/app/scope'
import { Button } from '@/parts/Button'
import { counted } from '@/parts/figures'
import { noteBox } from '@/parts/look'
import { Loading } from '@/parts/States'
import { Acts, Head, Leaf, View } from '@/parts/View'
import { SheetBrings } from './SheetBrings'
import { SheetColumns } from './SheetColumns'
import { useSheet, whyNot } from './sheet'

/** A sheet before it is taken in: what its columns and names mean, and what its rows become. */
export function SheetInHand({
  file,
  bookId,
  book,
  onClose,
}: {
  file: File
  bookId: string
  book: string
  onClose: () => void
}) {
  const { preview, settled, names, settle, say, takeIn, forget } = useSheet(file, bookId)
  const [busy, setBusy] = useState(false)
  const [failure, setFailure] = useState('')
  const says = useSays()
  const navigate = useNavigate()
  const search = useScopeSearch()
  const read = preview.data
  const reason = preview.error || preview.isPlaceholderData ? 'The sheet is being read.' : whyNot(read, settled)

  async function take() {
    if (busy || reason !== undefined || !read) return
    setBusy(true)
    setFailure('')
    try {
      const taken = await takeIn(read)
      await booksChanged()
      forget()
      says.done(
        `${counted(taken.entries, 'entry', 'entries')} came from ${file.name}` +
          (taken.categories ? `, with ${counted(taken.categories, 'new category', 'new categories')}` : '') +
          (taken.leftOut ? `, ${counted(taken.leftOut, 'row')} left out.` : '.'),
      )
      onClose()
      navigate(`/journal${search}`)
    } catch (error) {
      setFailure(messageOf(error))
      if (error instanceof Problem) void preview.refetch()
    } finally {
      setBusy(false)
    }
  }
  useCommands([
    { keys: ['Enter'], label: 'Take the sheet in', changes: true, strip: 'take in', run: () => void take() },
    { keys: ['Escape'], label: 'Put the sheet back', strip: 'put back', run: onClose, whileTyping: true },
  ])

  return (
    <View beside className="[--insp:min(440px,40vw)]">
      <Leaf>
        <Head title={file.name} about={`into ${book}, nothing is taken in yet`} />
        {preview.isPending && <Loading what="the sheet" />}
        {(preview.error || failure) && (
          <div className="px-6 pt-2">
            <p className={noteBox({ tone: 'bad' })} role="alert">
              {preview.error ? messageOf(preview.error) : failure} Nothing was taken in.
            </p>
          </div>
        )}
        {read && !preview.error && <SheetColumns preview={read} settled={settled} onSettle={settle} />}
      </Leaf>
      <SheetBrings
        preview={preview.error ? undefined : read}
        bookId={bookId}
        settled={settled}
        said={names}
        onSettle={settle}
        onSay={say}
      >
        <Acts>
          <Button tone="go" size="wide" whyNot={busy ? 'It is being taken in.' : reason} onClick={() => void take()}>
            {busy
              ? 'Taking in'
              : read?.entryCount
                ? `Take in ${counted(read.entryCount, 'entry', 'entries')}`
                : 'Take in'}{' '}
            <kbd>Enter</kbd>
          </Button>
          <Button className="col-span-full" onClick={onClose}>
            Put back <kbd>Esc</kbd>
          </Button>
        </Acts>
      </SheetBrings>
    </View>
  )
}
