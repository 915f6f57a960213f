import { type FormEvent, useState } from 'react'
import { api, data, messageOf } from '@/api/client'
import { queryClient } from '@/api/queries'
import { Mark } from '@/parts/Ring'
import { GrowthRings } from './GrowthRings'
import './sign-in.css'

export function SignIn() {
  const [email, setEmail] = useState('')
  const [password, setPassword] = useState('')
  const [problem, setProblem] = useState('')
  const [busy, setBusy] = useState(false)

  async function submit(event: FormEvent) {
    event.preventDefault()
    setBusy(true)
    setProblem('')
    try {
      const who = await data(api.POST('/api/session', { body: { email, password } }))
      queryClient.setQueryData(['session'], who)
    } catch (error) {
      setProblem(messageOf(error))
      setBusy(false)
    }
  }

  return (
    <main className="sign-in">
      <GrowthRings />
      <form onSubmit={submit}>
        <h1 className="mark">
          <Mark size={34} />
          <span>Yew Ledger</span>
        </h1>
        <p className="motto">Every month that agrees leaves a ring.</p>
        <label className="field">
          Email
          <input
            type="email"
            autoComplete="username"
            required
            value={email}
            onChange={(e) => setEmail(e.target.value)}
          />
        </label>
        <label className="field">
          Password
          <input
            type="password"
            autoComplete="current-password"
            required
            value={password}
            onChange={(e) => setPassword(e.target.value)}
          />
        </label>
        {problem && (
          <p className="note-error" role="alert">
            {problem}
          </p>
        )}
        <button type="submit" className="btn go" disabled={busy}>
          {busy ? 'Signing in' : 'Sign in'} <kbd>Enter</kbd>
        </button>
      </form>
    </main>
  )
}
