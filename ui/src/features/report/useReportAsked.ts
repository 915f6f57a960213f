import { useAddress, useScope } from '@/app/scope'
import { askedOf, type Kind, queryOf } from './reportAsked'

/** What a report covers, kept in the address: a link to it, a reload and the way back show the same. */
export function useReportAsked<K extends Kind | 'GENERAL_LEDGER'>(kind: K) {
  const scope = useScope()
  const { params, set } = useAddress()
  const asked = askedOf(params, kind)
  return { asked, query: queryOf(kind, asked, scope), set, ready: scope.month !== undefined }
}
