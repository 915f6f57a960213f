import type { ReactNode } from 'react'
import { counted, figure, inSentence, longDay, moment } from '@/parts/figures'
import { entryTable, factList, sumRow, textLink } from '@/parts/look'
import type { AccountPage } from './types'

/** What is known of an account, as a list of facts. */
export function AccountFacts({ page }: { page: AccountPage }) {
  const f = page.facts
  const facts: [string, ReactNode][] = [
    ['In group', page.groupName],
    ['Institution', [f.institution, f.tail && `ending ${f.tail}`].filter(Boolean).join(', ')],
    ['Number', f.number],
    ['Web page', f.webPage && <WebPage address={f.webPage} />],
    ['Contact', f.contact],
    ['Credit limit', f.creditLimit && figure(f.creditLimit)],
    ['Interest', f.interestRate && `${f.interestRate} % a year`],
    ['Tax rate', page.taxRate],
    ['Tax form', f.taxFormLine],
    ['Opens on', page.opensOn && longDay(page.opensOn)],
    ['Closed on', page.closedOn && longDay(page.closedOn)],
    ['Notes', f.notes && <span className="whitespace-pre-line">{f.notes}</span>],
  ]
  return (
    <dl className={`${factList} mt-3 mb-3`}>
      {facts
        .filter(([, value]) => value)
        .map(([name, value]) => (
          <div key={name} className="contents">
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
    </dl>
  )
}

function WebPage({ address }: { address: string }) {
  const url = /^https?:\/\//.test(address) ? address : `https://${address}`
  return (
    <a className={textLink()} href={url} target="_blank" rel="noreferrer">
      {address}
    </a>
  )
}

/** The entry that gave the account its opening balance. */
export function OpeningEntry({ page }: { page: AccountPage }) {
  const opening = page.opening
  if (!opening) return null
  const debit = !opening.base.startsWith('-')
  const amount = figure(opening.base.replace('-', ''))
  const own = page.currency === page.baseCurrency ? '' : `${page.currency} ${figure(opening.balance)}`
  const account = (
    <tr key="account">
      <td className={debit ? undefined : 'pl-4'}>
        {page.name} <span className="text-ink-3 text-small">{own}</span>
      </td>
      <td className="text-right">{debit && amount}</td>
      <td className="text-right">{!debit && amount}</td>
    </tr>
  )
  const equity = (
    <tr key="equity">
      <td className={debit ? 'pl-4 whitespace-normal' : 'whitespace-normal'}>{opening.equityName}</td>
      <td className="text-right">{!debit && amount}</td>
      <td className="text-right">{debit && amount}</td>
    </tr>
  )
  return (
    <>
      <h3>Opening balance, at the end of {longDay(opening.balanceOn)}</h3>
      <table className={`${entryTable} mb-3`} aria-label="Opening balance">
        <colgroup>
          <col />
          <col className="w-[82px]" />
          <col className="w-[82px]" />
        </colgroup>
        <thead>
          <tr>
            <th>No. {opening.entryNo}</th>
            <th className="text-right">Debit</th>
            <th className="text-right">Credit</th>
          </tr>
        </thead>
        <tbody>{debit ? [account, equity] : [equity, account]}</tbody>
        <tfoot>
          <tr className={sumRow}>
            <td>balances, {page.baseCurrency}</td>
            <td className="text-right">{amount}</td>
            <td className="text-right">{amount}</td>
          </tr>
        </tfoot>
      </table>
    </>
  )
}

export function AccountRules({ page }: { page: AccountPage }) {
  if (page.rules.length === 0) return null
  return (
    <>
      <h3>{counted(page.rules.length, 'rule')}</h3>
      <ul className="mb-3 text-small">
        {page.rules.map((r) => (
          <li key={r.id}>
            <b>{r.told}</b> <span className="text-ink-2">{r.booksHere ? 'books here' : 'looks at its lines'}</span>
          </li>
        ))}
      </ul>
    </>
  )
}

export function AccountHistory({ page }: { page: AccountPage }) {
  if (page.history.length === 0) return null
  return (
    <>
      <h3>History</h3>
      <dl className={`${factList} mb-3`}>
        {page.history.slice(0, 8).map((h) => (
          <div key={h.at + h.what} className="contents">
            <dt>{moment(h.at)}</dt>
            <dd>
              {inSentence(h.what)} <span className="text-ink-3">{h.who}</span>
            </dd>
          </div>
        ))}
      </dl>
    </>
  )
}
