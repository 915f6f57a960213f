/** The head of a book's table: its name and currency, and a column of figures for each head. */
export function FiguresHead({
  of,
  heads,
  width,
}: {
  of: { bookName: string; currency: string }
  heads: string[]
  /** Of each column of figures, as a class. */
  width: string
}) {
  return (
    <>
      <colgroup>
        <col />
        {heads.map((head) => (
          <col key={head} className={width} />
        ))}
      </colgroup>
      <thead>
        <tr>
          <th scope="col" className="text-left font-serif text-lead text-ink">
            {of.bookName} <span className="font-sans text-small text-ink-2">{of.currency}</span>
          </th>
          {heads.map((head) => (
            <th key={head} scope="col" className="text-right font-normal">
              {head}
            </th>
          ))}
        </tr>
      </thead>
    </>
  )
}
