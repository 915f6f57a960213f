import { Checkbox } from 'radix-ui'

/** A box that is ticked or not. */
export function Check({
  checked,
  onChange,
  className = '',
  ...rest
}: {
  checked: boolean
  onChange: (checked: boolean) => void
  className?: string
  disabled?: boolean
  tabIndex?: number
  id?: string
  'aria-label'?: string
  'aria-describedby'?: string
}) {
  return (
    <Checkbox.Root
      {...rest}
      checked={checked}
      onCheckedChange={(now) => onChange(now === true)}
      className={`block size-[15px] flex-none rounded border-[1.25px] border-ink-3 bg-leaf p-0 disabled:border-dotted data-[state=checked]:border-needle data-[state=checked]:bg-needle ${className}`}
    >
      <Checkbox.Indicator className="flex items-center justify-center text-on-needle">
        <svg
          width="11"
          height="11"
          viewBox="0 0 14 14"
          fill="none"
          stroke="currentColor"
          strokeWidth="2"
          aria-hidden="true"
        >
          <path d="M3 7.4l2.8 2.8L11.2 4" />
        </svg>
      </Checkbox.Indicator>
    </Checkbox.Root>
  )
}
