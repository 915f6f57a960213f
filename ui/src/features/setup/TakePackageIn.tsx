import { useNavigate } from 'react-router'
import { type Schemas, upload } from '@/api/client'
import { queryClient } from '@/api/queries'
import { useSays } from '@/app/says'
import { counted } from '@/parts/figures'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { textLink } from '@/parts/look'
import { useAct } from '@/parts/useAct'

type Taken = Schemas['TakenPackageJson']

/** A household that was taken out elsewhere comes in here, instead of being typed. */
export function TakePackageIn() {
  const { act, error, busy } = useAct()
  const navigate = useNavigate()
  const says = useSays()
  const take = (file: File) => {
    const form = new FormData()
    form.append('file', file)
    return act(
      () => upload<Taken>('/api/data-package', form),
      async (taken) => {
        queryClient.removeQueries({ queryKey: ['setup'] })
        await queryClient.invalidateQueries({ queryKey: ['session'] })
        says.note(`${taken.name} is here: ${counted(taken.entries, 'entry', 'entries')}.`)
        navigate('/chart')
      },
    )
  }
  return (
    <>
      <p className="px-(--edge) py-1.5 text-ink-2">
        Or{' '}
        <label className={textLink()}>
          take a data package in
          <input
            type="file"
            className="sr-only"
            accept=".zip,application/zip"
            onChange={(event) => {
              const [one] = event.target.files ?? []
              event.target.value = ''
              if (one && !busy) void take(one)
            }}
          />
        </label>
        , which holds a whole household that was taken out elsewhere.
        {busy && <span role="status"> It is being read and proved; a long history takes minutes.</span>}
      </p>
      <div className="px-(--edge)">
        <ProblemNote error={error} />
      </div>
    </>
  )
}
