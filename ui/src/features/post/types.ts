import type { Schemas } from '@/api/client'

export type StacksPage = Schemas['StacksJson']
export type Stack = Schemas['StackJson']
export type Waiting = Schemas['WaitingJson']
export type Reason = Stack['reason']
