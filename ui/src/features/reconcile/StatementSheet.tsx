import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { booksChanged, queryClient } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { useScopeSearch } from '@/app/scope'
import { counted, figure, isZero, longDay } from '@/parts/figures'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading } from '@/parts/States'
import { useSelection } from '@/parts/useSelection'
import { CorrectStatement } from './CorrectStatement'
import { Proof } from './Proof'
import { SelectedPosting } from './SelectedPosting'
import { TickTable } from './TickTable'
import './reconcile.css'

type Sheet = Schemas['SheetJson']

/** One statement, ticked off until nothing is apart. */
export function StatementSheet() {
  const { statementId = '' } = useParams()
  const sheet = useQuery({
    queryKey: ['sheet', statementId],
    queryFn: () => data(api.GET('/api/statements/{id}', { params: { path: { id: statementId } } })),
  })
  if (sheet.error && !sheet.data) return <Failed error={sheet.error} retry={sheet.refetch} />
  if (!sheet.data) return <Loading what="the statement" />
  return <SheetPage key={statementId} sheet={sheet.data} />
}

function SheetPage({ sheet }: { sheet: Sheet }) {
  const says = useSays()
  const navigate = useNavigate()
  const search = useScopeSearch()
  const [correcting, setCorrecting] = useState(false)
  const atBank = sheet.postings.filter((p) => p.bankText !== undefined)
  const inBooks = sheet.postings.filter((p) => p.bankText === undefined)
  const { selected, select, move } = useSelection(
    [...atBank, ...inBooks].map((p) => p.postingId),
    'line',
  )
  const posting = sheet.postings.find((p) => p.postingId === selected)

  async function run(work: Promise<{ data?: Sheet }>): Promise<boolean> {
    try {
      queryClient.setQueryData(['sheet', sheet.id], await data(work))
      says.clear()
      return true
    } catch (error) {
      says.failed(error)
      await queryClient.invalidateQueries({ queryKey: ['sheet', sheet.id] })
      return false
    }
  }
  const path = { id: sheet.id }
  function tick(postingIds: string[], ticked: boolean) {
    if (postingIds.length === 0 || sheet.finished) return
    return run(api.PUT('/api/statements/{id}/ticks', { params: { path }, body: { postingIds, ticked } }))
  }
  function tickAllAtBank() {
    const open = atBank.filter((p) => !p.ticked)
    tick(
      (open.length ? open : atBank).map((p) => p.postingId),
      open.length > 0,
    )
  }
  async function agree() {
    const query = { version: sheet.version }
    if (await run(api.POST('/api/statements/{id}/finish', { params: { path, query } }))) {
      await booksChanged()
      says.done(`${sheet.accountName} agrees through ${longDay(sheet.closesOn)}.`)
      navigate(`/${search}`)
    }
  }
  async function leaveOpen() {
    await booksChanged()
    navigate(`/reconcile${search}`)
  }

  useCommands([
    {
      keys: [' '],
      label: 'Tick or untick the line',
      changes: true,
      strip: 'tick',
      run: () => {
        if (posting) tick([posting.postingId], !posting.ticked)
        move(1)
      },
    },
    {
      keys: ['a'],
      label: 'Tick all that the bank shows',
      changes: true,
      strip: 'tick all at the bank',
      run: tickAllAtBank,
    },
    {
      keys: ['e'],
      label: 'Correct the statement’s day or balance',
      changes: true,
      strip: 'correct',
      run: () => setCorrecting(true),
    },
    { keys: ['g'], label: 'Agree the statement', changes: true, strip: 'agree', run: agree },
    { keys: ['l'], label: 'Leave it open', strip: 'leave open', run: leaveOpen },
  ])

  return (
    <main className="sheet-page" tabIndex={-1}>
      <Proof sheet={sheet} />
      <div className="below-proof">
        <section className="sheet">
          <Scroll label="The statement">
            <TickTable
              sheet={sheet}
              atBank={atBank}
              inBooks={inBooks}
              selected={selected}
              onSelect={select}
              onTick={tick}
            />
          </Scroll>
          <div className="foot">
            {sheet.finished ? (
              <>
                <span className="in b">Agreed, nothing apart</span>
                <Link className="btn end" to={`/reconcile${search}`}>
                  Back to the statements <kbd>L</kbd>
                </Link>
              </>
            ) : (
              <>
                <MayChange>
                  <button type="button" className="btn" onClick={tickAllAtBank}>
                    Tick all that the bank shows <kbd>A</kbd>
                  </button>
                </MayChange>
                <span className="end q">
                  {isZero(sheet.difference) ? (
                    'nothing is apart'
                  ) : (
                    <>
                      <span className="apart">{figure(sheet.difference.replace('-', ''))}</span> still apart
                    </>
                  )}
                </span>
                <button type="button" className="btn" onClick={leaveOpen}>
                  Leave it open <kbd>L</kbd>
                </button>
                <button
                  type="button"
                  className="btn go"
                  disabled={!sheet.agrees}
                  title={sheet.agrees ? undefined : 'when nothing is apart'}
                  onClick={agree}
                >
                  Agree <kbd>G</kbd>
                </button>
              </>
            )}
          </div>
        </section>
        <aside className="insp" aria-label={correcting ? 'Correct the statement' : 'Selected line'}>
          {correcting && !sheet.finished ? (
            <CorrectStatement sheet={sheet} onClose={() => setCorrecting(false)} />
          ) : (
            <>
              {sheet.openingApart && !sheet.finished && (
                <p className="note-calm mb-3">
                  {sheet.openingApart.words}{' '}
                  {sheet.openingApart.first && (
                    <Link className="link" to={`/chart/opening${search}`}>
                      Put the opening balance right
                    </Link>
                  )}
                </p>
              )}
              {posting && <SelectedPosting posting={posting} />}
              {!sheet.finished && sheet.unposted.length > 0 && (
                <p className="note-calm mt-3">
                  {counted(sheet.unposted.length, 'line')} of the bank {sheet.unposted.length === 1 ? 'is' : 'are'} not
                  posted yet and {sheet.unposted.length === 1 ? 'makes' : 'make'}{' '}
                  <b className="wait">{figure(sheet.unpostedSum)}</b>.{' '}
                  <Link className="link" to={`/post${search}`}>
                    Post them
                  </Link>
                </p>
              )}
              {!sheet.finished && (
                <MayChange>
                  <div className="acts">
                    <button type="button" className="btn full" onClick={() => setCorrecting(true)}>
                      Correct day or balance <kbd>E</kbd>
                    </button>
                  </div>
                </MayChange>
              )}
            </>
          )}
        </aside>
      </div>
    </main>
  )
}
