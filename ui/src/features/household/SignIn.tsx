import { type FormEvent, useState } from 'react'
import { api, data, Problem } from '@/api/client'
import { queryClient } from '@/api/queries'
import { ProblemNote, TextField } from '@/parts/Form'
import { Door } from './Door'

export function SignIn() {
  const [email, setEmail] = useState('')
  const [password, setPassword] = useState('')
  const [code, setCode] = useState<string>()
  const [error, setError] = useState<unknown>()
  const [busy, setBusy] = useState(false)

  async function submit(event: FormEvent) {
    event.preventDefault()
    setBusy(true)
    setError(undefined)
    try {
      const who = await data(api.POST('/api/session', { body: { email, password, code } }))
      queryClient.setQueryData(['session'], who)
    } catch (e) {
      if (e instanceof Problem && e.code === 'second-factor-needed') setCode('')
      else setError(e)
      setBusy(false)
    }
  }

  return (
    <Door motto="Every month that agrees leaves a ring." onSubmit={submit}>
      <TextField label="Email" type="email" autoComplete="username" required value={email} onChange={setEmail} />
      <TextField
        label="Password"
        type="password"
        autoComplete="current-password"
        required
        value={password}
        onChange={setPassword}
      />
      {code !== undefined && (
        <TextField
          label="Six digits of the authenticator, or a recovery code"
          autoComplete="one-time-code"
          autoFocus
          required
          value={code}
          onChange={setCode}
        />
      )}
      <ProblemNote error={error} />
      <button type="submit" className="btn go" disabled={busy}>
        {busy ? 'Signing in' : 'Sign in'} <kbd>Enter</kbd>
      </button>
      <p className="q s">
        No password any more? An owner of your household can make you a link for a new one, under People.
      </p>
      <a className="link" href="/begin">
        Begin a new household
      </a>
    </Door>
  )
}
