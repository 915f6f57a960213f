import type { ReactNode } from 'react'
import { type Command, keyText, useAllCommands } from './commands'

/** The keys valid now, made from the commands of the view. */
export function KeyStrip({ end }: { end?: ReactNode }) {
  const all = useAllCommands()
  const groups = new Map<string, Command[]>()
  for (const command of all) {
    if (command.strip) groups.set(command.strip, [...(groups.get(command.strip) ?? []), command])
  }
  return (
    <section className="keys" aria-label="Keys">
      {[...groups].map(([strip, commands]) => (
        <span key={strip}>
          {commands.map((c) => (
            <kbd key={c.label}>{keyText(c.keys[0] ?? '')}</kbd>
          ))}
          {strip}
        </span>
      ))}
      {end && <span className="end">{end}</span>}
    </section>
  )
}
