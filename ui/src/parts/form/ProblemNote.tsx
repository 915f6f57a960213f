import { messageOf, Problem } from '@/api/client'

/** What went wrong, with every row at fault where a table was refused. */
export function ProblemNote({ error }: { error: unknown }) {
  if (!error) return null
  const rows = error instanceof Problem ? error.rows : []
  return (
    <div className="rounded-md border border-aril bg-aril-tint px-[11px] py-2 whitespace-normal text-aril" role="alert">
      {messageOf(error)}
      {rows.length > 0 && (
        <ol className="mt-1 max-h-40 overflow-auto">
          {rows.map((r) => (
            <li key={`${r.line} ${r.column} ${r.reason}`}>
              Line {r.line}, {r.column}: {r.reason}
            </li>
          ))}
        </ol>
      )}
    </div>
  )
}
