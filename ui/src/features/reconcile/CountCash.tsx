import { useFormContext, useWatch } from 'react-hook-form'
import { api, data, type Schemas } from '@/api/client'
import { useReading } from '@/api/reading'
import { MayChange } from '@/app/MayChange'
import { Button } from '@/parts/Button'
import { figure, plainNumber } from '@/parts/figures'
import { dayText } from '@/parts/form/DayInput'
import { Form, useOwnForm } from '@/parts/form/Form'
import { AmountField, DateField } from '@/parts/form/fields'
import { box, entryTable, sumRow } from '@/parts/look'
import { Acts } from '@/parts/View'

type Row = Schemas['AccountToReconcileJson']
type Typed = { countedOn: string; total: string; pieces: Record<string, string> }

/** A field of the form takes no point in its name. */
const nameOf = (denomination: string) => `d${denomination.replace('.', '_')}`

/** Counts cash: pieces of each denomination, or the sum where one knows it already. */
export function CountCash({
  row,
  autoFocus,
  onBegun,
}: {
  row: Row
  autoFocus: boolean
  onBegun: (id: string) => void
}) {
  const of = useOwnForm<Typed>(
    {
      countedOn: dayText(row.nextClosesOn),
      total: '',
      pieces: Object.fromEntries(row.denominations.map((d) => [nameOf(d), ''])),
    },
    `count of ${row.accountId}`,
  )
  async function count({ countedOn, total, pieces }: Typed) {
    const counted = row.denominations.flatMap((denomination) => {
      const count = pieces[nameOf(denomination)] ?? ''
      return count.trim() === '' ? [] : [{ of: denomination, count: Number(count) }]
    })
    const what = counted.length > 0 ? { pieces: counted } : { total: total || undefined }
    const body = { accountId: row.accountId, countedOn, ...what }
    onBegun((await data(api.POST('/api/statements/counts', { body }))).id)
  }
  return (
    <Form of={of} send={count} className="flex flex-1 flex-col gap-3">
      <p className="text-ink-2">
        What there is at the end of the day. All that the books have up to then stands against it.
      </p>
      <DateField
        name="countedOn"
        label="Counted on"
        needed="Type the day of the count, such as 30 or 30 9."
        autoFocus={autoFocus}
      />
      {row.denominations.length > 0 && <Pieces row={row} />}
      <AmountField
        name="total"
        label={row.denominations.length > 0 ? 'or only the sum' : `The sum, ${row.currency}`}
        currency={row.currency}
        placeholder={figure(row.agreedBalance)}
      />
      <MayChange>
        <Acts>
          <Button type="submit" tone="go" size="wide">
            Hold it against the books <kbd>Enter</kbd>
          </Button>
        </Acts>
      </MayChange>
    </Form>
  )
}

/** The pieces in two columns, and what they come to; the core adds them up. */
function Pieces({ row }: { row: Row }) {
  const { register, formState } = useFormContext<Typed>()
  const pieces = useWatch<Typed, 'pieces'>({ name: 'pieces' })
  const counted = row.denominations.filter((d) => /^\d+$/.test(pieces[nameOf(d)]?.trim() ?? ''))
  const sum = useReading(
    { of: 'amount', currency: row.currency },
    counted.map((d) => `${pieces[nameOf(d)]?.trim()}*${plainNumber(d)}`).join('+'),
  )
  const half = Math.ceil(row.denominations.length / 2)
  return (
    <div>
      <div className="grid grid-cols-2 gap-x-5">
        {[row.denominations.slice(0, half), row.denominations.slice(half)].map((column) => (
          <ul key={column[0]}>
            {column.map((denomination) => {
              const wrong = formState.errors.pieces?.[nameOf(denomination)]
              return (
                <li key={denomination} className="flex h-[27px] items-center justify-between gap-2">
                  <label htmlFor={nameOf(denomination)} className="text-ink-2">
                    {figure(denomination)} ×
                  </label>
                  <input
                    id={nameOf(denomination)}
                    className={box({ size: 'line', figures: true, wrong: wrong !== undefined, className: 'w-[64px]' })}
                    inputMode="numeric"
                    autoComplete="off"
                    aria-invalid={wrong !== undefined || undefined}
                    aria-label={`pieces of ${figure(denomination)}`}
                    {...register(`pieces.${nameOf(denomination)}`, {
                      pattern: { value: /^\s*\d{0,6}\s*$/, message: 'Type how many there are, such as 3.' },
                    })}
                  />
                </li>
              )
            })}
          </ul>
        ))}
      </div>
      {formState.errors.pieces && (
        <p role="alert" className="text-small text-aril">
          Type how many pieces there are, as a whole number.
        </p>
      )}
      <table className={`${entryTable} mt-1`} aria-label="Counted">
        <tbody>
          <tr className={sumRow}>
            <td>Counted, {row.currency}</td>
            <td className="text-right" aria-live="polite">
              {sum.value ? figure(sum.value) : '–'}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  )
}
