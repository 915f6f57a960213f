import { ContextMenu } from 'radix-ui'
import type { ReactElement } from 'react'
import { keyText, useAllCommands } from '@/app/commands'
import { floating, floatingRow } from '@/parts/look'

/** What can be done to the selected rows, where the pointer is; the same commands that have keys. */
export function RowMenu({ children }: { children: ReactElement }) {
  const commands = useAllCommands().filter((command) => command.onRow)
  return (
    <ContextMenu.Root modal={false}>
      <ContextMenu.Trigger asChild disabled={commands.length === 0}>
        {children}
      </ContextMenu.Trigger>
      <ContextMenu.Portal>
        <ContextMenu.Content className={`${floating} min-w-52`} aria-label="What can be done">
          {commands.map((command) => (
            <ContextMenu.Item
              key={command.label}
              className={floatingRow}
              // The menu gives the focus back first; a command may want to move it.
              onSelect={() => setTimeout(command.run, 0)}
            >
              {command.label}
              <kbd className="ml-auto">{keyText(command.keys[0] ?? '')}</kbd>
            </ContextMenu.Item>
          ))}
        </ContextMenu.Content>
      </ContextMenu.Portal>
    </ContextMenu.Root>
  )
}
