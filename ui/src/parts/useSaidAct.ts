import { booksChanged } from '@/api/queries'
import { useSays } from '@/app/says'

/** Does something that changes the books and says what came of it, with what takes it back if that is another way. */
export function useSaidAct() {
  const says = useSays()
  return async (work: () => Promise<unknown>, said: string, undo?: () => void) => {
    try {
      await work()
      says.done(said, undo)
    } catch (error) {
      says.failed(error)
    }
    await booksChanged()
  }
}
