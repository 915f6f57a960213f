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
