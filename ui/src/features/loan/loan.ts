import type { Schemas } from '@/api/client'

export type Loan = Schemas['LoanPageJson']
export type Row = Schemas['LoanRowJson']
export type Table = Schemas['LoanTableJson']
export type Extra = Schemas['ExtraPaymentJson']
export type Compared = Schemas['WhatIfComparedJson']
export type LenderYear = Schemas['LenderYearJson']
