import type { RefObject } from 'react'
import { Link } from 'react-router'
import type { Schemas } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { useScopeSearch } from '@/app/scope'
import { Button } from '@/parts/Button'
import { figure, isZero } from '@/parts/figures'
import { button } from '@/parts/look'
import { LeafFoot } from '@/parts/View'
import { TickAmount } from './TickAmount'

type Sheet = Schemas['SheetJson']

/** The foot of an agreed statement: its report, and the way to open it again. */
export function AgreedFoot({ report, onReopen }: { report: string; onReopen: () => void }) {
  const search = useScopeSearch()
  return (
    <LeafFoot>
      <span className="text-needle font-semibold">Agreed, nothing apart</span>
      <Link className={button()} to={report}>
        Report <kbd>R</kbd>
      </Link>
      <MayChange>
        <Button onClick={onReopen}>
          Open it again <kbd>O</kbd>
        </Button>
      </MayChange>
      <Link className={button({ className: 'ml-auto' })} to={`/reconcile${search}`}>
        Back to the statements <kbd>L</kbd>
      </Link>
    </LeafFoot>
  )
}

/** The foot of a statement in hand: ticking at once, how much is apart still, leaving and agreeing. */
export function OpenFoot({
  sheet,
  amount,
  tickAllAtBank,
  tick,
  leaveOpen,
  agree,
}: {
  sheet: Sheet
  amount: RefObject<HTMLInputElement | null>
  tickAllAtBank: (() => void) | undefined
  tick: (postingIds: string[], ticked: boolean) => void
  leaveOpen: () => void
  agree: () => void
}) {
  return (
    <LeafFoot>
      <MayChange>
        {tickAllAtBank && (
          <Button onClick={tickAllAtBank}>
            <span>
              Tick all<span className="tight:sr-only"> that the bank shows</span>
            </span>{' '}
            <kbd>A</kbd>
          </Button>
        )}
        {sheet.postings.length > 0 && <TickAmount sheet={sheet} field={amount} onTick={(id) => tick([id], true)} />}
      </MayChange>
      <span className="ml-auto whitespace-nowrap text-ink-2 tight:sr-only">
        {isZero(sheet.difference) ? (
          'nothing is apart'
        ) : (
          <>
            <span className="text-aril">{figure(sheet.difference.replace('-', ''))}</span> still apart
          </>
        )}
      </span>
      <Button className="tight:ml-auto" onClick={leaveOpen}>
        Leave it open <kbd>L</kbd>
      </Button>
      <Button tone="go" whyNot={sheet.agrees ? undefined : 'It can be agreed when nothing is apart.'} onClick={agree}>
        Agree <kbd>G</kbd>
      </Button>
    </LeafFoot>
  )
}
