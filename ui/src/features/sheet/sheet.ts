import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { type Schemas, upload } from '@/api/client'
import { type OpenQuestion, openQuestions } from '@/features/gather/questions'
import { useKept } from '@/parts/kept'

export type Preview = Schemas['SheetPreviewJson']
export type Layout = Schemas['SheetLayoutJson']
export type Column = Layout['meanings'][number]
export type Named = Schemas['SheetNameJson']
export type Said = Schemas['SheetNameSaidJson']
type Asked = Schemas['SheetAskedJson']
export type Taken = Schemas['SheetTakenJson']

/** What a person has settled of how a sheet is read. */
export interface Settled {
  layout?: Layout
  answered: OpenQuestion[]
  alike?: Asked['alike']
  twins?: Asked['twins']
}

/** A name, however it is spaced and in upper or lower case. */
export const nameOf = (of: { name: string }) => of.name.trim().replace(/\s+/g, ' ').toLowerCase()
const keyOf = (of: { side: string; name: string }) => `${of.side} ${nameOf(of)}`

/** The sheet in hand, as long as the page stays: leaving the view does not put it back. */
let inHand: File | undefined

export function useSheetInHand(): [File | undefined, (file: File | undefined) => void] {
  const [file, setFile] = useState(inHand)
  return [
    file,
    (next) => {
      inHand = next
      setFile(next)
    },
  ]
}

function form(file: File, asked: Asked): FormData {
  const body = new FormData()
  body.set('file', file)
  body.set('asked', new Blob([JSON.stringify(asked)], { type: 'application/json' }))
  return body
}

/** What is said of names, as long as the page stays, and what earlier sheets said of the others. */
const meant = (said: Said[], read: Preview): Said[] => [
  ...said,
  ...read.names
    .filter((n) => n.asBefore && n.accountId)
    .map(({ side, name, accountId }) => ({ side, name, accountId })),
]

/** A sheet with what is settled about it; it is read again whenever something is. */
export function useSheet(file: File, bookId: string) {
  const [names, setNames] = useKept<Said[]>(`sheet names of ${bookId}`, [])
  const [settled, setSettled] = useKept<Settled>(`sheet ${file.name} of ${file.size} bytes, ${file.lastModified}`, {
    answered: [],
  })
  const asked: Asked = { bookId, layout: settled.layout, names, alike: settled.alike, twins: settled.twins }
  const preview = useQuery({
    queryKey: ['sheet', file.name, file.size, file.lastModified, asked],
    retry: false,
    staleTime: 0,
    placeholderData: (previous: Preview | undefined) => previous,
    queryFn: () => upload<Preview>('/api/entry-sheet/preview', form(file, asked)),
  })
  return {
    preview,
    settled,
    names,
    settle: (to: Partial<Settled>) => setSettled((old) => ({ ...old, ...to })),
    say: (said: Said[]) =>
      setNames((old) => [
        ...old.filter((o) => !said.some((s) => keyOf(s) === keyOf(o))),
        ...said.filter((s) => s.accountId || s.make),
      ]),
    /** Takes it in as it was previewed: the layout and the names shown are those used. */
    takeIn: (read: Preview) =>
      upload<Taken>(
        '/api/entry-sheet',
        form(file, { ...asked, names: meant(names, read), layout: settled.layout ?? read.table.layout }),
      ),
    /** Another sheet asks by itself what rows without a name mean. */
    forget: () => {
      setSettled(undefined)
      setNames((old) => old.filter((o) => o.name.trim() !== ''))
    },
  }
}

/** Names that mean nothing by themselves: to be said, or said by the person, now or of an earlier sheet. */
export const toSay = (read: Preview, said: Said[]) =>
  read.names.filter((n) => !n.known || n.asBefore || said.some((s) => keyOf(s) === keyOf(n)))

export const saidOf = (named: Named, said: Said[]) => said.find((s) => keyOf(s) === keyOf(named))

/** Why the sheet cannot be taken in yet; undefined if it can. */
export function whyNot(read: Preview | undefined, settled: Settled): string | undefined {
  if (!read) return 'The sheet is being read.'
  if (read.problem) return 'The columns are not settled yet.'
  if (openQuestions(settled, read.table).length > 0) return 'How the sheet is written is still open, above its rows.'
  const open = read.names.filter((n) => !n.known).length
  if (open > 0) return `Say what ${open === 1 ? 'one name means' : `${open} names mean`} first.`
  if (read.problemCount > 0) return 'Rows that cannot be taken in are left: mend the sheet and choose it again.'
  if (read.alikeCount > 0 && !settled.alike) return 'Say what becomes of the rows that may be here already.'
  if (read.twinCount > 0 && !settled.twins) return 'Say what becomes of the transfers that stand in the sheet twice.'
  return read.entryCount === 0 ? 'No row is left to take in.' : undefined
}
