import { Popover } from 'radix-ui'
import { useRef, useState } from 'react'
import { DayPicker } from 'react-day-picker'
import { type Kind, known, useReading } from '@/api/reading'
import { dateOf, dayInWords, isoOf, weekBegins, writtenDay } from '@/parts/figures'
import { Icon } from '@/parts/Icon'
import { floating } from '@/parts/look'
import { type TypedBox, TypedInput } from './TypedInput'

export const DAY: Kind = { of: 'day' }

/** A day as a field holds it; what it means is known without asking. */
export const dayText = (iso: string | undefined) => (iso ? known(DAY, writtenDay(iso), iso) : '')

/**
 * A day, typed as people type days; arrow keys go by days, Shift and the arrow down opens a calendar. `text` is what
 * is typed; what it means is told by the core.
 */
export function DayInput({ text, onText, line, ...rest }: TypedBox) {
  const reading = useReading(DAY, text)
  const [open, setOpen] = useState(false)
  const input = useRef<HTMLInputElement | null>(null)
  const iso = reading.value

  function set(date: Date) {
    onText(dayText(isoOf(date)))
  }
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Anchor asChild>
        <div className={rest.className}>
          <TypedInput
            {...rest}
            className=""
            line={line}
            inputRef={(element) => {
              input.current = element
              rest.inputRef?.(element)
            }}
            text={text}
            onText={onText}
            kind={DAY}
            reading={reading}
            write={writtenDay}
            inWords={(r) => (r.value ? dayInWords(r.value) : '')}
            onStep={(step) => iso && set(new Date(dateOf(iso).getTime() + step * 86_400_000))}
            onKeyDown={(event) => {
              if (event.key === 'ArrowDown' && event.shiftKey) {
                event.preventDefault()
                setOpen(true)
              }
            }}
            after={
              <Popover.Trigger
                // The key opens it too, and a field is one stop on the way through a form.
                tabIndex={-1}
                disabled={rest.disabled}
                className="absolute right-1 top-1/2 -translate-y-1/2 rounded p-1 text-ink-3 hover:text-ink"
                aria-label="Calendar"
                title="Calendar, Shift and arrow down"
              >
                <Icon name="calendar" />
              </Popover.Trigger>
            }
          />
        </div>
      </Popover.Anchor>
      <Popover.Portal>
        <Popover.Content
          className={`${floating} p-2`}
          align="start"
          sideOffset={4}
          aria-label="Calendar"
          onCloseAutoFocus={(event) => {
            event.preventDefault()
            input.current?.focus()
          }}
        >
          <DayPicker
            mode="single"
            autoFocus
            required
            timeZone="UTC"
            weekStartsOn={weekBegins()}
            selected={iso ? dateOf(iso) : undefined}
            defaultMonth={iso ? dateOf(iso) : undefined}
            onSelect={(date: Date) => {
              set(date)
              setOpen(false)
            }}
            classNames={CALENDAR}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

const CALENDAR = {
  root: 'relative',
  months: 'relative',
  month_caption: 'flex h-7 items-center px-2 font-semibold',
  nav: 'absolute top-0 right-0 flex gap-1',
  button_previous: 'flex size-7 items-center justify-center rounded hover:bg-dusk-tint',
  button_next: 'flex size-7 items-center justify-center rounded hover:bg-dusk-tint',
  chevron: 'size-3.5 fill-current',
  month_grid: 'mt-1 w-auto table-auto',
  weekday: 'h-6 w-8 p-0 text-center text-micro text-ink-2',
  day: 'h-7 w-8 p-0 text-center',
  day_button: 'h-7 w-8 rounded text-center hover:bg-dusk-tint',
  today: 'font-semibold text-needle',
  selected: '[&_button]:bg-dusk [&_button]:text-leaf',
  outside: 'text-ink-3',
}
