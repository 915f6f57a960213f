import { type DragEvent, useRef, useState } from 'react'

/** Lets files be dropped onto something. `over` counts the files that hover there; 0 for none. */
export function useDrop(onFiles: (files: File[]) => void) {
  const [over, setOver] = useState(0)
  const depth = useRef(0)
  const hasFiles = (e: DragEvent) => e.dataTransfer.types.includes('Files')

  return {
    over,
    target: {
      onDragEnter(e: DragEvent) {
        if (!hasFiles(e)) return
        e.preventDefault()
        depth.current += 1
        setOver(Math.max(1, e.dataTransfer.items.length))
      },
      onDragOver(e: DragEvent) {
        if (hasFiles(e)) e.preventDefault()
      },
      onDragLeave() {
        depth.current = Math.max(0, depth.current - 1)
        if (depth.current === 0) setOver(0)
      },
      onDrop(e: DragEvent) {
        depth.current = 0
        setOver(0)
        const files = [...e.dataTransfer.files]
        if (files.length) {
          e.preventDefault()
          e.stopPropagation()
          onFiles(files)
        }
      },
    },
  }
}
