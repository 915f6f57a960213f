import type { Schemas } from '@/api/client'

export type Gathered = Schemas['GatheredJson']
export type AccountCoverage = Schemas['CoverageJson']
export type Preview = Schemas['PreviewJson']
export type Table = Schemas['TableJson']
export type Layout = Schemas['LayoutJson']
export type Meaning = Layout['meanings'][number]
