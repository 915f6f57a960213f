/** The classes of accounts as reports head them. */
export const CLASSES = [
  { of: 'ASSET', name: 'Assets' },
  { of: 'LIABILITY', name: 'Liabilities' },
  { of: 'EQUITY', name: 'Equity' },
  { of: 'INCOME', name: 'Income' },
  { of: 'EXPENSE', name: 'Expenses' },
] as const
