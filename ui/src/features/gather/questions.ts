import type { Layout } from './types'

/** What a table may leave open, for a person to say. */
export type OpenQuestion = 'dateOrder' | 'decimalMark' | 'sign' | 'leaveOutOthers'
const QUESTIONS: OpenQuestion[] = ['dateOrder', 'decimalMark', 'sign', 'leaveOutOthers']

/** How a table is cut into cells and written, whatever its columns mean. */
export type Written = Pick<
  Layout,
  'encoding' | 'separator' | 'headerLine' | 'dateOrder' | 'decimalMark' | 'leaveOutOthers'
> & { sign?: string; meanings: string[] }

/** A table as far as it was read, with what its file settles. */
export interface ReadTable<L extends Written = Written> {
  layout: L
  /** Whether it was read as an earlier file. */
  remembered?: boolean
  dateOrderCertain: boolean
  dateEvidence: string
  dateEvidenceLine: number
  decimalMarkCertain: boolean
  signCertain: boolean
  otherCount: number
  others: { line: number; cells: string[] }[]
}

interface Answered {
  answered: OpenQuestion[]
}

/** What the file itself does not settle of how its dates and amounts are written, and nobody has yet. */
export function openQuestions({ answered }: Answered, table: ReadTable): OpenQuestion[] {
  const certain = {
    dateOrder: table.remembered || table.dateOrderCertain,
    decimalMark: table.remembered || table.decimalMarkCertain,
    sign: table.remembered || table.signCertain,
    leaveOutOthers: table.otherCount === 0 || table.layout.leaveOutOthers === true,
  }
  return QUESTIONS.filter((q) => !certain[q] && !answered.includes(q))
}

/**
 * The layout after a change by the person. What is still open is left out, so that it is found out again from the
 * columns as they are read then; where other rows or cells are read than before, everything is.
 */
export function relaid<L extends Written>(
  { answered }: Answered,
  table: ReadTable<L>,
  to: Partial<L>,
): { layout: L } & Answered {
  if ('headerLine' in to || 'separator' in to || 'encoding' in to) {
    const { encoding, separator, headerLine } = { ...table.layout, ...to }
    return { layout: { encoding, separator, headerLine, meanings: [] as string[] } as L, answered: [] }
  }
  const known = QUESTIONS.filter((q) => answered.includes(q) || q in to || (table.remembered && q !== 'leaveOutOthers'))
  const left = openQuestions({ answered }, table).filter((q) => !known.includes(q))
  const layout = { ...table.layout, ...to }
  for (const question of left) delete layout[question]
  return { layout, answered: known }
}
