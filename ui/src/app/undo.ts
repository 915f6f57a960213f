import { queryOptions, useQuery } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { api, data } from '@/api/client'
import { booksChanged, queryClient, session } from '@/api/queries'
import { inSentence } from '@/parts/figures'
import { type Command, useCommands } from './commands'
import { useSays } from './says'

const nextActs = queryOptions({ queryKey: ['acts', 'next'], queryFn: () => data(api.GET('/api/acts/next')) })

/** Undo and redo of the person's own acts, wherever they are and also after a restart; each named in words. */
export function useUndo() {
  const says = useSays()
  const { data: who } = useQuery(session)
  const { data: next } = useQuery({ ...nextActs, enabled: who !== undefined && who.role !== 'READER' })

  async function takeBack(which: 'undo' | 'redo') {
    try {
      // What was done a moment ago is meant, even if it is not read yet.
      const act = (await queryClient.fetchQuery({ ...nextActs, staleTime: 0 }))[which]
      if (!act) return
      const done = await data(api.POST('/api/acts/{id}/undo', { params: { path: { id: act.id } } }))
      says.note(`${inSentence(done.words)}.`)
    } catch (error) {
      says.failed(error)
    }
    await booksChanged()
  }

  const undoes = next?.undo
  const { last } = says
  const latest = useRef(takeBack)
  latest.current = takeBack
  useEffect(() => {
    last(undoes && { words: inSentence(undoes.words), undo: () => void latest.current('undo') })
  }, [last, undoes])

  // The keys work before it is read what they would take back: what that is, is asked when they are pressed.
  const commands: Command[] = [
    {
      id: 'undo',
      keys: ['mod+z'],
      label: undoes ? `Undo: ${inSentence(undoes.words)}` : 'Undo',
      strip: undoes && 'undo',
      changes: true,
      run: () => void takeBack('undo'),
    },
    {
      id: 'redo',
      keys: ['mod+Shift+z', 'mod+y'],
      label: next?.redo ? inSentence(next.redo.words).replace(/^Undid: /, 'Redo: ') : 'Redo',
      strip: next?.redo && !undoes ? 'redo' : undefined,
      changes: true,
      run: () => void takeBack('redo'),
    },
  ]
  useCommands(commands)
}
