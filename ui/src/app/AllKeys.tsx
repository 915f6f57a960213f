import { useQuery } from '@tanstack/react-query'
import { type KeyboardEvent, useState } from 'react'
import { api } from '@/api/client'
import { queryClient, session } from '@/api/queries'
import { Check } from '@/parts/Check'
import { Dialog } from '@/parts/Dialog'
import { textLink } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { type Command, isLetters, keyText, nameOf, type OwnKeys, useAllCommands } from './commands'
import { useSays } from './says'

const NONE: OwnKeys = { letters: true, own: [] }

/** Every key that works here; those that are typed like text can be switched off, or be others. */
export function AllKeys({ open, onClose }: { open: boolean; onClose: () => void }) {
  const commands = useAllCommands()
  const { data: me } = useQuery(session)
  const [changing, setChanging] = useState<string>()
  const says = useSays()
  const keys = me?.keys ?? NONE

  async function save(next: OwnKeys) {
    try {
      await api.PUT('/api/session/keys', { body: next })
      await queryClient.invalidateQueries({ queryKey: ['session'] })
    } catch (error) {
      says.failed(error)
    }
  }
  function take(command: Command, key: string) {
    const other = commands.find((c) => c !== command && c.keys.includes(key))
    if (other)
      return says.failed(new Error(`${keyText(key)} is the key of \u201c${other.label}\u201d here. Choose another.`))
    setChanging(undefined)
    save({ ...keys, own: [...keys.own.filter((own) => own.what !== nameOf(command)), { what: nameOf(command), key }] })
  }
  return (
    <Dialog title="All keys" open={open} onClose={onClose}>
      <Scroll label="Keys here" className="max-h-[84vh] p-5">
        <h2 className="text-title/[1.2] mb-3">Keys here</h2>
        <div className="mb-3 flex items-center gap-2">
          <Check id="letter-keys" checked={keys.letters} onChange={(letters) => save({ ...keys, letters })} />
          <label htmlFor="letter-keys">Keys of one letter work</label>
          <span className="text-small text-ink-2">without them, find-or-do and the buttons do the same</span>
        </div>
        <dl className="grid grid-cols-[150px_1fr_auto] items-center gap-y-1.5">
          {commands.map((c) => (
            <div key={c.label} className="contents">
              <dt className="flex gap-1">
                {c.keys.map((k) => (
                  <kbd key={k}>{keyText(k)}</kbd>
                ))}
              </dt>
              <dd>{c.label}</dd>
              <dd>
                {keys.letters && c.keys.some(isLetters) && (
                  <KeyChange
                    command={c}
                    own={keys.own.some((own) => own.what === nameOf(c))}
                    changing={changing === c.label}
                    begin={() => setChanging(c.label)}
                    leave={() => setChanging(undefined)}
                    take={(key) => take(c, key)}
                    again={() => save({ ...keys, own: keys.own.filter((own) => own.what !== nameOf(c)) })}
                  />
                )}
              </dd>
            </div>
          ))}
        </dl>
      </Scroll>
    </Dialog>
  )
}

function KeyChange({
  command,
  own,
  changing,
  begin,
  leave,
  take,
  again,
}: {
  command: Command
  own: boolean
  changing: boolean
  begin: () => void
  leave: () => void
  take: (key: string) => void
  again: () => void
}) {
  function onKeyDown(event: KeyboardEvent) {
    if (!changing || event.key === 'Tab') return
    event.preventDefault()
    event.stopPropagation()
    if (event.key === 'Escape') leave()
    else if (isLetters(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey) take(event.key.toLowerCase())
  }
  return (
    <span className="flex gap-3 text-small">
      <button type="button" className={textLink()} onClick={begin} onKeyDown={onKeyDown} onBlur={leave}>
        {changing ? 'press the new key' : 'another key'}
        <span className="sr-only"> for {command.label}</span>
      </button>
      {own && (
        <button type="button" className={textLink()} onClick={again}>
          as before<span className="sr-only"> for {command.label}</span>
        </button>
      )}
    </span>
  )
}
