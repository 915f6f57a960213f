import type { Schemas } from '@/api/client'
import type { operations } from '@/api/schema.generated'
import { useAddress, useScope } from '@/app/scope'

type Query = operations['report']['parameters']['query']
export type Named = Query['span']
export type Every = Query['every']
export type Beside = Query['beside']
export type ReportPage = Schemas['ReportPageJson']
export type ReportTableOf = Schemas['ReportTableJson']

/** What a report covers, kept in the address: a link to it, a reload and the way back show the same. */
export function useReportAsked(kind: Query['kind']) {
  const { book, month } = useScope()
  const { params, set } = useAddress()
  const usual = kind === 'INCOME_STATEMENT' ? 'WHOLE' : 'MONTH'
  const asked = {
    kind,
    span: (params.get('span') ?? (kind === 'INCOME_STATEMENT' ? 'MONTH' : 'TWELVE_MONTHS')) as Named | 'OWN',
    first: params.get('first') ?? undefined,
    last: params.get('last') ?? undefined,
    every: (params.get('every') ?? usual) as Every,
    beside: (params.get('beside') ?? (kind === 'INCOME_STATEMENT' ? 'BEFORE' : 'NOTHING')) as Beside,
  }
  const own = asked.span === 'OWN'
  const query = {
    kind,
    span: own ? 'MONTH' : (asked.span as Named),
    month: month ?? '',
    ...(own && asked.first && asked.last ? { first: asked.first, last: asked.last } : {}),
    every: asked.every,
    beside: asked.beside,
    ...(book ? { book } : {}),
  } satisfies Query
  return { asked, query, set, ready: month !== undefined }
}
