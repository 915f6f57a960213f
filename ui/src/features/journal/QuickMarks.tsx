import { tagsText } from '@/parts/form/TagsField'
import { box } from '@/parts/look'
import { MethodPick } from '@/parts/MethodPick'
import { TaxPick } from '@/parts/TaxPick'
import type { Draft, QuickRead } from './quick'

/** What an entry is marked with, reached by Tab: the usual is taken if nothing is typed. */
export function QuickMarks({
  draft,
  read,
  set,
}: {
  draft: Draft
  read: QuickRead | undefined
  set: (to: Partial<Draft>) => void
}) {
  return (
    <div className="grid grid-cols-[minmax(0,1.6fr)_minmax(0,0.8fr)_minmax(0,0.9fr)_136px_minmax(0,0.9fr)] items-start gap-x-2">
      <textarea
        className={box({ className: 'h-7 min-h-7 w-full resize-y py-[3px]' })}
        rows={Math.min(6, draft.note.split('\n').length)}
        aria-label="Note"
        placeholder="note, Shift+Enter for a new line"
        value={draft.note}
        onChange={(e) => set({ note: e.target.value })}
      />
      <input
        className={box({ className: 'w-full' })}
        aria-label="Reference"
        placeholder="reference, cheque no."
        value={draft.reference}
        onChange={(e) => set({ reference: e.target.value })}
      />
      <input
        className={box({ className: 'w-full' })}
        aria-label="Tags"
        placeholder={read?.tags.length ? tagsText(read.tags) : 'tags, by commas'}
        value={draft.tags ?? ''}
        onChange={(e) => set({ tags: e.target.value })}
      />
      <MethodPick
        aria-label="Method"
        value={draft.method}
        usual={read?.method}
        none="method"
        onChange={(method) => set({ method })}
      />
      <TaxPick
        before=""
        className="flex h-7 items-center gap-2 text-small text-ink-2"
        aria-label="Sales tax"
        accountId={categoryOf(draft, read)}
        value={draft.tax}
        onChange={(tax) => set({ tax })}
      />
    </div>
  )
}

/** The place that may carry a sales tax; which of them does is known by the account itself. */
const categoryOf = (draft: Draft, read: QuickRead | undefined) =>
  draft.toId || read?.to?.id || draft.fromId || read?.from?.id || ''
