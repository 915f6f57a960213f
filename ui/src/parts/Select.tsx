import { Select as Radix } from 'radix-ui'
import { nonce } from '@/app/nonce'
import { Icon } from './Icon'
import { box, floating, floatingRow, pick } from './look'

export interface Option<T extends string> {
  value: T
  name: string
}

/** Stands for the empty value, which the primitive keeps for itself. */
const EMPTY = ' '

/** One of a few; typing its first letters finds it. */
export function Select<T extends string>({
  value,
  options,
  onChange,
  triggerRef,
  line,
  word,
  empty,
  className = '',
  ...rest
}: {
  value: T
  options: Option<T>[]
  onChange: (value: T) => void
  triggerRef?: (element: HTMLButtonElement | null) => void
  line?: boolean
  /** Stands as a word in a sentence. */
  word?: 'plain' | 'ask' | 'off'
  /** What is said while nothing is chosen yet. */
  empty?: string
  className?: string
  id?: string
  disabled?: boolean
  'aria-label'?: string
  'aria-describedby'?: string
  'aria-invalid'?: boolean
}) {
  return (
    <Radix.Root
      value={value || (empty === undefined ? EMPTY : '')}
      onValueChange={(next) => onChange((next === EMPTY ? '' : next) as T)}
      disabled={rest.disabled}
    >
      <Radix.Trigger
        {...rest}
        ref={triggerRef}
        className={
          word
            ? pick({ tone: word, className: `justify-between gap-1.5 ${className}` })
            : box({
                size: line ? 'line' : 'field',
                className: `flex items-center justify-between gap-2 text-left ${className}`,
              })
        }
      >
        <span className="truncate">
          <Radix.Value placeholder={empty} />
        </span>
        <Radix.Icon className={word ? undefined : 'text-ink-3'}>
          <Icon name="down" size={11} />
        </Radix.Icon>
      </Radix.Trigger>
      <Radix.Portal>
        <Radix.Content
          className={`${floating} max-h-[min(360px,var(--radix-select-content-available-height))] min-w-(--radix-select-trigger-width)`}
          position="popper"
          sideOffset={4}
        >
          <Radix.Viewport nonce={nonce}>
            {options.map((option) => (
              <Radix.Item key={option.value} value={option.value || EMPTY} className={floatingRow}>
                <Radix.ItemText>{option.name}</Radix.ItemText>
                <Radix.ItemIndicator className="ml-auto pl-3">
                  <Icon name="check" size={12} />
                </Radix.ItemIndicator>
              </Radix.Item>
            ))}
          </Radix.Viewport>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
