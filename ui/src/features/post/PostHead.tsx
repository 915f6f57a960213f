import type { RefObject } from 'react'
import { FindBox } from '@/parts/FindBox'
import { counted, figure } from '@/parts/figures'
import { Select } from '@/parts/Select'
import { Head } from '@/parts/View'
import { LeftOutLink } from './LeftOut'
import { TrustedPostsLink } from './TrustedPosts'
import type { StacksPage } from './types'

export type Order = 'DATE' | 'AMOUNT' | 'TEXT'

const ORDERS: { value: Order; name: string }[] = [
  { value: 'DATE', name: 'by date' },
  { value: 'AMOUNT', name: 'by amount' },
  { value: 'TEXT', name: 'by text' },
]

/** Which waiting lines are looked for, and in which order they stand. */
export interface Finding {
  find: string
  setFind: (text: string) => void
  order: Order
  setOrder: (order: Order) => void
}

/** How many lines wait, and how far what is proposed for them is sure. */
export function PostHead({
  page,
  finding,
  ref,
}: {
  page: StacksPage
  finding: Finding
  ref: RefObject<HTMLInputElement | null>
}) {
  return (
    <Head
      title={<>{counted(page.count, 'line')} to post</>}
      about={
        <>
          {page.sure} sure, {page.likely} likely, {page.count - page.sure - page.likely} to answer; from{' '}
          {counted(page.accounts, 'account')}, {page.sums.map((s) => `${s.currency} ${figure(s.amount)}`).join(' and ')}
        </>
      }
    >
      <TrustedPostsLink />
      <LeftOutLink />
      <FindBox
        ref={ref}
        className="w-[190px] narrow:hidden"
        label="Find waiting lines"
        placeholder="text, account, amount"
        value={finding.find}
        onChange={finding.setFind}
      />
      <Select
        line
        className="h-7"
        aria-label="Order of the lines"
        value={finding.order}
        options={ORDERS}
        onChange={finding.setOrder}
      />
    </Head>
  )
}
