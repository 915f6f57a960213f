import { useQuery } from '@tanstack/react-query'
import { Command } from 'cmdk'
import { useNavigate } from 'react-router'
import { accounts } from '@/api/queries'
import { Dialog } from '@/parts/Dialog'
import { floatingRow } from '@/parts/look'
import { keyText, useAllCommands } from './commands'
import { useScopeSearch } from './scope'

/** One field to find an account or a payee's entries, or to do anything that a key does. */
export function FindOrDo({ open, onClose }: { open: boolean; onClose: () => void }) {
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
        className="[&_[cmdk-empty]]:px-2.5 [&_[cmdk-empty]]:py-3.5 [&_[cmdk-empty]]:text-ink-2 [&_[cmdk-group-heading]]:px-2.5 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:pb-[3px] [&_[cmdk-group-heading]]:text-small [&_[cmdk-group-heading]]:text-ink-2"
      >
        <Command.Input
          className="h-11 w-full border-0 border-b border-hairline-2 bg-transparent px-4 text-lead outline-none"
          placeholder="An account, or what to do"
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
        </Command.List>
      </Command>
    </Dialog>
  )
}
