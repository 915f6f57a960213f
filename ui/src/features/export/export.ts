import { api, data, type Schemas } from '@/api/client'
import { zoneHere } from '@/parts/zones'

export type Exports = Schemas['ExportsJson']
export type Kept = Schemas['ExportKeptJson']
export type Wanted = Schemas['ExportWantedJson']
export type Column = Schemas['ExportColumnJson']
type Delivery = Schemas['ExportDeliveryJson']

export const exportsQuery = { queryKey: ['exports'], queryFn: () => data(api.GET('/api/exports')) }

export const ROWS: { value: Wanted['of']; name: string }[] = [
  { value: 'ENTRIES', name: 'entries' },
  { value: 'POSTINGS', name: 'postings' },
  { value: 'LINES', name: 'bank lines' },
]
export const DAYS: { value: Wanted['days']; name: string }[] = [
  { value: 'EVERYTHING', name: 'all days' },
  { value: 'THIS_MONTH', name: 'this month' },
  { value: 'LAST_MONTH', name: 'last month' },
  { value: 'LAST_90_DAYS', name: 'the last 90 days' },
  { value: 'THIS_YEAR', name: 'this year' },
  { value: 'LAST_YEAR', name: 'last year' },
]
export const FORMATS: { value: Wanted['format']; name: string }[] = [
  { value: 'CSV', name: 'CSV' },
  { value: 'XLSX', name: 'XLSX' },
  { value: 'JSON', name: 'JSON' },
  { value: 'OFX', name: 'OFX' },
  { value: 'CAMT', name: 'camt.053' },
]
export const DAY_FORMS: { value: Wanted['dayForm']; name: string }[] = [
  { value: 'ISO', name: '2026-01-31' },
  { value: 'DOTS', name: '31.01.2026' },
  { value: 'DAY_FIRST', name: '31/01/2026' },
  { value: 'MONTH_FIRST', name: '01/31/2026' },
]
export const EVERY: { value: Delivery['every']; name: string }[] = [
  { value: 'DAY', name: 'every day' },
  { value: 'WEEK', name: 'every week' },
  { value: 'MONTH', name: 'every month' },
]
export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'].map(
  (name, i) => ({ value: String(i + 1), name }),
)
export const MODES: { value: Delivery['mode']; name: string }[] = [
  { value: 'REPLACE', name: 'is replaced' },
  { value: 'APPEND', name: 'gets the new rows' },
]

/** What the fields of the form hold. */
export interface Typed {
  name: string
  of: Wanted['of']
  accountId: string
  filter: string
  days: Wanted['days']
  columns: Column[]
  format: Wanted['format']
  dayForm: Wanted['dayForm']
  comma: 'POINT' | 'COMMA'
  goes: 'FETCHED' | 'WRITTEN'
  file: string
  mode: Delivery['mode']
  every: Delivery['every']
  weekday: string
  monthDay: string
  at: string
  zone: string
}

export const isStatement = (format: Wanted['format']) => format === 'OFX' || format === 'CAMT'

/** What a form begins with: an export as it is kept, or the usual columns. */
export function begun(kept: Wanted | undefined, usual: Column[]): Typed {
  const delivery = kept?.delivery
  return {
    name: kept?.name ?? '',
    of: kept?.of ?? 'ENTRIES',
    accountId: kept?.accountId ?? '',
    filter: kept?.filter ?? '',
    days: kept?.days ?? 'THIS_YEAR',
    columns: kept ? kept.columns : usual,
    format: kept?.format ?? 'CSV',
    dayForm: kept?.dayForm ?? 'ISO',
    comma: kept?.decimalComma ? 'COMMA' : 'POINT',
    goes: delivery ? 'WRITTEN' : 'FETCHED',
    file: delivery?.file ?? '',
    mode: delivery?.mode ?? 'REPLACE',
    every: delivery?.every ?? 'DAY',
    weekday: delivery?.every === 'WEEK' ? String(delivery.on) : '1',
    monthDay: delivery?.every === 'MONTH' ? String(delivery.on) : '1',
    at: (delivery?.at ?? '06:00').slice(0, 5),
    zone: delivery?.zone ?? zoneHere,
  }
}

/** What is sent of it; `withFile` leaves the file out where it is only looked at. */
export function wanted(typed: Typed, book: string | undefined, withFile = true): Wanted {
  const on = typed.every === 'WEEK' ? typed.weekday : typed.every === 'MONTH' ? typed.monthDay : '1'
  return {
    name: typed.name,
    of: typed.of,
    bookId: book,
    accountId: typed.of === 'LINES' && typed.accountId ? typed.accountId : undefined,
    filter: typed.filter,
    days: typed.days,
    columns: isStatement(typed.format) ? [] : typed.columns,
    format: typed.format,
    dayForm: typed.dayForm,
    decimalComma: typed.comma === 'COMMA',
    delivery:
      withFile && typed.goes === 'WRITTEN'
        ? { file: typed.file, mode: typed.mode, every: typed.every, on: Number(on), at: typed.at, zone: typed.zone }
        : undefined,
  }
}

/** Where it goes and when, in a few words. */
export function whenWritten({ wanted: { delivery } }: Kept): string {
  if (!delivery) return 'when it is fetched'
  const at = delivery.at.slice(0, 5)
  const day =
    delivery.every === 'DAY'
      ? 'each day'
      : delivery.every === 'WEEK'
        ? `each ${WEEKDAYS[delivery.on - 1]?.name}`
        : `on day ${delivery.on} of each month`
  return `${day} at ${at}`
}

export const addressOf = (kept: Kept) => `/api/exports/${kept.id}/file`
