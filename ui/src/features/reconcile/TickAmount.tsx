import { type KeyboardEvent, type RefObject, useState } from 'react'
import type { Schemas } from '@/api/client'
import { messageOf } from '@/api/client'
import { read } from '@/api/reading'
import { useSays } from '@/app/says'
import { counted, day, figure } from '@/parts/figures'
import { box } from '@/parts/look'

type Sheet = Schemas['SheetJson']

/** Ticks by the amounts as they stand on the paper, one after the other; of several alike the oldest first, and it says so. */
export function TickAmount({
  sheet,
  field,
  onTick,
}: {
  sheet: Sheet
  field: RefObject<HTMLInputElement | null>
  onTick: (postingId: string) => void
}) {
  const says = useSays()
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState(false)

  function refuse(why: string) {
    setWrong(true)
    says.failed(new Error(why))
  }
  async function tick() {
    const typed = text
    try {
      const { value, problem } = await read({ of: 'amount', currency: sheet.currency }, typed)
      if (value === undefined) return problem && refuse(problem)
      const size = value.replace('-', '')
      const alike = sheet.postings.filter((p) => !p.ticked && p.amount.replace('-', '') === size)
      const [first] = alike
      if (!first) return refuse(`No posting of ${figure(size)} is open up to ${day(sheet.closesOn)}.`)
      onTick(first.postingId)
      setText((now) => (now === typed ? '' : now))
      says.note(
        alike.length === 1
          ? `Ticked ${first.payee}, ${day(first.date)}.`
          : `Ticked ${first.payee}, ${day(first.date)}: the oldest of ${counted(alike.length, 'posting')} of ${figure(size)}.`,
      )
    } catch (error) {
      refuse(messageOf(error))
    }
  }
  function onKeyDown(event: KeyboardEvent<HTMLInputElement>) {
    if (event.key === 'Escape') event.currentTarget.blur()
    if (event.key !== 'Enter') return
    event.preventDefault()
    void tick()
  }
  return (
    <label className="flex items-center gap-2 text-ink-2">
      <span className="whitespace-nowrap tight:sr-only">Tick by amount</span> <kbd>T</kbd>
      <input
        ref={field}
        className={box({ figures: true, wrong, className: 'w-[110px] tight:w-[84px]' })}
        value={text}
        inputMode="decimal"
        autoComplete="off"
        aria-invalid={wrong || undefined}
        onChange={(event) => {
          setWrong(false)
          setText(event.target.value)
        }}
        onKeyDown={onKeyDown}
      />
    </label>
  )
}
