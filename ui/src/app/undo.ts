import { queryOptions, useQuery } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { api, changesAnswered, data } from '@/api/client'
import { booksChanged, session } from '@/api/queries'
import { inSentence } from '@/parts/figures'
import { type Command, useCommands } from './commands'
import { useSays } from './says'

const nextActs = queryOptions({ queryKey: ['acts', 'next'], queryFn: () => data(api.GET('/api/acts/next')) })

/** Undo and redo of the person's own acts, wherever they are and also after a restart; each named in words. */
export function useUndo() {
  const says = useSays()
  const { data: who } = useQuery(session)
  const { data: next } = useQuery({ ...nextActs, enabled: who !== undefined && who.role !== 'READER' })

  // Who presses the key again while an answer is on its way means the act before: one after the other.
  const before = useRef<Promise<void>>(Promise.resolve())
  function takeBack(which: 'undo' | 'redo') {
    before.current = before.current.then(() => takeBackNow(which))
  }

  async function takeBackNow(which: 'undo' | 'redo') {
    try {
      // What was done a moment ago is meant, even if it is not answered yet; what is being read may be of before it.
      await changesAnswered()
      const act = (await data(api.GET('/api/acts/next')))[which]
      if (!act) return
      const done = await data(api.POST('/api/acts/{id}/undo', { params: { path: { id: act.id } } }))
      says.note(`${inSentence(done.words)}.`)
    } catch (error) {
      says.failed(error)
    }
    void booksChanged()
  }

  const undoes = next?.undo
  const { last } = says
  const latest = useRef(takeBack)
  latest.current = takeBack
  useEffect(() => {
    last(undoes && { words: inSentence(undoes.words), undo: () => latest.current('undo') })
  }, [last, undoes])

  // The keys work before it is read what they would take back: what that is, is asked when they are pressed.
  const commands: Command[] = [
    {
      id: 'undo',
      keys: ['mod+z'],
      label: undoes ? `Undo: ${inSentence(undoes.words)}` : 'Undo',
      strip: undoes && 'undo',
      changes: true,
      run: () => takeBack('undo'),
    },
    {
      id: 'redo',
      keys: ['mod+Shift+z', 'mod+y'],
      label: next?.redo ? inSentence(next.redo.words).replace(/^Undid: /, 'Redo: ') : 'Redo',
      strip: next?.redo && !undoes ? 'redo' : undefined,
      changes: true,
      run: () => takeBack('redo'),
    },
  ]
  useCommands(commands)
}
