import { useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { useReading } from '@/api/reading'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { Dialog } from '@/parts/Dialog'
import { longDay } from '@/parts/figures'
import { DAY, DayInput, dayText } from '@/parts/form/DayInput'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { useAct } from '@/parts/useAct'

type Entry = Schemas['EntryJson']

/** The three ways to take an entry back: by its opposite on the same day or a later one, or out of the books. */
export function TakeBackEntry({ entry, onClose }: { entry: Entry; onClose: () => void }) {
  const says = useSays()
  const { act, error } = useAct()
  const [text, setText] = useState(dayText(entry.date))
  const day = useReading(DAY, text)
  const done = (words: string) => {
    says.done(words)
    onClose()
  }
  const counter = (how: 'VOID' | 'REVERSAL', date?: string) =>
    act(
      () =>
        data(
          api.POST('/api/entries/{id}/counter', {
            params: { path: { id: entry.id } },
            body: { version: entry.version, how, date },
          }),
        ),
      (made) => done(`No. ${made.no} takes no. ${entry.no} back.`),
    )
  const takeLinesBack = () =>
    act(
      () => api.POST('/api/entries/{id}/take-lines-back', { params: { path: { id: entry.id } } }),
      () => done(`The bank lines of no. ${entry.no} wait again.`),
    )
  const remove = () =>
    act(
      () =>
        api.DELETE('/api/entries/{id}', {
          params: { path: { id: entry.id }, query: { version: entry.version } },
        }),
      () => done(`No. ${entry.no} is deleted; history keeps what it said.`),
    )
  return (
    <Dialog title={`Take no. ${entry.no} back`} open onClose={onClose}>
      <div className="flex flex-col gap-4 p-5">
        <h2 className="text-title/[1.2]">
          Take back no. {entry.no}, {entry.payee}
        </h2>
        {entry.atBank && (
          <Way
            what="It was posted wrongly. Its bank lines wait again, to be posted anew; an entry made from one goes with it."
            act={<Button onClick={takeLinesBack}>Take its lines back</Button>}
          />
        )}
        <Way
          what="It should never have been. Its opposite of the same day stands beside it; both stay in the books."
          act={<Button onClick={() => counter('VOID')}>Void it</Button>}
        />
        <Way
          what="It was right then, and is taken back since. Its opposite stands on the day of that."
          act={
            <span className="flex gap-2">
              <DayInput aria-label="Day of the reversal" className="w-[140px]" text={text} onText={setText} />
              <Button
                whyNot={day.value ? undefined : (day.problem ?? 'Type the day.')}
                onClick={() => day.value && counter('REVERSAL', day.value)}
              >
                Reverse it
              </Button>
            </span>
          }
        />
        <Way
          what={`Out of the books, as if it had not been typed on ${longDay(entry.date)}. Only for what no bank line or statement holds.`}
          act={
            <Button tone="kill" onClick={remove}>
              Delete it
            </Button>
          }
        />
        <ProblemNote error={error} />
        <Button className="self-end" onClick={onClose}>
          Leave it
        </Button>
      </div>
    </Dialog>
  )
}

function Way({ what, act }: { what: string; act: React.ReactNode }) {
  return (
    <div className="flex items-center justify-between gap-4 border-b border-hairline pb-3">
      <p className="max-w-[300px] text-ink-2">{what}</p>
      {act}
    </div>
  )
}
