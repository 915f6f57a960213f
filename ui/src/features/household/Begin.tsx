import { api } from '@/api/client'
import { queryClient } from '@/api/queries'
import { Button } from '@/parts/Button'
import { Form, useOwnForm } from '@/parts/form/Form'
import { TextField } from '@/parts/form/fields'
import { textLink } from '@/parts/look'
import { zoneHere } from '@/parts/zones'
import { Door } from './Door'

/** Begins a new household with its first owner. */
export function Begin() {
  const of = useOwnForm({ householdName: '', name: '', email: '', password: '' })
  async function begin(typed: { householdName: string; name: string; email: string; password: string }) {
    const { email, password } = typed
    await api.POST('/api/founding', { body: { ...typed, timeZone: zoneHere } })
    await api.POST('/api/session', { body: { email, password } })
    queryClient.clear()
    window.location.assign('/setup')
  }
  return (
    <Door motto="A new household, with you as its owner.">
      <Form own of={of} send={begin} label="Begin a household" className="flex flex-col gap-3">
        <TextField name="householdName" label="The household is called" needed="Type a name for it." />
        <TextField name="name" label="Your name" autoComplete="name" needed="Type your name." />
        <TextField name="email" label="Email" type="email" autoComplete="username" needed="Type your email." />
        <TextField
          name="password"
          label="Your password here; if you have none yet, one of at least 10 characters"
          hint="With another password than the one you have, you sign in as somebody else."
          type="password"
          autoComplete="new-password"
          needed="Type a password."
        />
        <Button type="submit" tone="go">
          Begin <kbd>Enter</kbd>
        </Button>
      </Form>
      <a className={textLink()} href="/">
        Back to the sign-in
      </a>
    </Door>
  )
}
