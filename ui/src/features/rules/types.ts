import type { Schemas } from '@/api/client'

export type Rule = Schemas['KeptRuleJson']
export type RuleDraft = Schemas['RuleDraftJson']
export type Condition = Schemas['ConditionJson']
export type Share = Schemas['ShareJson']
export type Trial = Schemas['TrialJson']
export type Caught = Schemas['CaughtJson']
export type Result = Schemas['ResultJson']
export type Warning = Schemas['WarningJson']
export type Suggested = Schemas['SuggestedJson']

export const PLACES: Record<NonNullable<Condition['place']>, string> = {
  ANY: 'any text',
  PAYEE: 'the payee',
  MEMO: 'the memo',
  REFERENCE: 'the reference',
  TYPE: 'the type',
  COUNTERPARTY_ACCOUNT: 'their account',
}

export const MATCHES: Record<NonNullable<Condition['match']>, string> = {
  HAS_WORDS: 'has the words',
  CONTAINS: 'contains',
  STARTS: 'begins with',
  ENDS: 'ends with',
  IS: 'is',
  LIKE: 'is like the pattern',
}

export const WAYS: Record<NonNullable<Condition['direction']>, string> = { OUT: 'paid out', IN: 'paid in' }
