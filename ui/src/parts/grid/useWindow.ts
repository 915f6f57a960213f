import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual'
import { type RefObject, useContext, useLayoutEffect, useState } from 'react'
import { ScrollBox } from '@/parts/Scroll'

/** So much of the box a head that stays in sight covers. */
const HEAD = 32

interface Sized {
  key: string
  height?: number
}

type Shown = { key: string; index: number } | { key: string; gap: number }

/**
 * Which items of a long list are in the page: those in sight, some around them, and the one that has the focus.
 * The others are stood for by gaps of their height.
 */
export function useWindow(body: RefObject<HTMLElement | null>, items: Sized[], keep: number, usual: number) {
  const box = useContext(ScrollBox)
  const [margin, setMargin] = useState(0)
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => box,
    getItemKey: (index) => items[index]?.key ?? index,
    estimateSize: (index) => items[index]?.height ?? usual,
    overscan: 14,
    scrollMargin: margin,
    scrollPaddingStart: HEAD,
    scrollPaddingEnd: usual,
    rangeExtractor: (range) => {
      const shown = defaultRangeExtractor(range)
      return keep < 0 || keep >= range.count || shown.includes(keep) ? shown : [...shown, keep].sort((a, b) => a - b)
    },
  })
  useLayoutEffect(() => {
    if (!body.current || !box) return
    const above = body.current.getBoundingClientRect().top - box.getBoundingClientRect().top
    const next = Math.round(above + box.scrollTop)
    if (next !== margin) setMargin(next)
  })

  const rows: Shown[] = []
  let end = margin
  for (const item of virtual.getVirtualItems()) {
    if (item.start - end > 0.5) rows.push({ key: `gap ${item.key}`, gap: item.start - end })
    rows.push({ key: String(item.key), index: item.index })
    end = item.end
  }
  const below = margin + virtual.getTotalSize() - end
  if (below > 0.5) rows.push({ key: 'gap at the end', gap: below })
  return {
    rows,
    measure: virtual.measureElement,
    scrollTo: (index: number) => virtual.scrollToIndex(index, { align: 'auto' }),
  }
}
