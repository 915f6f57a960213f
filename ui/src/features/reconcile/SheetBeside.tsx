import { Link } from 'react-router'
import type { Schemas } from '@/api/client'
import { MayChange } from '@/app/MayChange'
import { useScopeSearch } from '@/app/scope'
import { Button } from '@/parts/Button'
import { isZero } from '@/parts/figures'
import { noteBox, textLink } from '@/parts/look'
import { Acts, Inspector } from '@/parts/View'
import { CorrectStatement } from './CorrectStatement'
import { WhatChanged } from './OpenedAgain'
import { OtherStatement } from './OtherStatement'
import { amountOf } from './order'
import type { SheetRow } from './rows'
import { SelectedRow } from './SelectedRow'
import { StatementDocument } from './StatementDocument'
import { WhatIsApart } from './WhatIsApart'

type Sheet = Schemas['SheetJson']

/** What is looked at beside a statement, by its name. */
const LABELS = {
  line: 'Selected line',
  correcting: 'Correct the statement',
  apart: 'What may be apart',
  changed: 'What changed',
  document: 'The statement itself',
  other: 'Another statement',
}

export type Beside = keyof typeof LABELS

/** Beside a statement: the selected line, or what was asked for. */
export function SheetBeside({
  shown,
  sheet,
  opened,
  selected,
  show,
  onType,
}: {
  shown: Beside
  sheet: Sheet
  opened: Schemas['OpenedAgainJson'] | undefined
  selected: SheetRow | undefined
  show: (beside: Beside) => void
  onType: () => void
}) {
  const back = () => show('line')
  return (
    <Inspector label={LABELS[shown]}>
      {shown === 'correcting' && <CorrectStatement sheet={sheet} onClose={back} />}
      {shown === 'apart' && <WhatIsApart sheet={sheet} onType={onType} onClose={back} />}
      {shown === 'changed' && opened && <WhatChanged sheet={sheet} opened={opened} onClose={back} />}
      {shown === 'document' && <StatementDocument sheet={sheet} onClose={back} />}
      {shown === 'other' && <OtherStatement beside={sheet} amount={selected && amountOf(selected)} onClose={back} />}
      {shown === 'line' && <Line sheet={sheet} selected={selected} show={show} />}
    </Inspector>
  )
}

function Line({
  sheet,
  selected,
  show,
}: {
  sheet: Sheet
  selected: SheetRow | undefined
  show: (beside: Beside) => void
}) {
  const search = useScopeSearch()
  return (
    <>
      {sheet.openingApart && !sheet.finished && (
        <p className={noteBox({ className: 'mb-3' })}>
          {sheet.openingApart.words}{' '}
          {sheet.openingApart.first && (
            <Link className={textLink()} to={`/chart/opening${search}`}>
              Put the opening balance right
            </Link>
          )}
        </p>
      )}
      {selected && <SelectedRow row={selected} />}
      {!sheet.finished && (
        <Acts>
          {!isZero(sheet.difference) && (
            <Button onClick={() => show('apart')}>
              Why apart <kbd>W</kbd>
            </Button>
          )}
          <MayChange>
            <Button onClick={() => show('correcting')}>
              Correct <kbd>E</kbd>
            </Button>
          </MayChange>
        </Acts>
      )}
    </>
  )
}
