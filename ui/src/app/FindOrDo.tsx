import { useQuery } from '@tanstack/react-query'
import { Command } from 'cmdk'
import { useNavigate } from 'react-router'
import { accounts } from '@/api/queries'
import { Dialog } from '@/parts/Dialog'
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
      <Command label="Find or do" className="find-or-do">
        <Command.Input placeholder="An account, or what to do" aria-label="Find or do" />
        <Command.List>
          <Command.Empty>Nothing of that name.</Command.Empty>
          <Command.Group heading="Do">
            {commands.map((c) => (
              <Command.Item key={c.label} value={c.label} onSelect={() => close(c.run)}>
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
                  value={`${a.name} ${a.groupName} ${a.tail}`}
                  onSelect={() => close(() => navigate(`/accounts/${a.id}${search}`))}
                >
                  {a.name}
                  <span className="qq s">{a.groupName || (a.tail && `..${a.tail}`)}</span>
                </Command.Item>
              ))}
          </Command.Group>
        </Command.List>
      </Command>
    </Dialog>
  )
}
