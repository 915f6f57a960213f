import { useState } from 'react'
import { allWords, helpAt, meaningsOf, type Word } from '@/help/help'
import { Dialog } from '@/parts/Dialog'
import { textLink } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { keyText, useAllCommands } from './commands'

/** What is explained: the view at an address, or a word among all of them. */
export type Explaining = { path: string } | { word: string }

/** What a view is for, what to do first, what its words mean, and its keys; or every word of the product. */
export function Explained({ what, onClose }: { what: Explaining; onClose: () => void }) {
  const [now, setNow] = useState(what)
  const view = 'path' in now ? helpAt(now.path) : undefined
  return (
    <Dialog title={view ? `About ${view.name}` : 'Words explained'} open onClose={onClose}>
      <Scroll label={view ? `About ${view.name}` : 'All words'} className="max-h-[84vh] p-5">
        {view ? (
          <>
            <h2 className="mb-2 text-title/[1.2]">{view.name}</h2>
            <p className="mb-2">{view.what}</p>
            <h3 className="mt-4 mb-1 text-small text-ink-2">What to do first</h3>
            <p>{view.first}</p>
            {view.words.length > 0 && (
              <>
                <h3 className="mt-4 mb-1 text-small text-ink-2">Words</h3>
                <Words of={meaningsOf(view)} />
              </>
            )}
            <Keys />
            <button type="button" className={`mt-4 ${textLink()}`} onClick={() => setNow({ word: '' })}>
              All words of Yew Ledger
            </button>
          </>
        ) : (
          <>
            <h2 className="mb-3 text-title/[1.2]">All words</h2>
            <Words of={allWords} found={'word' in now ? now.word : undefined} />
          </>
        )}
      </Scroll>
    </Dialog>
  )
}

function Words({ of, found }: { of: Word[]; found?: string }) {
  return (
    <dl className="grid grid-cols-[150px_1fr] gap-x-4 gap-y-1.5">
      {of.map(({ word, means }) => {
        const here = word === found
        return (
          <div
            key={word}
            className="contents"
            ref={here ? (row) => row?.firstElementChild?.scrollIntoView() : undefined}
          >
            <dt className={here ? 'font-semibold' : ''}>{word}</dt>
            <dd className={here ? '' : 'text-ink-2'}>{means}</dd>
          </div>
        )
      })}
    </dl>
  )
}

/** Of what is on the screen now, as the strip below shows them. */
function Keys() {
  const commands = useAllCommands().filter((command) => command.strip)
  return (
    <>
      <h3 className="mt-4 mb-1 text-small text-ink-2">Its keys now</h3>
      <dl className="grid grid-cols-[150px_1fr] gap-x-4 gap-y-1">
        {commands.map((command) => (
          <div key={command.label} className="contents">
            <dt>
              <kbd>{keyText(command.keys[0] ?? '')}</kbd>
            </dt>
            <dd className="text-ink-2">{command.label}</dd>
          </div>
        ))}
      </dl>
    </>
  )
}
