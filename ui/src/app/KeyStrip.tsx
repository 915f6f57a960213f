import type { ReactNode } from 'react'
import { type Command, keyText, useAllCommands } from './commands'

/** Keys that mean the same everywhere stand at the same end; those of a view follow in one order. */
const FIRST = ['ArrowUp', 'ArrowDown', 'Enter', 'Shift+Enter', ' ']
const LAST = ['mod+z', 'mod+Shift+z', 'mod+k', 'F1', '?']

function place(command: Command): number {
  const key = command.keys[0] ?? ''
  if (FIRST.includes(key)) return FIRST.indexOf(key)
  if (LAST.includes(key)) return 1000 + LAST.indexOf(key)
  return 100 + key.charCodeAt(key.length - 1)
}

/** The keys valid now, made from the commands of the view: each key in the same place in every view. */
export function KeyStrip({ end }: { end?: ReactNode }) {
  const shown = useAllCommands()
    .filter((c) => c.strip && c.keys.length > 0)
    .sort((a, b) => place(a) - place(b))
  const groups = new Map<string, Command[]>()
  for (const command of shown) groups.set(command.strip ?? '', [...(groups.get(command.strip ?? '') ?? []), command])
  const all = [...groups]
  const ofView = all.filter(([, commands]) => commands[0] && place(commands[0]) < 1000)
  const everywhere = all.filter(([, commands]) => commands[0] && place(commands[0]) >= 1000)
  return (
    <section
      className="flex items-center gap-[17px] overflow-hidden border-t border-hairline px-(--edge) text-small whitespace-nowrap text-ink-2 [&_kbd]:h-4 [&_kbd]:min-w-4 [&_kbd]:leading-[14px]"
      aria-label="Keys"
    >
      {/* A key that has no room is left out whole; all of them stand behind "?". */}
      <span className="flex h-full min-w-0 flex-wrap items-center gap-x-[17px] overflow-hidden [&>span]:h-full">
        {ofView.map(([strip, commands]) => (
          <Keys key={strip} strip={strip} commands={commands} />
        ))}
      </span>
      <span className="ml-auto flex flex-none items-center gap-[17px]">
        {end}
        {everywhere.map(([strip, commands]) => (
          <Keys key={strip} strip={strip} commands={commands} />
        ))}
      </span>
    </section>
  )
}

function Keys({ strip, commands }: { strip: string; commands: Command[] }) {
  return (
    <span className="inline-flex items-center gap-[5px]" title={commands[0]?.label}>
      {commands.map((c) => (
        <kbd key={c.label}>{keyText(c.keys[0] ?? '')}</kbd>
      ))}
      {strip}
    </span>
  )
}
