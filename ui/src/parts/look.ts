import { cva } from 'class-variance-authority'

/** A box to type or choose in. */
export const box = cva(
  'min-w-0 rounded-md border bg-leaf font-sans text-base text-ink placeholder:text-ink-3 focus:outline-2 focus:outline-offset-0 focus:outline-dusk-tint focus:border-dusk disabled:text-ink-3 disabled:border-dashed',
  {
    variants: {
      size: { field: 'h-7 px-2', line: 'h-6 px-1.5' },
      wrong: { true: 'border-aril', false: 'border-hairline-2' },
      figures: { true: 'text-right', false: '' },
    },
    defaultVariants: { size: 'field', wrong: false, figures: false },
  },
)

/** A place to type in a line that is filled in, like a form on paper. */
export const lined =
  'h-[26px] min-w-0 rounded-none border border-transparent border-b-hairline-2 bg-transparent px-1 text-ink placeholder:text-ink-3 hover:border-b-ink-3 focus:rounded-[5px] focus:border-dusk focus:bg-leaf focus:outline-2 focus:outline-offset-0 focus:outline-dusk-tint aria-invalid:border-aril'

/** A word of a sentence that can be chosen or typed; `ask` where a person has to. */
export const pick = cva(
  'inline-flex h-6 max-w-full items-center rounded-[5px] border-0 px-1.5 align-[1px] font-sans text-base font-medium',
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
      size: { normal: 'h-7 px-[11px]', small: 'h-6 px-[9px] text-[12.5px]', wide: 'col-span-full h-[34px] px-[11px]' },
    },
    defaultVariants: { tone: 'plain', size: 'normal' },
  },
)

/** What can be followed or pressed within a text. */
export const textLink = cva(
  'border-0 bg-transparent p-0 underline decoration-1 underline-offset-[2.5px] hover:decoration-current',
  {
    variants: {
      tone: {
        plain: 'text-dusk decoration-dusk/40',
        kill: 'text-aril decoration-aril/40',
        wait: 'text-heartwood decoration-heartwood/40',
        inherit: 'text-inherit decoration-current',
      },
      size: { text: '', small: 'text-small' },
    },
    defaultVariants: { tone: 'plain', size: 'text' },
  },
)

/** A word that stands for a thing, such as the category of a line. */
export const chip = cva(
  'inline-flex h-[22px] max-w-full items-center gap-[5px] overflow-hidden rounded-md border-0 px-2 text-[12.5px]',
  {
    variants: {
      tone: {
        needle: 'bg-needle-tint text-needle group-data-now/row:bg-leaf',
        ask: 'bg-heartwood-tint text-heartwood group-data-now/row:bg-leaf',
        dusk: 'bg-dusk-tint text-dusk',
      },
    },
    defaultVariants: { tone: 'needle' },
  },
)

/** A box that says something to read: what went wrong, or what is worth knowing. */
export const noteBox = cva('rounded-md border px-[11px] py-2 whitespace-normal', {
  variants: { tone: { calm: 'border-hairline-2 text-ink-2', bad: 'border-aril bg-aril-tint text-aril' } },
  defaultVariants: { tone: 'calm' },
})

/** Facts, as a list of names and what they are. */
export const factList =
  'grid grid-cols-[84px_minmax(0,1fr)] gap-y-[3px] text-[12.5px]/[17px] [&_dt]:text-ink-2 [&_dd]:wrap-anywhere'

/** What a bank wrote, as it wrote it. */
export const raw = 'text-[11.5px] tracking-[0.01em] text-ink-3'

/** A table of lines, ruled by hairlines under a head that stays in sight. */
export const ruled = cva(
  'cells:border-b cells:border-hairline heads:sticky heads:top-0 heads:z-[2] heads:h-[26px] heads:border-hairline-2 heads:bg-leaf heads:text-small heads:text-ink-2 foots:h-9 foots:border-t foots:border-t-ink-2 foots:border-b-0',
  {
    variants: {
      size: { line: 'cells:h-[34px]', dense: 'cells:h-[26px]', fit: '' },
      edges: { page: 'starts:pl-(--edge) ends:pr-(--edge)', none: 'starts:pl-0 ends:pr-0' },
    },
    defaultVariants: { size: 'line', edges: 'page' },
  },
)

/** A journal entry, wherever it is shown: account, debit, credit. */
export const entryTable =
  'cells:h-[26px] cells:border-b cells:border-hairline cells:px-1.5 heads:h-[22px] heads:border-hairline-2 heads:text-small heads:text-ink-2 starts:pl-0 ends:pr-0'

/** The row that foots a column of figures, by a double rule. */
export const sumRow =
  '[&>td]:h-[27px] [&>td]:border-t [&>td]:border-b-3 [&>td]:border-double [&>td]:border-ink-2 [&>td]:font-semibold [&>td:first-child]:font-normal [&>td:first-child]:text-ink-2'

/** A cell that has nothing to say, where others do. */
export const hatched = 'bg-[repeating-linear-gradient(135deg,transparent_0_5px,var(--hairline)_5px_6px)]'

/** A band that names the rows below it. */
export const bandRow = '[&>td]:h-8 [&>td]:border-hairline-2 [&>td]:bg-paper'

/** A row that can be selected: under the pointer, selected with others, and the one that keys act on. */
export const rowLook = cva('group/row outline-none', {
  variants: {
    is: {
      plain: 'hover:[&>td]:bg-dusk-tint/35',
      chosen: '[&>td]:bg-dusk-tint',
      now: '[&>td]:border-transparent [&>td]:bg-dusk-tint [&>td]:shadow-[0_-1px_0_var(--dusk),inset_0_-1px_0_var(--dusk)] [&>td:first-child]:shadow-[0_-1px_0_var(--dusk),inset_0_-1px_0_var(--dusk),inset_3px_0_0_var(--dusk)] focus-visible:[&>td]:bg-[color-mix(in_srgb,var(--dusk-tint)_80%,var(--dusk)_8%)]',
    },
  },
  defaultVariants: { is: 'plain' },
})
