import { useCommands } from '@/app/commands'
import { Button } from '@/parts/Button'
import { button } from '@/parts/look'

/** A report on paper or as a file: printed as it is seen, or downloaded from where the application makes it. */
export function TakeAlong({ paper, table, workbook }: { paper: string; table: string; workbook?: string }) {
  const files = [
    { key: 'f', name: 'PDF', href: paper },
    { key: 'd', name: 'CSV', href: table },
    ...(workbook ? [{ key: 'x', name: 'XLSX', href: workbook }] : []),
  ]
  useCommands([
    { keys: ['p'], label: 'Print the report', strip: 'print', run: () => window.print() },
    ...files.map(({ key, name, href }) => ({
      keys: [key],
      label: `Download it as ${name}`,
      strip: name,
      run: () => window.location.assign(href),
    })),
  ])
  return (
    <>
      <Button onClick={() => window.print()}>
        Print <kbd>P</kbd>
      </Button>
      {files.map(({ key, name, href }) => (
        <a key={name} className={button()} href={href} download>
          {name} <kbd>{key.toUpperCase()}</kbd>
        </a>
      ))}
    </>
  )
}

/** Where the files of a report are made that is of a month, and of a book or of all. */
export function filesOf(at: string, { month, book }: { month: string | undefined; book: string | undefined }) {
  const search = new URLSearchParams({ ...(month ? { month } : {}), ...(book ? { book } : {}) })
  return { paper: `${at}/paper?${search}`, table: `${at}/table?${search}`, workbook: `${at}/workbook?${search}` }
}
