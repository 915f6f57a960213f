import type { ReactNode } from 'react'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { box, noteBox } from '@/parts/look'

/** Something that is shown once, to be handed on or kept by whatever way people have. */
export function ShownOnce({ name, text, children }: { name: string; text: string; children: ReactNode }) {
  const says = useSays()
  const called = name.toLowerCase()
  return (
    <div className={noteBox({ className: 'mt-3' })}>
      {children}
      <div className="mt-2.5 flex gap-2">
        <input
          className={box({ className: 'w-full' })}
          readOnly
          aria-label={name}
          value={text}
          onFocus={(e) => e.target.select()}
        />
        <Button
          onClick={() =>
            navigator.clipboard.writeText(text).then(
              () => says.note(`The ${called} is copied.`),
              () => says.failed(new Error(`Copying is not allowed here. Select the ${called} and copy it by hand.`)),
            )
          }
        >
          Copy
        </Button>
      </div>
    </div>
  )
}
