import { type InputHTMLAttributes, type KeyboardEvent, type ReactNode, useEffect, useRef, useState } from 'react'
import { type Kind, known, type Reading } from '@/api/reading'
import { box, textLink } from '@/parts/look'

/** What a box for a typed text takes, whatever it is of. */
export interface TypedBox {
  /** What is typed; what it means is told by the core. */
  text: string
  onText: (text: string) => void
  onBlur?: () => void
  onKeyDown?: (event: KeyboardEvent<HTMLInputElement>) => void
  inputRef?: (element: HTMLInputElement | null) => void
  id?: string
  'aria-label'?: string
  'aria-describedby'?: string
  'aria-invalid'?: boolean
  autoFocus?: boolean
  disabled?: boolean
  /** Stands in a row of a table. */
  line?: boolean
  className?: string
}

interface Props extends Omit<InputHTMLAttributes<HTMLInputElement>, 'onChange' | 'value' | 'size'> {
  text: string
  onText: (text: string) => void
  kind: Kind
  reading: Reading
  /** How a value is written into the field, so that reading it again gives the same. */
  write: (value: string, currency?: string) => string
  /** What a value means, said while it is typed; empty where the text says it already. */
  inWords: (reading: Reading) => string
  figures?: boolean
  line?: boolean
  onStep?: (step: number) => void
  after?: ReactNode
  inputRef?: (element: HTMLInputElement | null) => void
}

/**
 * A box whose text is read as it is typed. What it means stands below it meanwhile; when it is left, the text becomes
 * what it was understood as. What may mean two things is asked there.
 */
export function TypedInput(props: Props) {
  const {
    text,
    onText,
    kind,
    reading,
    write,
    inWords,
    figures,
    line,
    onStep,
    after,
    inputRef,
    className = '',
    ...rest
  } = props
  const [here, setHere] = useState(false)
  const left = useRef(false)
  const words = here && reading.value !== undefined ? inWords(reading) : ''
  const wrong = !here && reading.problem !== undefined

  /** Becomes what it was understood as, which needs no reading again. */
  function settle() {
    if (reading.value !== undefined) onText(known(kind, write(reading.value, reading.currency), reading.value))
  }
  // Left before it was read: it becomes what it was understood as when that is known.
  useEffect(() => {
    if (!left.current || reading.value === undefined) return
    left.current = false
    settle()
  })
  function onKeyDown(event: KeyboardEvent<HTMLInputElement>) {
    rest.onKeyDown?.(event)
    if (event.key === 'Enter') settle()
    if (!onStep || event.defaultPrevented || event.shiftKey) return
    if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault()
      onStep(event.key === 'ArrowUp' ? 1 : -1)
    }
  }
  return (
    <div className={`relative flex min-w-0 ${className}`}>
      <input
        {...rest}
        ref={inputRef}
        autoComplete="off"
        className={box({
          size: line ? 'line' : 'field',
          wrong: wrong || rest['aria-invalid'] === true,
          figures,
          className: `w-full ${after ? 'pr-7' : ''}`,
        })}
        value={text}
        aria-invalid={wrong || rest['aria-invalid'] ? true : undefined}
        onChange={(event) => onText(event.target.value)}
        onFocus={(event) => {
          setHere(true)
          left.current = false
          rest.onFocus?.(event)
        }}
        onBlur={(event) => {
          setHere(false)
          left.current = true
          rest.onBlur?.(event)
        }}
        onKeyDown={onKeyDown}
      />
      {after}
      {words && (
        <output className="pointer-events-none absolute top-full right-0 left-0 z-20 mt-0.5 truncate rounded bg-ink px-2 py-0.5 text-small text-paper">
          {words}
        </output>
      )}
    </div>
  )
}

/** What is wrong with a typed text, with its choices as buttons where it was unclear. */
export function typedProblem(
  reading: Reading,
  write: (value: string, currency?: string) => string,
  onText: (text: string) => void,
  known: (text: string, value: string) => void,
): ReactNode {
  if (reading.problem === undefined) return undefined
  return (
    <>
      {reading.problem}{' '}
      {reading.choices.map(({ value, currency }) => {
        const written = write(value, currency)
        return (
          <button
            key={value}
            type="button"
            className={textLink({ className: 'mr-2' })}
            onClick={() => {
              known(written, value)
              onText(written)
            }}
          >
            {written}
          </button>
        )
      })}
    </>
  )
}
