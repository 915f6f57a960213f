import type { Schemas } from '@/api/client'
import { day, figure, signed } from '@/parts/figures'

type Sheet = Schemas['SheetJson']
type Comparison = Schemas['ComparisonJson']
type Match = Schemas['MatchJson']
type Line = Schemas['ComparedLineJson']
type Settle = Schemas['SettleLinesJson']
export type Posting = Schemas['TickableJson']

/** A posting, a line that the books do not have, or both where they seem to be the same thing. */
export type SheetRow = { key: string } & (
  | { posting: Posting }
  | { only: Schemas['OnlyAtBankJson'] }
  | { match: Match; postings: Posting[] }
)

/** What the two ledgers say of the rows in it; the work comes first, and what is agreed is folded below it. */
export type GroupName = 'disagree' | 'same' | 'atBank' | 'inBooks' | 'agreed'
export interface Group {
  name: GroupName
  rows: SheetRow[]
  sides?: Schemas['SidesJson']
}

/** Whether the bank's lines are there to compare with; what is on paper is ticked by eye. */
export const hasLines = (sheet: Sheet) =>
  !sheet.finished && (sheet.unposted.length > 0 || sheet.postings.some((p) => p.bankText !== undefined))

const rowOf = (posting: Posting): SheetRow => ({ key: posting.postingId, posting })

/** The rows of a statement with lines. */
export function groupsOf(sheet: Sheet, comparison: Comparison): Group[] {
  const byId = new Map(sheet.postings.map((p) => [p.postingId, p]))
  const matches = comparison.matches.map((match) => ({
    key: match.lines.map((line) => line.lineId).join(),
    match,
    postings: match.postings.flatMap((p) => byId.get(p.postingId) ?? []),
  }))
  const matched = new Set(comparison.matches.flatMap((match) => match.postings.map((p) => p.postingId)))
  const open = sheet.postings.filter((p) => p.bankText === undefined && !matched.has(p.postingId))
  const rows: Record<GroupName, SheetRow[]> = {
    disagree: matches.filter(({ match }) => disagrees(match)),
    same: matches.filter(({ match }) => !disagrees(match)),
    atBank: comparison.onlyAtBank.map((only) => ({ key: only.line.lineId, only })),
    inBooks: open.map(rowOf),
    agreed: sheet.postings.filter((p) => p.bankText !== undefined).map(rowOf),
  }
  const names: GroupName[] = ['disagree', 'same', 'atBank', 'inBooks', 'agreed']
  return names
    .map((name) => ({ name, rows: rows[name], sides: comparison[name] }))
    .filter((group) => group.rows.length > 0)
}

/** The rows of a statement on paper, or of one that is agreed: its postings. */
export const paperGroups = (sheet: Sheet): Group[] => [{ name: 'inBooks', rows: sheet.postings.map(rowOf) }]

const disagrees = (match: Match) => match.kind === 'AMOUNT_DISAGREES' || match.kind === 'DAY_DISAGREES'

/** The postings of a row that the statement may cover. */
export function postingsOf(row: SheetRow): Posting[] {
  if ('posting' in row) return [row.posting]
  return 'match' in row ? row.postings : []
}

/** What puts a row right where it stands, in words and as what is sent. */
export interface Way {
  label: string
  settle: Settle
}

export function wayOf(row: SheetRow): Way | undefined {
  if ('match' in row) return wayOfMatch(row.match)
  if ('only' in row && row.only.proposal) {
    const { line, proposal } = row.only
    const post = [{ line: seen(line), payee: proposal.payee, accountIds: proposal.accountIds }]
    return { label: `Post to ${proposal.to.join(', ')}`, settle: { join: [], post } }
  }
  return undefined
}

function wayOfMatch({ kind, lines, postings }: Match): Way {
  const [line] = lines
  const pair = postings.length > 1 ? postings.map((p) => figure(p.amount)).join(' and ') : `no. ${postings[0]?.entryNo}`
  switch (kind) {
    case 'AMOUNT_DISAGREES':
      return { label: `Correct to ${signed(line?.amount ?? '')}`, settle: joined(lines, postings, 'AMOUNT') }
    case 'DAY_DISAGREES':
      return { label: `Date it ${day(line?.date ?? '')}`, settle: joined(lines, postings, 'DAY') }
    default:
      return { label: `Pair with ${pair}`, settle: joined(lines, postings, 'NOTHING') }
  }
}

const seen = ({ lineId, version }: Line) => ({ lineId, version })

function joined(lines: Line[], postings: { postingId: string }[], correct: Schemas['JoinJson']['correct']): Settle {
  return { join: [{ lines: lines.map(seen), postingIds: postings.map((p) => p.postingId), correct }], post: [] }
}

/** Several ways as one. */
export const together = (ways: Way[]): Settle => ({
  join: ways.flatMap((way) => way.settle.join),
  post: ways.flatMap((way) => way.settle.post),
})

/** The lines and the postings of rows that a person chose to be the same thing; undefined without both. */
export function chosenSides(rows: SheetRow[]) {
  const lines = rows.flatMap((row) => ('match' in row ? row.match.lines : 'only' in row ? [row.only.line] : []))
  const postings = rows.flatMap((row) =>
    'match' in row ? row.match.postings : 'posting' in row && row.posting.bankText === undefined ? [row.posting] : [],
  )
  return lines.length > 0 && postings.length > 0 ? { lines, postings } : undefined
}

/** What pairs them; where one line meets one posting of another amount, its amount becomes the line's. */
export function pairing({ lines, postings }: NonNullable<ReturnType<typeof chosenSides>>): Way {
  const [line] = lines
  const [posting] = postings
  const corrects = lines.length === 1 && postings.length === 1 && line && posting && line.amount !== posting.amount
  return corrects
    ? {
        label: `Correct no. ${posting.entryNo} to ${signed(line.amount)} and pair`,
        settle: joined(lines, postings, 'AMOUNT'),
      }
    : { label: 'Pair', settle: joined(lines, postings, 'NOTHING') }
}
