import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { booksChanged, session } from '@/api/queries'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { figure, longMonth, monthName } from '@/parts/figures'
import { button, factList, noteBox } from '@/parts/look'
import { Acts, Inspector, InspectorHead } from '@/parts/View'
import { MonthInFigures } from './MonthInFigures'
import { ReopenMonth } from './ReopenMonth'

/** What closing a book through a month locks, and the closing; of a closed one, the opening again. */
export function ClosingBook({ book }: { book: Schemas['BookToCloseJson'] }) {
  const says = useSays()
  const { data: me } = useQuery(session)
  const [reopening, setReopening] = useState(false)
  const name = monthName(book.month)
  const isOwner = me?.role === 'OWNER'

  async function close() {
    try {
      await data(api.POST('/api/closed-months', { body: { bookId: book.bookId, month: book.month } }))
      says.done(`${book.bookName} is closed through ${longMonth(book.month)}.`)
    } catch (error) {
      says.failed(error)
    }
    await booksChanged()
  }
  const of = `month=${book.month}&book=${book.bookId}`
  const pack = `/api/closed-months/pack?${of}`
  const yearPack = `/api/closed-months/year-pack?${of}`
  useCommands([
    {
      keys: ['p'],
      label: `Print the pack of ${longMonth(book.month)}`,
      strip: 'pack',
      run: () => window.location.assign(pack),
    },
    {
      keys: ['y'],
      label: 'Print the pack of its fiscal year',
      strip: 'year’s pack',
      run: () => window.location.assign(yearPack),
    },
    ...(book.closed
      ? []
      : [
          {
            keys: ['Enter'],
            label: `Close ${book.bookName} through ${longMonth(book.month)}`,
            changes: true,
            strip: `close ${name}`,
            run: close,
          },
        ]),
    ...(book.closed && isOwner
      ? [
          {
            keys: ['o'],
            label: `Open ${longMonth(book.month)} again`,
            changes: true,
            strip: `open ${name} again`,
            run: () => setReopening(true),
          },
        ]
      : []),
  ])
  return (
    <Inspector label={`Closing ${book.bookName}`}>
      <InspectorHead title={book.closed ? `${name} is closed` : `Closing ${name}`}>{book.bookName}</InspectorHead>
      <h3>{book.closed ? 'Locked' : 'It will lock'}</h3>
      <dl className={`${factList} mb-3`}>
        <dt>Entries</dt>
        <dd>{figure(String(book.entries))}</dd>
        <dt>Days</dt>
        <dd>
          {book.closed || book.from === book.month
            ? longMonth(book.month)
            : `${longMonth(book.from)} to ${longMonth(book.month)}`}
          , this book only
        </dd>
      </dl>
      <MonthInFigures book={book} />
      <p className={noteBox()}>
        {book.closed
          ? 'No entry up to then can be added, changed or deleted. An owner opens it again, with a reason that history keeps.'
          : 'Afterwards no entry up to then can be added, changed or deleted, until an owner opens the month again with a reason.'}
      </p>
      <Acts>
        <a className={button({ className: 'col-span-full' })} href={pack} download>
          The month as PDF <kbd>P</kbd>
        </a>
        <a className={button({ className: 'col-span-full' })} href={yearPack} download>
          Its fiscal year as PDF <kbd>Y</kbd>
        </a>
        {book.closed ? (
          isOwner && (
            <Button className="col-span-full" onClick={() => setReopening(true)}>
              Open {name} again <kbd>O</kbd>
            </Button>
          )
        ) : (
          <MayChange>
            <Button
              tone="go"
              size="wide"
              whyNot={book.ready ? undefined : 'It can be closed when every check is met.'}
              onClick={close}
            >
              Close {name} <kbd>Enter</kbd>
            </Button>
          </MayChange>
        )}
      </Acts>
      {reopening && <ReopenMonth book={book} onClose={() => setReopening(false)} />}
    </Inspector>
  )
}
