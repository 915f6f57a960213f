import { type ChangeEvent, useState } from 'react'
import { api, data, type Schemas, upload } from '@/api/client'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { Check } from '@/parts/Check'
import { counted } from '@/parts/figures'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { noteBox, textLink } from '@/parts/look'
import { Select } from '@/parts/Select'
import { useAct } from '@/parts/useAct'

type Book = Schemas['BookJson']
type Brought = Schemas['BroughtJson']

function told(b: Brought): string {
  return [
    counted(b.added, 'new account'),
    counted(b.openings, 'opening balance'),
    b.known ? `${b.known} there already` : '',
  ]
    .filter(Boolean)
    .join(', ')
}

/** A book's chart and rules as tables, and copies of what another book has. */
export function BookTables({ book, others }: { book: Book; others: Book[] }) {
  const says = useSays()
  const { act, error, busy } = useAct()
  const [file, setFile] = useState<{ file: File; would: Brought }>()
  const [from, setFrom] = useState(others[0]?.id ?? '')
  const [what, setWhat] = useState({ chart: true, rules: true, taxRates: true })

  const sent = (chosen: File) => {
    const form = new FormData()
    form.append('file', chosen)
    return form
  }
  function chosen(event: ChangeEvent<HTMLInputElement>, take: (file: File) => void) {
    const [one] = event.target.files ?? []
    event.target.value = ''
    if (one) take(one)
  }
  const check = (one: File) =>
    act(
      () => upload<Brought>(`/api/books/${book.id}/chart-table/check`, sent(one)),
      (would) => setFile({ file: one, would }),
    )
  const take = () =>
    file &&
    act(
      () => upload<Brought>(`/api/books/${book.id}/chart-table`, sent(file.file)),
      (brought) => {
        says.done(`${file.file.name}: ${told(brought)}.`)
        setFile(undefined)
      },
    )
  const takeRules = (one: File) =>
    act(
      () => upload<{ added: number }>(`/api/books/${book.id}/rule-table`, sent(one)),
      (brought) => says.done(`${counted(brought.added, 'rule')} added at the end of the order.`),
    )
  const copy = () =>
    act(
      () =>
        data(api.POST('/api/books/{id}/copy', { params: { path: { id: book.id } }, body: { fromId: from, ...what } })),
      (copied) =>
        says.done(
          `Copied ${counted(copied.categories, 'category', 'categories')}, ${counted(copied.rules, 'rule')}, ${counted(copied.taxRates, 'tax rate')}.`,
        ),
    )

  return (
    <div className="mt-4">
      <h3>As tables</h3>
      <p className="flex flex-wrap gap-x-5 gap-y-1 items-center py-1">
        <a className={textLink()} href={`/api/books/${book.id}/chart-table`} download>
          Chart and opening balances, CSV
        </a>
        <a className={textLink()} href={`/api/books/${book.id}/rule-table`} download>
          Rules, CSV
        </a>
        <a className={textLink()} href={`/api/books/${book.id}/chart-table/template`} download>
          Template of a chart
        </a>
        <label className={textLink()}>
          Take a chart in
          <input type="file" className="sr-only" accept=".csv,text/csv" onChange={(e) => chosen(e, check)} />
        </label>
        <label className={textLink()}>
          Take rules in
          <input type="file" className="sr-only" accept=".csv,text/csv" onChange={(e) => chosen(e, takeRules)} />
        </label>
      </p>
      {file && (
        <div className={noteBox({ className: 'flex gap-4 items-center' })}>
          <span>
            {file.file.name} brings {told(file.would)}.
          </span>
          <Button tone="go" whyNot={busy ? 'It is being done.' : undefined} onClick={take}>
            Take it in
          </Button>
          <Button onClick={() => setFile(undefined)}>Leave it</Button>
        </div>
      )}
      {others.length > 0 && (
        <p className="flex flex-wrap gap-x-4 gap-y-1 items-center py-1">
          Copy
          {(['chart', 'rules', 'taxRates'] as const).map((k) => (
            // biome-ignore lint/a11y/noLabelWithoutControl: the box is among its children
            <label key={k} className="inline-flex gap-1.5 items-center">
              <Check checked={what[k]} onChange={(on) => setWhat({ ...what, [k]: on })} />
              {k === 'chart' ? 'categories' : k === 'rules' ? 'rules' : 'tax rates'}
            </label>
          ))}
          from
          <Select
            line
            className="w-[170px]"
            aria-label={`Copy into ${book.name} from`}
            value={from}
            options={others.map((o) => ({ value: o.id, name: o.name }))}
            onChange={setFrom}
          />
          <Button size="small" whyNot={busy ? 'It is being done.' : undefined} onClick={copy}>
            Copy
          </Button>
        </p>
      )}
      <ProblemNote error={error} />
    </div>
  )
}
