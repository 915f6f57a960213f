import { AccountPicker } from '@/parts/AccountPicker'
import { AmountInput } from '@/parts/form/AmountInput'
import { Icon } from '@/parts/Icon'
import { textLink } from '@/parts/look'
import { type Option, Select } from '@/parts/Select'
import { TaxPick } from '@/parts/TaxPick'
import type { Draft, ShareClause } from './draft'

const SIZES: Option<ShareClause['size']>[] = [
  { value: 'fixed', name: 'an amount' },
  { value: 'percent', name: 'percent' },
  { value: 'rest', name: 'the rest' },
]

/** Where a rule books: all to one account, or parts of it to several. */
export function Shares({
  draft,
  set,
  refused,
}: {
  draft: Draft
  set: (to: Partial<Draft>) => void
  refused?: { field: string; message: string }
}) {
  const { shares } = draft
  const several = shares.length > 1
  const change = (key: number, to: Partial<ShareClause>) =>
    set({ shares: shares.map((s) => (s.key === key ? { ...s, ...to } : s)) })
  function divide() {
    const size = shares.some((s) => s.size === 'rest') ? 'fixed' : 'rest'
    const added: ShareClause = { key: draft.next, accountId: '', unknown: '', size, amount: '', tax: {} }
    set({
      shares: several ? [...shares.slice(0, -1), added, ...shares.slice(-1)] : [added, ...shares],
      next: draft.next + 1,
    })
  }
  const income = draft.when.parts.some((part) => part.kind === 'WAY' && part.direction === 'IN')
  return (
    <>
      {shares.map((share, i) => (
        <span key={share.key} className={several ? 'my-1 flex items-center gap-1.5' : undefined}>
          {several && (
            <>
              <Select
                word="plain"
                aria-label={`How much, part ${i + 1}`}
                value={share.size}
                options={SIZES}
                onChange={(size) => change(share.key, { size })}
              />
              {share.size !== 'rest' && (
                <AmountInput
                  line
                  className="w-[66px]"
                  aria-label={share.size === 'fixed' ? `Amount, part ${i + 1}` : `Percent, part ${i + 1}`}
                  text={share.amount}
                  onText={(amount) => change(share.key, { amount })}
                />
              )}
              to
            </>
          )}
          <span className={several ? 'min-w-0 flex-1' : 'inline-block w-[200px] align-middle'}>
            <AccountPicker
              aria-label={several ? `Book to, part ${i + 1}` : 'Book to'}
              aria-invalid={refused?.field.startsWith(`shares.${i}`) || share.unknown !== '' || undefined}
              value={share.accountId}
              bookId={draft.bookId}
              otherBooks
              mayCreate={income ? 'INCOME' : 'EXPENSE'}
              onChange={(a) => change(share.key, { accountId: a?.id ?? '', unknown: '' })}
              onUnknown={(unknown) => change(share.key, { accountId: '', unknown })}
            />
          </span>
          <TaxPick
            before=" with tax"
            className="whitespace-pre"
            aria-label={several ? `Sales tax, part ${i + 1}` : 'Sales tax'}
            accountId={share.accountId}
            value={share.tax}
            onChange={(tax) => change(share.key, { tax })}
          />
          {several && (
            <button
              type="button"
              className="grid size-5 flex-none place-items-center rounded border-0 bg-transparent text-ink-3 hover:text-aril"
              aria-label={`Take part ${i + 1} out`}
              onClick={() => {
                const rest = shares.filter((s) => s.key !== share.key)
                set({ shares: rest.length === 1 ? rest.map((s) => ({ ...s, size: 'rest', amount: '' })) : rest })
              }}
            >
              <Icon name="close" size={9} />
            </button>
          )}
        </span>
      ))}{' '}
      <button type="button" className={textLink({ size: 'small', className: 'font-sans' })} onClick={divide}>
        {several ? 'one more part' : 'divide it'}
      </button>
      {refused?.field.startsWith('shares') && (
        <span className="block font-sans text-small text-aril" role="alert">
          {refused.message}
        </span>
      )}
    </>
  )
}
