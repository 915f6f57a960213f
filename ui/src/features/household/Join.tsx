import { useQuery } from '@tanstack/react-query'
import { type FormEvent, useState } from 'react'
import { api, data } from '@/api/client'
import { queryClient } from '@/api/queries'
import { ProblemNote, TextField } from '@/parts/Form'
import { Loading } from '@/parts/States'
import { Door } from './Door'

/** Takes up a link: joins a household, or sets a new password. */
export function Join({ token }: { token: string }) {
  const link = useQuery({
    queryKey: ['link', token],
    retry: false,
    queryFn: () => data(api.GET('/api/links/{token}', { params: { path: { token } } })),
  })
  const [name, setName] = useState<string>()
  const [password, setPassword] = useState('')
  const [error, setError] = useState<unknown>()
  const [busy, setBusy] = useState(false)
  if (link.error)
    return (
      <Door motto="A link that lets you in.">
        <ProblemNote error={link.error} />
        <a className="link" href="/">
          To the sign-in
        </a>
      </Door>
    )
  if (!link.data) return <Loading what="the link" />
  const open = link.data
  const joining = open.purpose === 'INVITATION'

  async function submit(event: FormEvent) {
    event.preventDefault()
    setBusy(true)
    setError(undefined)
    try {
      const body = { name: name ?? open.name, password }
      await api.POST('/api/links/{token}', { params: { path: { token } }, body })
      await api.DELETE('/api/session')
      await api.POST('/api/session', { body: { email: open.email, password } })
      queryClient.clear()
      window.location.assign('/')
    } catch (e) {
      setError(e)
      setBusy(false)
    }
  }
  return (
    <Door
      motto={
        joining
          ? `You are invited to the books of ${open.householdName}, as ${open.role.toLowerCase()}.`
          : `A new password for ${open.email}.`
      }
      onSubmit={submit}
    >
      <p className="q">{open.email}</p>
      {joining && <TextField label="Your name" value={name ?? open.name} onChange={setName} required />}
      <TextField
        label={
          joining
            ? 'Your password here; if you have none yet, one of at least 10 characters'
            : 'A password of at least 10 characters'
        }
        type="password"
        autoComplete={joining ? 'current-password' : 'new-password'}
        value={password}
        onChange={setPassword}
        required
      />
      {joining && <p className="q">With another password than the one you have, you sign in as somebody else.</p>}
      <ProblemNote error={error} />
      <button type="submit" className="btn go" disabled={busy}>
        {joining ? 'Join' : 'Set it'} <kbd>Enter</kbd>
      </button>
    </Door>
  )
}
