import { type FormEvent, useState } from 'react'
import { api } from '@/api/client'
import { queryClient } from '@/api/queries'
import { ProblemNote, TextField } from '@/parts/Form'
import { zoneHere } from '@/parts/zones'
import { Door } from './Door'

/** Begins a new household with its first owner. */
export function Begin() {
  const [householdName, setHouseholdName] = useState('')
  const [name, setName] = useState('')
  const [email, setEmail] = useState('')
  const [password, setPassword] = useState('')
  const [error, setError] = useState<unknown>()
  const [busy, setBusy] = useState(false)

  async function submit(event: FormEvent) {
    event.preventDefault()
    setBusy(true)
    setError(undefined)
    try {
      await api.POST('/api/founding', { body: { householdName, name, email, password, timeZone: zoneHere } })
      await api.POST('/api/session', { body: { email, password } })
      queryClient.clear()
      window.location.assign('/setup')
    } catch (e) {
      setError(e)
      setBusy(false)
    }
  }
  return (
    <Door motto="A new household, with you as its owner." onSubmit={submit}>
      <TextField label="The household is called" value={householdName} onChange={setHouseholdName} required />
      <TextField label="Your name" autoComplete="name" value={name} onChange={setName} required />
      <TextField label="Email" type="email" autoComplete="username" value={email} onChange={setEmail} required />
      <TextField
        label="Your password here; if you have none yet, one of at least 10 characters"
        type="password"
        autoComplete="new-password"
        value={password}
        onChange={setPassword}
        required
      />
      <p className="q">With another password than the one you have, you sign in as somebody else.</p>
      <ProblemNote error={error} />
      <button type="submit" className="btn go" disabled={busy}>
        Begin <kbd>Enter</kbd>
      </button>
      <a className="link" href="/">
        Back to the sign-in
      </a>
    </Door>
  )
}
