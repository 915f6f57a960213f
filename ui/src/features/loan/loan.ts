import type { Schemas } from '@/api/client'

export type Loan = Schemas['LoanPageJson']
export type Row = Schemas['LoanRowJson']
export type Table = Schemas['LoanTableJson']
export type Extra = Schemas['ExtraPaymentJson']
export type Compared = Schemas['WhatIfComparedJson']
export type LenderYear = Schemas['LenderYearJson']

/** What holds on a day: the newest terms that begin by then, or the oldest. */
export function termsOn(loan: Loan, day: string): Schemas['LoanTermsJson'] | undefined {
  return loan.terms.filter((one) => one.from <= day).at(-1) ?? loan.terms[0]
}
