import type { ComponentProps, ReactNode } from 'react'

/**
 * A view: what a place of the work path or the books shows, with an inspector beside it where one thing is selected,
 * and what has to be in sight whatever is scrolled above both.
 */
export function View({
  beside,
  above,
  className = '',
  children,
  ...rest
}: ComponentProps<'main'> & { beside?: boolean; above?: ReactNode }) {
  const columns = beside ? 'grid-cols-[minmax(0,1fr)_var(--insp)]' : 'grid-cols-[minmax(0,1fr)]'
  const rows = above ? 'grid-rows-[auto_minmax(0,1fr)]' : 'grid-rows-[minmax(0,1fr)]'
  return (
    <main tabIndex={-1} {...rest} className={`grid min-h-0 bg-leaf ${rows} ${columns} ${className}`}>
      {above && <div className="col-span-full">{above}</div>}
      {children}
    </main>
  )
}

/** The part of a view that the work is done on. */
export function Leaf({ children }: { children: ReactNode }) {
  return <section className="@container/leaf flex min-h-0 min-w-0 flex-col bg-leaf">{children}</section>
}

/** The name of a view, a few words about it, and what can be done in it. */
export function Head({ title, about, children }: { title: ReactNode; about?: ReactNode; children?: ReactNode }) {
  return (
    <div className="flex h-[50px] flex-none items-center gap-3.5 px-(--edge) whitespace-nowrap">
      <div className="flex min-w-0 items-baseline gap-3.5">
        <h1>{title}</h1>
        <span className="truncate text-ink-2">{about}</span>
      </div>
      {children && <div className="ml-auto flex items-center gap-3.5">{children}</div>}
    </div>
  )
}

/** Below a sheet, always in sight. */
export function LeafFoot({ children }: { children: ReactNode }) {
  return (
    <div className="flex h-12 flex-none items-center gap-2.5 border-t border-hairline bg-paper px-(--edge)">
      {children}
    </div>
  )
}

/** Beside a sheet: the selected thing, and what can be done with it. */
export function Inspector({ label, children }: { label: string; children: ReactNode }) {
  return (
    <aside
      aria-label={label}
      className="flex min-h-0 flex-col overflow-auto border-l border-hairline bg-paper px-(--edge) pt-[15px] [--ground:var(--paper)]"
    >
      {children}
    </aside>
  )
}

/** What is selected, its figure, and where it stands. */
export function InspectorHead({
  title,
  figure,
  children,
}: {
  title: ReactNode
  figure?: ReactNode
  children?: ReactNode
}) {
  return (
    <div className="mb-[9px] border-b border-hairline-2 pb-2">
      <div className="flex items-baseline justify-between gap-2.5">
        <h2>{title}</h2>
        {figure && <span className="font-serif text-[20px]/[24px] whitespace-nowrap">{figure}</span>}
      </div>
      {children && <p className="text-small text-ink-2">{children}</p>}
    </div>
  )
}

/** What can be done, at the foot of an inspector or a form, in sight however long that is. */
export function Acts({ children }: { children: ReactNode }) {
  return (
    <div className="sticky bottom-0 mt-auto grid grid-cols-2 gap-[7px] bg-(--ground) pt-3 pb-3.5 [&>a]:justify-between [&>button]:justify-between">
      {children}
    </div>
  )
}

/** Where a dialog asks or tells. */
export function Said({ title, children }: { title: ReactNode; children: ReactNode }) {
  return (
    <div className="px-6 py-5">
      <h2 className="mb-3 text-title/[1.2]">{title}</h2>
      {children}
    </div>
  )
}
