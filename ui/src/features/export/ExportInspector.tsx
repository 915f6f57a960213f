import { Link } from 'react-router'
import { MayChange } from '@/app/MayChange'
import { Button } from '@/parts/Button'
import { counted, moment } from '@/parts/figures'
import { button, factList, noteBox, textLink } from '@/parts/look'
import { Acts, Inspector, InspectorHead } from '@/parts/View'
import { addressOf, DAYS, isStatement, type Kept, ROWS, whenWritten } from './export'

/** A saved export: what it holds, where it goes, how it went last. */
export function ExportInspector({
  kept,
  onChange,
  onWrite,
  onGiveUp,
}: {
  kept: Kept
  onChange: () => void
  onWrite: () => void
  onGiveUp: () => void
}) {
  const { wanted } = kept
  const file = wanted.delivery?.file
  return (
    <Inspector label={wanted.name}>
      <InspectorHead title={wanted.name}>
        {ROWS.find((r) => r.value === wanted.of)?.name}, {DAYS.find((d) => d.value === wanted.days)?.name}
        {wanted.filter && `, “${wanted.filter}”`}
      </InspectorHead>
      {kept.problem && (
        <p className={noteBox({ tone: 'bad', className: 'mb-3' })} role="alert">
          {file} was not written{kept.ranAt && ` on ${moment(kept.ranAt)}`}. {kept.problem}
        </p>
      )}
      <dl className={factList}>
        {!isStatement(wanted.format) && (
          <>
            <dt>Columns</dt>
            <dd>{wanted.columns.map((c) => c.title).join(', ')}</dd>
          </>
        )}
        {file && (
          <>
            <dt>File</dt>
            <dd>
              {file}, {wanted.delivery?.mode === 'APPEND' ? 'which gets the new rows' : 'replaced'}
            </dd>
            <dt>Written</dt>
            <dd>
              {whenWritten(kept)}, {wanted.delivery?.zone}
            </dd>
          </>
        )}
        {kept.nextAt && (
          <>
            <dt>Next</dt>
            <dd>{moment(kept.nextAt)}</dd>
          </>
        )}
        {kept.ranAt && !kept.problem && (
          <>
            <dt>Last</dt>
            <dd>
              {moment(kept.ranAt)}
              {kept.rows !== undefined && !isStatement(wanted.format) && `, ${counted(kept.rows, 'row')}`}
            </dd>
          </>
        )}
        <dt>Address</dt>
        <dd className="break-all">{window.location.origin + addressOf(kept)}</dd>
      </dl>
      <p className="mt-2 mb-3 text-small text-ink-2">
        A spreadsheet fetches it from there. Where it asks for a name and a password, the password is a token that
        reads; make one at{' '}
        <Link className={textLink({ size: 'small' })} to="/you">
          You
        </Link>
        .
      </p>
      <Acts>
        <a className={button()} href={addressOf(kept)} download>
          Download it
        </a>
        <MayChange>
          {file && (
            <Button onClick={onWrite}>
              Write it now <kbd>W</kbd>
            </Button>
          )}
          <Button onClick={onChange}>
            Change it <kbd>E</kbd>
          </Button>
          <Button tone="kill" onClick={onGiveUp}>
            Give it up <kbd>Del</kbd>
          </Button>
        </MayChange>
      </Acts>
    </Inspector>
  )
}
