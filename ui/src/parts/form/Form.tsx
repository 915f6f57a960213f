import { createContext, type ReactNode, useContext, useEffect, useRef } from 'react'
import {
  type DefaultValues,
  type FieldValues,
  FormProvider,
  type Path,
  type UseFormReturn,
  useForm,
} from 'react-hook-form'
import { messageOf, Problem } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { type Kind, read } from '@/api/reading'
import { useMayChange } from '@/app/MayChange'
import { ReadOnly } from '@/parts/Button'
import { forgetKept, keep, kept } from '@/parts/kept'
import { textLink } from '@/parts/look'
import { ProblemNote } from './ProblemNote'

/** How the fields of a form that take days, amounts and numbers are read. */
type Readers = Map<string, Kind>
const ReadersOfForm = createContext<Readers>(new Map())

/** Says how a field of the form around is read. */
export function useReader(name: string, kind: Kind) {
  const readers = useContext(ReadersOfForm)
  readers.set(name, kind)
}

export interface OwnForm<T extends FieldValues> {
  form: UseFormReturn<T>
  /** Whether something that was typed before is in it again. */
  restored: boolean
  /** Puts away what was typed: it is done, or not wanted any more. */
  forget: () => void
  /** Begins afresh, as if nothing had been typed. */
  again: () => void
}

/** A form whose fields hold what is typed, as texts; they are kept for the tab until it is done. */
/**
 * @param values what it begins with
 * @param name under which what is typed is kept for this tab; nothing is kept without one
 */
export function useOwnForm<T extends FieldValues>(values: T, name?: string): OwnForm<T> {
  const before = useRef(name === undefined ? undefined : kept<T>(name))
  const form = useForm<T>({
    defaultValues: { ...values, ...before.current } as DefaultValues<T>,
    shouldFocusError: true,
    reValidateMode: 'onSubmit',
  })
  // biome-ignore lint/correctness/useExhaustiveDependencies: what the form began with is what counts
  useEffect(() => {
    if (name === undefined) return
    const untouched = JSON.stringify(values)
    const watching = form.watch((now) => (JSON.stringify(now) === untouched ? forgetKept(name) : keep(name, now)))
    return () => watching.unsubscribe()
  }, [form, name])
  return {
    form,
    restored: before.current !== undefined,
    forget: () => {
      if (name !== undefined) forgetKept(name)
      before.current = undefined
    },
    again: () => {
      before.current = undefined
      form.reset(values)
    },
  }
}

/**
 * Asks and sends. A field that cannot be read, is missing or is refused by the API says so itself and takes the
 * focus; anything else that goes wrong stands at the form's foot. `send` gets days, amounts and numbers as the API
 * takes them.
 */
export function Form<T extends FieldValues>({
  of,
  send,
  done,
  label,
  className,
  fieldOf = {},
  own = false,
  children,
}: {
  of: OwnForm<T>
  send: (values: T) => Promise<unknown>
  done?: (values: T) => void
  label?: string
  className?: string
  /** Fields of the API that have another name in the form. */
  fieldOf?: Record<string, Path<T>>
  /** The person's own matter, a reader's too; any other form a reader sees and cannot change. */
  own?: boolean
  children: ReactNode
}) {
  const { form } = of
  const closed = !useMayChange() && !own
  const readers = useRef<Readers>(new Map())
  const busy = useRef<'sending' | 'sent'>(undefined)
  const typedSince = useRef(false)

  async function submit(typed: T) {
    // A second press of Enter while the first is on its way is not a second wish.
    if (busy.current === 'sending' || (busy.current === 'sent' && !typedSince.current)) return
    busy.current = 'sending'
    typedSince.current = false
    try {
      const values = await meant(typed, readers.current)
      await send(values)
      busy.current = 'sent'
      if (!typedSince.current) of.forget()
      // What comes next builds on the books as they are now.
      await booksChanged()
      // Who types on meanwhile is not done.
      if (!typedSince.current) done?.(values)
    } catch (error) {
      refuse(error)
    } finally {
      busy.current = undefined
    }
  }

  function refuse(error: unknown) {
    const field =
      error instanceof Problem && error.field ? (fieldOf[error.field] ?? (error.field as Path<T>)) : undefined
    if (field !== undefined && form.getFieldState(field) && field in form.getValues()) {
      form.setError(field, { message: messageOf(error) }, { shouldFocus: true })
    } else {
      form.setError('root', { message: messageOf(error), type: 'problem' })
      problem.current = error
    }
  }
  const problem = useRef<unknown>(undefined)
  const root = form.formState.errors.root

  return (
    <FormProvider {...form}>
      <ReadersOfForm value={readers.current}>
        <form
          aria-label={label}
          className={className}
          noValidate
          // What fields write by themselves, as a day they have read, is not typed.
          onInput={() => {
            typedSince.current = true
          }}
          onSubmit={(event) => {
            event.stopPropagation()
            return form.handleSubmit(submit)(event)
          }}
        >
          {of.restored && (
            <p className="text-small text-heartwood" role="status">
              What you typed before is here again.{' '}
              <button type="button" className={textLink()} onClick={of.again}>
                Begin afresh
              </button>
            </p>
          )}
          <ReadOnly value={closed}>
            <fieldset disabled={closed} className="contents">
              {children}
            </fieldset>
          </ReadOnly>
          {root && <ProblemNote error={problem.current} />}
        </form>
      </ReadersOfForm>
    </FormProvider>
  )
}

async function meant<T extends FieldValues>(typed: T, readers: Readers): Promise<T> {
  const values: Record<string, unknown> = { ...typed }
  for (const [name, kind] of readers) {
    const text = values[name]
    if (typeof text === 'string') values[name] = (await read(kind, text)).value ?? ''
  }
  return values as T
}
