import { cva } from 'class-variance-authority'

/** A box to type or choose in. */
export const box = cva(
  'min-w-0 rounded-md border bg-leaf text-base text-ink placeholder:text-ink-3 focus:outline-2 focus:outline-offset-0 focus:outline-dusk-tint focus:border-dusk disabled:text-ink-3 disabled:border-dashed',
  {
    variants: {
      size: { field: 'h-7 px-2', line: 'h-6 px-1.5' },
      wrong: { true: 'border-aril', false: 'border-hairline-2' },
      figures: { true: 'text-right', false: '' },
    },
    defaultVariants: { size: 'field', wrong: false, figures: false },
  },
)

/** A word of a sentence that can be chosen or typed; `ask` where a person has to. */
export const pick = cva(
  'inline-flex h-6 max-w-full items-center rounded-[5px] border-0 px-1.5 align-[1px] text-base font-medium',
  {
    variants: {
      tone: {
        plain: 'bg-dusk-tint text-dusk placeholder:text-dusk',
        ask: 'bg-heartwood-tint text-heartwood',
        off: 'bg-transparent text-ink-3',
      },
    },
    defaultVariants: { tone: 'plain' },
  },
)

/** What opens over the page: a menu, a list to choose from, a calendar. */
export const floating =
  'z-30 rounded-[7px] border border-hairline-2 bg-leaf p-1 text-base text-ink shadow-[0_6px_22px_rgb(0_0_0/0.13)]'

/** A row of such a list. */
export const floatingRow =
  'flex min-h-[26px] w-full cursor-pointer items-center gap-2 rounded px-2 py-0.5 outline-none select-none aria-disabled:text-ink-3 data-[highlighted]:bg-dusk-tint data-[highlighted]:text-dusk data-[selected=true]:bg-dusk-tint data-[selected=true]:text-dusk'

export const button = cva(
  'inline-flex items-center justify-center gap-2 rounded-md border font-medium whitespace-nowrap [&_kbd]:bg-transparent aria-disabled:border-dashed aria-disabled:border-hairline-2 aria-disabled:bg-transparent aria-disabled:text-ink-3 aria-disabled:cursor-default',
  {
    variants: {
      tone: {
        plain: 'border-hairline-2 bg-leaf hover:border-ink-3',
        go: 'border-needle bg-needle text-on-needle hover:bg-needle-deep [&_kbd]:border-on-needle/45 [&_kbd]:text-inherit',
        kill: 'border-hairline-2 bg-leaf text-aril hover:border-aril',
      },
      size: { normal: 'h-7 px-[11px]', small: 'h-6 px-[9px] text-[12.5px]', wide: 'h-[34px] px-[11px]' },
    },
    defaultVariants: { tone: 'plain', size: 'normal' },
  },
)
