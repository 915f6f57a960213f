import type { Schemas } from '@/api/client'

export type ChartPage = Schemas['ChartPageJson']
export type BookChart = Schemas['BookChartJson']
export type ClassChart = Schemas['ClassJson']
export type ChartRow = Schemas['ChartRowJson']
export type AccountPage = Schemas['AccountPageJson']
export type Kind = ChartRow['kind']

export const CLASS_NAMES = {
  ASSET: 'Assets',
  LIABILITY: 'Liabilities',
  EQUITY: 'Equity',
  INCOME: 'Income',
  EXPENSE: 'Expenses',
} as const

/** How a kind is named for people. */
export const KIND_NAMES: Record<Kind, string> = {
  CURRENT: 'current',
  SAVINGS: 'savings',
  SET_ASIDE: 'set-aside',
  CASH: 'cash',
  PAYOUT: 'payout',
  INVESTMENT: 'investment',
  PROPERTY: 'property',
  RECEIVABLE: 'receivable',
  CARD: 'card',
  LOAN: 'loan',
  PAYABLE: 'payable',
  SALES_TAX: 'sales tax',
  OPENING_EQUITY: 'opening equity',
  OWNER_EQUITY: 'owner’s equity',
  DRAWINGS: 'drawings',
  SUSPENSE: 'suspense',
  OVER_SHORT: 'cash over or short',
  DIFFERENCE: 'reconciliation difference',
  INCOME: 'income',
  EXCHANGE: 'exchange result',
  EXPENSE: 'expense',
}

/** The kinds that a person can give, by class. */
export const KINDS_BY_HAND: Kind[] = [
  'CURRENT',
  'SAVINGS',
  'CASH',
  'PAYOUT',
  'INVESTMENT',
  'PROPERTY',
  'RECEIVABLE',
  'CARD',
  'LOAN',
  'PAYABLE',
  'SALES_TAX',
  'OWNER_EQUITY',
  'INCOME',
  'EXPENSE',
]

export const CLASS_OF: Record<Kind, keyof typeof CLASS_NAMES> = {
  CURRENT: 'ASSET',
  SAVINGS: 'ASSET',
  SET_ASIDE: 'ASSET',
  CASH: 'ASSET',
  PAYOUT: 'ASSET',
  INVESTMENT: 'ASSET',
  PROPERTY: 'ASSET',
  RECEIVABLE: 'ASSET',
  CARD: 'LIABILITY',
  LOAN: 'LIABILITY',
  PAYABLE: 'LIABILITY',
  SALES_TAX: 'LIABILITY',
  OPENING_EQUITY: 'EQUITY',
  OWNER_EQUITY: 'EQUITY',
  DRAWINGS: 'EQUITY',
  SUSPENSE: 'ASSET',
  OVER_SHORT: 'EXPENSE',
  DIFFERENCE: 'EXPENSE',
  INCOME: 'INCOME',
  EXCHANGE: 'INCOME',
  EXPENSE: 'EXPENSE',
}
