import type { Schemas } from '@/api/client'

export type Rule = Schemas['RuleJson']
export type RuleDraft = Schemas['RuleDraftJson']
