import { AccountPicker } from '@/parts/AccountPicker'
import { Button } from '@/parts/Button'
import { counted } from '@/parts/figures'
import { textLink } from '@/parts/look'
import { type Named, nameOf, type Preview, type Said, saidOf, toSay } from './sheet'

/** What the names in a sheet mean that are not those of accounts and categories. */
export function SheetNames({
  preview,
  bookId,
  said,
  onSay,
}: {
  preview: Preview
  bookId: string
  said: Said[]
  onSay: (said: Said[]) => void
}) {
  const names = toSay(preview, said)
  if (names.length === 0) return null
  const open = names.filter((n) => !n.known)
  const makeable = open.filter((n) => n.side === 'CATEGORY' && n.name !== '')
  return (
    <section aria-label="What names mean" className="mb-4">
      <h3 className="mb-1 text-small text-ink-2">
        {open.length > 0
          ? `${open.length === 1 ? 'One name means' : `${open.length} names mean`} nothing here yet`
          : 'Names as you said'}
      </h3>
      <ul className="flex flex-col">
        {names.map((named) => (
          <NameRow
            key={`${named.side} ${named.name}`}
            named={named}
            onBothSides={preview.names.some((n) => n.side !== named.side && nameOf(n) === nameOf(named))}
            bookId={bookId}
            said={saidOf(named, said)}
            onSay={(one) => onSay([one])}
          />
        ))}
      </ul>
      {makeable.length > 1 && (
        <Button
          size="small"
          className="mt-2"
          onClick={() => onSay(makeable.map((n) => ({ side: n.side, name: n.name, make: 'EXPENSE' })))}
        >
          Make expense categories of the other {makeable.length}
        </Button>
      )}
    </section>
  )
}

function NameRow({
  named,
  onBothSides,
  bookId,
  said,
  onSay,
}: {
  named: Named
  /** Whether it names an account in some rows and what the amount was for in others. */
  onBothSides: boolean
  bookId: string
  said: Said | undefined
  onSay: (said: Said) => void
}) {
  const of = { side: named.side, name: named.name }
  const own = named.side === 'ACCOUNT'
  const accountId = said?.accountId ?? (named.asBefore ? named.accountId : undefined)
  const words = named.name || (own ? 'Rows without an account' : 'Rows without a category')
  const as = own ? 'an account' : 'a category'
  return (
    <li className="flex flex-col gap-1 border-hairline border-t py-2">
      <span className="flex items-baseline gap-2">
        <span className="min-w-0 flex-1 truncate" title={words}>
          {words}
        </span>
        <span className="flex-none text-small text-ink-2">
          {named.asBefore && 'as before, '}
          {onBothSides && `as ${as}, `}
          {counted(named.rows, 'row')}
        </span>
      </span>
      {said?.make ? (
        <span className="flex items-baseline gap-3 text-small">
          <span>a new {said.make === 'EXPENSE' ? 'expense' : 'income'} category</span>
          <button type="button" className={textLink({ size: 'small' })} onClick={() => onSay(of)}>
            Choose another<span className="sr-only"> for {words}</span>
          </button>
        </span>
      ) : (
        <>
          <AccountPicker
            aria-label={`What ${words} means${onBothSides ? ` as ${as}` : ''}`}
            bookId={own ? bookId : undefined}
            value={accountId}
            only={(a) => (own ? a.accountClass === 'ASSET' || a.accountClass === 'LIABILITY' : true)}
            placeholder={own ? 'which account paid' : 'which category'}
            onChange={(account) => onSay({ ...of, accountId: account?.id })}
          />
          {!own && named.name !== '' && !accountId && (
            <span className="flex gap-3">
              <button
                type="button"
                className={textLink({ size: 'small' })}
                onClick={() => onSay({ ...of, make: 'EXPENSE' })}
              >
                New expense category<span className="sr-only"> {words}</span>
              </button>
              <button
                type="button"
                className={textLink({ size: 'small' })}
                onClick={() => onSay({ ...of, make: 'INCOME' })}
              >
                New income category<span className="sr-only"> {words}</span>
              </button>
            </span>
          )}
        </>
      )}
    </li>
  )
}
