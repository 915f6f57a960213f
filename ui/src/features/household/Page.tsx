import type { ReactNode } from 'react'
import { Scroll } from '@/parts/Scroll'
import { Head, Leaf, View } from '@/parts/View'

/** A quiet page of settings: a title, then its parts below each other. */
export function Page({ title, about, children }: { title: string; about: string; children: ReactNode }) {
  return (
    <View>
      <Leaf>
        <Scroll label={title}>
          <Head title={title} about={about} />
          {children}
        </Scroll>
      </Leaf>
    </View>
  )
}

/** A part of such a page: what it is about on the left, what can be done on the right. */
export function Part({ title, about, children }: { title: string; about?: ReactNode; children: ReactNode }) {
  return (
    <section
      className="grid grid-cols-[260px_minmax(0,760px)] gap-10 border-t border-hairline px-(--edge) py-4 max-[1000px]:grid-cols-[minmax(0,1fr)] max-[1000px]:gap-2.5"
      aria-label={title}
    >
      <div>
        <h2>{title}</h2>
        {about && <p className="text-ink-2 text-small">{about}</p>}
      </div>
      <div>{children}</div>
    </section>
  )
}
