import type { Schemas } from '@/api/client'
import type { operations } from '@/api/schema.generated'

type Query = operations['report']['parameters']['query']
export type Named = Query['span']
export type Every = Query['every']
export type Beside = Query['beside']
export type Kind = Query['kind']
export type Tax = NonNullable<Query['tax']>
export type Bills = NonNullable<Query['bills']>
export type By = NonNullable<Query['by']>
export type Measure = NonNullable<Query['measure']>
/** How an own report is drawn above its table; what suits it, if nobody chose. */
export type Draw = 'SUITS' | 'TABLE' | 'LINES' | 'BARS' | 'PARTS'
export type ReportPage = Schemas['ReportPageJson']
export type ReportTableOf = Schemas['ReportTableJson']

/** What a report covers until somebody chooses. */
const USUAL: Record<Kind | 'GENERAL_LEDGER', { span: Named; every: Every; beside: Beside }> = {
  INCOME_STATEMENT: { span: 'MONTH', every: 'WHOLE', beside: 'BEFORE' },
  CASH_FLOW: { span: 'MONTH', every: 'WHOLE', beside: 'BEFORE' },
  BALANCE_SHEET: { span: 'TWELVE_MONTHS', every: 'MONTH', beside: 'NOTHING' },
  NET_WORTH: { span: 'TWELVE_MONTHS', every: 'MONTH', beside: 'NOTHING' },
  OWN: { span: 'TWELVE_MONTHS', every: 'MONTH', beside: 'NOTHING' },
  GENERAL_LEDGER: { span: 'MONTH', every: 'WHOLE', beside: 'NOTHING' },
  TAX_FORM: { span: 'FISCAL_YEAR', every: 'WHOLE', beside: 'YEAR_BEFORE' },
}

/** Whether its columns are about spans; otherwise about the days at their ends. */
export const isOfFlows = (kind: string) => kind !== 'BALANCE_SHEET' && kind !== 'NET_WORTH'

export type Asked = ReturnType<typeof askedOf>

/** What a report covers and is put together of, as an address says it. */
export function askedOf(params: URLSearchParams, kind: Kind | 'GENERAL_LEDGER') {
  const usual = USUAL[kind]
  return {
    kind,
    span: (params.get('span') ?? usual.span) as Named | 'OWN',
    first: params.get('first') ?? undefined,
    last: params.get('last') ?? undefined,
    every: (params.get('every') ?? usual.every) as Every,
    beside: besideOf(params, kind),
    tax: (params.get('tax') ?? 'NET') as Tax,
    bills: billsOf(params, kind),
    by: (params.get('by') ?? 'CATEGORY') as By,
    measure: (params.get('measure') ?? 'SPENT') as Measure,
    text: params.get('text') ?? '',
    draw: (params.get('draw') ?? 'SUITS') as Draw,
  }
}

/** What was chosen of the income statement holds for the next report as far as that has it. */
function besideOf(params: URLSearchParams, kind: Kind | 'GENERAL_LEDGER'): Beside {
  const chosen = params.get('beside') as Beside | null
  const fits =
    (chosen !== 'BUDGET' || kind === 'INCOME_STATEMENT') && (chosen !== 'BOOKED' || billsOf(params, kind) === 'SPREAD')
  return chosen === null || !fits ? USUAL[kind].beside : chosen
}

const billsOf = (params: URLSearchParams, kind: Kind | 'GENERAL_LEDGER') =>
  kind === 'INCOME_STATEMENT' ? ((params.get('bills') ?? 'BOOKED') as Bills) : 'BOOKED'

/** The same as the API takes it, of a book, or of all, as it stands at a month. */
export function queryOf<K extends Kind | 'GENERAL_LEDGER'>(
  kind: K,
  asked: Asked,
  scope: { book?: string | undefined; month?: string | undefined },
) {
  const own = asked.span === 'OWN'
  return {
    kind,
    span: own ? 'MONTH' : (asked.span as Named),
    month: scope.month ?? '',
    ...(own && asked.first && asked.last ? { first: asked.first, last: asked.last } : {}),
    every: asked.every,
    beside: asked.beside,
    ...(scope.book ? { book: scope.book } : {}),
    ...(kind === 'INCOME_STATEMENT' && asked.tax !== 'NET' ? { tax: asked.tax } : {}),
    ...(asked.bills === 'SPREAD' ? { bills: asked.bills } : {}),
    ...(kind === 'OWN' ? { by: asked.by, measure: asked.measure, text: asked.text } : {}),
  } satisfies Omit<Query, 'kind'> & { kind: K }
}
