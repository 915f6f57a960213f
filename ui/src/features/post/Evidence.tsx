import type { ReactNode } from 'react'
import { counted, day, figure, signed } from '@/parts/figures'
import type { Waiting } from './types'

/** Why a line is proposed to be what it is, in a few words. */
export function Evidence({ line }: { line: Waiting }) {
  const [known] = line.alternatives
  const { rule, standing, several, part, nearly, half, due, before } = line.proposal ?? {}
  if (several) {
    return (
      <Likely sure={line.proposal?.sure}>
        {several.entries.length} entries add up to it{several.rivalled && ', others do too'}
      </Likely>
    )
  }
  if (part) {
    return (
      <Likely sure={line.proposal?.sure}>
        adds up with {counted(part.others.length, 'line')}
        {part.rivalled && ', others do too'}
      </Likely>
    )
  }
  if (nearly) {
    return (
      <Likely sure={false}>
        {signed(nearly.difference)} beyond {figure(nearly.entry.amount)}, says {nearly.sharedWords.join(' ')}
      </Likely>
    )
  }
  if (standing) {
    const said = standing.sharedWords.length ? `, says ${standing.sharedWords.join(' ')}` : ', no word in common'
    return (
      <Likely sure={line.proposal?.sure}>
        {apart(standing.daysApart)}
        {standing.rivalled ? ', one of several' : said}
      </Likely>
    )
  }
  if (half) {
    return (
      <Likely sure={line.proposal?.sure}>
        {half.accountName}, {day(half.bookedOn)}
        {half.rivalled ? ', one of several' : half.named ? '' : ', only the amount fits'}
      </Likely>
    )
  }
  if (rule) {
    return (
      <>
        rule {rule.ruleNo}: {rule.told}
        {rule.atRateOfTheDay && <span className="text-heartwood">, at the rate of the day</span>}
      </>
    )
  }
  if (due) {
    return (
      <Likely sure={line.proposal?.sure}>
        due {day(due.due)}, {late(due.daysApart)}
        {!due.expected && `, ${figure(due.usual)} was expected`}
        {!due.named && ', only the amount fits'}
        {due.rivalled && ', one of several'}
      </Likely>
    )
  }
  if (before) {
    const nos = before.entries.map((e) => e.entryNo)
    return (
      <Likely sure={line.proposal?.sure}>
        as nos. {nos.slice(0, -1).join(', ')} and {nos.at(-1)}
        {before.likeTexts.length > 0 && `, like ${before.likeTexts[0]}`}
      </Likely>
    )
  }
  if (known) {
    return (
      <span className="text-heartwood">
        perhaps no. {known.entryNo}, {apart(known.daysApart)}
      </span>
    )
  }
  return <>no rule has its words</>
}

/** What is not sure is said in another tone, and not ticked by itself. */
function Likely({ sure, children }: { sure: boolean | undefined; children: ReactNode }) {
  return <span className={sure ? undefined : 'text-heartwood'}>{children}</span>
}

const late = (days: number) =>
  days === 0 ? 'on its day' : days > 0 ? `${counted(days, 'day')} late` : `${counted(-days, 'day')} early`

const apart = (days: number) => (days === 0 ? 'same day' : `${counted(days, 'day')} apart`)
