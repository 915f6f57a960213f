import { useQuery } from '@tanstack/react-query'
import { Command } from 'cmdk'
import { useNavigate } from 'react-router'
import { accounts } from '@/api/queries'
import { allViews, allWords } from '@/help/help'
import { Dialog } from '@/parts/Dialog'
import { floatingRow } from '@/parts/look'
import { keyText, useAllCommands } from './commands'
import type { Explaining } from './Explained'
import { useScopeSearch } from './scope'

/** One field to find an account, to do anything that a key does, and to have views and words explained. */
export function FindOrDo({
  open,
  onClose,
  onExplain,
}: {
  open: boolean
  onClose: () => void
  onExplain: (what: Explaining) => void
}) {
  const commands = useAllCommands()
  const { data: all = [] } = useQuery(accounts)
  const navigate = useNavigate()
  const search = useScopeSearch()

  function close(then: () => void) {
    onClose()
    // The dialog gives the focus back first; a command may want to move it.
    setTimeout(then, 0)
  }

  return (
    <Dialog title="Find or do" open={open} onClose={onClose}>
      <Command
        label="Find or do"
        filter={fit}
        className="[&_[cmdk-empty]]:px-2.5 [&_[cmdk-empty]]:py-3.5 [&_[cmdk-empty]]:text-ink-2 [&_[cmdk-group-heading]]:px-2.5 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:pb-[3px] [&_[cmdk-group-heading]]:text-small [&_[cmdk-group-heading]]:text-ink-2"
      >
        <Command.Input
          className="h-11 w-full border-0 border-b border-hairline-2 bg-transparent px-4 text-lead outline-none"
          placeholder="An account, what to do, or a word"
          aria-label="Find or do"
        />
        <Command.List className="max-h-[54vh] overflow-auto p-1.5">
          <Command.Empty>Nothing of that name.</Command.Empty>
          <Command.Group heading="Do">
            {commands.map((c) => (
              <Command.Item
                key={c.label}
                className={`${floatingRow} justify-between`}
                value={c.label}
                onSelect={() => close(c.run)}
              >
                {c.label}
                <kbd>{keyText(c.keys[0] ?? '')}</kbd>
              </Command.Item>
            ))}
          </Command.Group>
          <Command.Group heading="Registers">
            {all
              .filter((a) => !a.group)
              .map((a) => (
                <Command.Item
                  key={a.id}
                  className={`${floatingRow} justify-between`}
                  value={`${a.name} ${a.groupName} ${a.tail}`}
                  onSelect={() => close(() => navigate(`/accounts/${a.id}${search}`))}
                >
                  {a.name}
                  <span className="text-ink-3 text-small">{a.groupName || (a.tail && `..${a.tail}`)}</span>
                </Command.Item>
              ))}
          </Command.Group>
          <Command.Group heading="Views, explained">
            {allViews.map((view) => (
              <Command.Item
                key={view.path}
                className={`${floatingRow} justify-between`}
                value={`about ${view.name}`}
                keywords={[view.what]}
                onSelect={() => close(() => onExplain({ path: view.path }))}
              >
                About {view.name}
              </Command.Item>
            ))}
          </Command.Group>
          <Command.Group heading="Words">
            {allWords.map(({ word, means }) => (
              <Command.Item
                key={word}
                className={`${floatingRow} justify-between gap-4`}
                value={`${word}, the word`}
                keywords={[means]}
                onSelect={() => close(() => onExplain({ word }))}
              >
                {word}
                <span className="min-w-0 truncate text-small text-ink-3">{means}</span>
              </Command.Item>
            ))}
          </Command.Group>
        </Command.List>
      </Command>
    </Dialog>
  )
}

/** How well something fits what is typed: all of it has to stand there, in its name before what is said of it. */
function fit(value: string, typed: string, said?: string[]): number {
  const name = value.toLowerCase()
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  if (words.every((word) => name.includes(word))) {
    if (name.startsWith(words[0] ?? '')) return 1
    return words.every((word) => ` ${name}`.includes(` ${word}`)) ? 0.8 : 0.5
  }
  const all = `${name} ${said?.join(' ').toLowerCase() ?? ''}`
  return words.every((word) => all.includes(word)) ? 0.2 : 0
}
