import { type Kind, known, type Part, useReading } from '@/api/reading'
import { figure, plainNumber } from '@/parts/figures'
import { type TypedBox, TypedInput } from './TypedInput'

export const amountIn = (currency: string): Kind => ({ of: 'amount', currency })
export const NUMBER: Kind = { of: 'number' }

/** An amount as a field holds it; what it means is known without asking. */
export const amountText = (value: string | undefined, currency: string) =>
  value ? known(amountIn(currency), figure(value), value) : ''
export const numberText = (value: string | undefined) => (value ? known(NUMBER, plainNumber(value), value) : '')

/** A part of a whole as a person would type it: without a sign where it goes the way of the whole. */
function writtenPart(value: string, whole: string): string {
  if (!whole.startsWith('-')) return figure(value)
  return value.startsWith('-') ? figure(value.slice(1)) : `+${figure(value)}`
}

/** The same as a field holds it. */
export const partText = (value: string, part: Part) => known(part, writtenPart(value, part.whole), value)

/** Whether what a text means needs saying: a sum, or digits that are grouped or cut otherwise. */
const says = (text: string, written: string) => text.replace(/\s/g, '').replace('-', '−') !== written.replace(/\s/g, '')

interface Props extends TypedBox {
  /** Of amounts; without one it is a plain number. */
  currency?: string
  placeholder?: string
  /** Of a part of a split. */
  part?: Part
}

/** An amount or a number, with decimal comma or point, or a sum; `text` is what is typed. */
export function AmountInput({ text, onText, currency, part, ...rest }: Props) {
  const kind = part ?? (currency === undefined ? NUMBER : amountIn(currency))
  const reading = useReading(kind, text)
  const write = (value: string) =>
    currency === undefined ? plainNumber(value) : part === undefined ? figure(value) : writtenPart(value, part.whole)
  return (
    <TypedInput
      {...rest}
      inputMode="decimal"
      figures
      text={text}
      onText={onText}
      kind={kind}
      reading={reading}
      write={(value) => write(value)}
      inWords={(r) => {
        const written = r.value === undefined ? '' : write(r.value)
        return says(text, written) && written !== '' ? `${written} ${currency ?? ''}` : ''
      }}
    />
  )
}
