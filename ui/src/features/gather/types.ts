import type { Schemas } from '@/api/client'

export type Gathered = Schemas['GatheredJson']
export type AccountCoverage = Schemas['CoverageJson']
export type Batch = Schemas['BatchJson']
export type Doubt = Schemas['DoubtJson']
export type Preview = Schemas['FilePreviewJson']
export type Part = Schemas['FilePartJson']
export type Table = Schemas['TableJson']
export type BalanceBreak = Schemas['BalanceBreakJson']
export type Discrepancy = Schemas['DiscrepancyJson']
export type Layout = Schemas['LayoutJson']
export type Meaning = Layout['meanings'][number]
export type Source = Batch['source']

/** What a source is called. */
export const SOURCES: Record<Source, string> = {
  OFX: 'OFX',
  CAMT: 'camt',
  MT940: 'MT940',
  CSV: 'CSV',
  XLSX: 'XLSX',
  FEED: 'feed',
}
