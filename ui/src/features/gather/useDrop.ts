import { type DragEvent, useRef, useState } from 'react'

/** Lets files be dropped onto something. Only the first counts: files are read one by one. */
export function useDrop(onFile: (file: File) => void) {
  const [over, setOver] = useState(false)
  const depth = useRef(0)
  const hasFiles = (e: DragEvent) => e.dataTransfer.types.includes('Files')

  return {
    over,
    target: {
      onDragEnter(e: DragEvent) {
        if (!hasFiles(e)) return
        e.preventDefault()
        depth.current += 1
        setOver(true)
      },
      onDragOver(e: DragEvent) {
        if (hasFiles(e)) e.preventDefault()
      },
      onDragLeave() {
        depth.current = Math.max(0, depth.current - 1)
        if (depth.current === 0) setOver(false)
      },
      onDrop(e: DragEvent) {
        depth.current = 0
        setOver(false)
        const [file] = e.dataTransfer.files
        if (file) {
          e.preventDefault()
          e.stopPropagation()
          onFile(file)
        }
      },
    },
  }
}
