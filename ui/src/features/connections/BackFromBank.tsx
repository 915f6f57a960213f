import { useEffect, useRef, useState } from 'react'
import { useNavigate, useParams, useSearchParams } from 'react-router'
import { api, messageOf } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { Button } from '@/parts/Button'
import { noteBox } from '@/parts/look'
import { Loading } from '@/parts/States'
import { View } from '@/parts/View'

/** The person is back from the bank's page; what they decided there is asked of the bank itself. */
export function BackFromBank() {
  const { connectionId = '' } = useParams()
  const [query] = useSearchParams()
  const navigate = useNavigate()
  const [problem, setProblem] = useState('')
  const asked = useRef(false)
  const state = query.get('state') ?? ''

  useEffect(() => {
    if (asked.current) return
    asked.current = true
    api
      .POST('/api/connections/{id}/returned', { params: { path: { id: connectionId } }, body: { state } })
      .then(async () => {
        await booksChanged()
        navigate('/gather/connections', { replace: true })
      })
      .catch((error) => setProblem(messageOf(error)))
  }, [connectionId, state, navigate])

  if (!problem) return <Loading what="what the bank has said" />
  return (
    <View>
      <div className="px-6 py-5 max-w-[560px]">
        <h1 className="mb-3">Back from the bank</h1>
        <p className={noteBox({ tone: 'bad' })} role="alert">
          {problem}
        </p>
        <p className="mt-4">
          <Button tone="go" onClick={() => navigate('/gather/connections')}>
            To the connections
          </Button>
        </p>
      </div>
    </View>
  )
}
