import { useState } from 'react'
import { api, data, messageOf, type Schemas } from '@/api/client'
import { useReading } from '@/api/reading'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { Dialog } from '@/parts/Dialog'
import { longDay } from '@/parts/figures'
import { DAY, DayInput } from '@/parts/form/DayInput'
import { Field } from '@/parts/form/Field'
import { noteBox } from '@/parts/look'
import { useAct } from '@/parts/useAct'

/** Writes an entry again on another day. */
export function CopyEntry({ entry, onClose }: { entry: Schemas['EntryJson']; onClose: () => void }) {
  const says = useSays()
  const { act, error } = useAct()
  const [text, setText] = useState('')
  const day = useReading(DAY, text)
  const copy = (date: string) =>
    act(
      () => data(api.POST('/api/entries/{id}/again', { params: { path: { id: entry.id } }, body: { date } })),
      (made) => {
        says.done(`No. ${made.no} of ${longDay(made.date)} is like no. ${entry.no}.`)
        onClose()
      },
    )
  return (
    <Dialog title={`Copy no. ${entry.no}`} open onClose={onClose}>
      <form
        className="flex flex-col gap-3 p-5"
        aria-label={`Copy no. ${entry.no}`}
        onSubmit={(event) => {
          event.preventDefault()
          if (day.value) void copy(day.value)
        }}
      >
        <h2 className="text-title/[1.2]">
          Copy no. {entry.no}, {entry.payee}
        </h2>
        <Field label="To the day" className="w-[170px]">
          {(ids) => <DayInput {...ids} autoFocus text={text} onText={setText} />}
        </Field>
        {error !== undefined && (
          <p className={noteBox({ tone: 'bad' })} role="alert">
            {messageOf(error)}
          </p>
        )}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Leave it</Button>
          <Button type="submit" tone="go" whyNot={day.value ? undefined : (day.problem ?? 'Type the day.')}>
            Copy it
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
