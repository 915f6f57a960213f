import { Dialog } from '@/parts/Dialog'
import { keyText, useAllCommands } from './commands'

/** Every key that works here. */
export function AllKeys({ open, onClose }: { open: boolean; onClose: () => void }) {
  const commands = useAllCommands()
  return (
    <Dialog title="All keys" open={open} onClose={onClose}>
      <div className="p-5">
        <h2 className="title mb-3">Keys here</h2>
        <dl className="grid grid-cols-[150px_1fr] gap-y-1.5 items-center">
          {commands.map((c) => (
            <div key={c.label} className="contents">
              <dt className="flex gap-1">
                {c.keys.map((k) => (
                  <kbd key={k}>{keyText(k)}</kbd>
                ))}
              </dt>
              <dd>{c.label}</dd>
            </div>
          ))}
        </dl>
      </div>
    </Dialog>
  )
}
