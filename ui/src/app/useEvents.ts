import { useEffect } from 'react'
import { queryClient, readAnew } from '@/api/queries'
import { useSays } from './says'

/** Changes that come close together are read once. */
const PAUSE = 200

/** Listens to what the application pushes: another window changed the books, or long work goes on. */
export function useEvents() {
  const { progress } = useSays()
  useEffect(() => {
    const source = new EventSource('/api/events')
    let timer: ReturnType<typeof setTimeout> | undefined
    source.addEventListener('changed', () => {
      clearTimeout(timer)
      timer = setTimeout(() => void readAnew(), PAUSE)
    })
    source.addEventListener('progress', (event) => {
      const { work, step } = JSON.parse((event as MessageEvent<string>).data) as { work: string; step: string }
      progress(work, step)
    })
    source.onerror = () => {
      // It comes again by itself unless it was refused: then the session says why.
      if (source.readyState === EventSource.CLOSED) void queryClient.invalidateQueries({ queryKey: ['session'] })
    }
    return () => {
      clearTimeout(timer)
      source.close()
    }
  }, [progress])
}
