import { useState } from 'react'
import { api, data, Problem } from '@/api/client'
import { queryClient } from '@/api/queries'
import { Button } from '@/parts/Button'
import { Dialog } from '@/parts/Dialog'
import { Form, useOwnForm } from '@/parts/form/Form'
import { TextField } from '@/parts/form/fields'
import { textLink } from '@/parts/look'
import { Door } from './Door'

/** The way in. */
export function SignIn() {
  return (
    <Door motto="Every month that agrees leaves a ring.">
      <SignInForm />
      <p className="text-ink-2 text-small">
        No password any more? An owner of your household can make you a link for a new one, under People.
      </p>
      <a className={textLink()} href="/begin">
        Begin a new household
      </a>
    </Door>
  )
}

/** In place, where a session has ended: what is on the screen stays. */
export function SignInAgain({ email, open, onSignedIn }: { email: string; open: boolean; onSignedIn: () => void }) {
  function signedIn() {
    onSignedIn()
    void queryClient.invalidateQueries()
  }
  return (
    <Dialog title="Sign in again" open={open} onClose={() => {}}>
      <div className="flex flex-col gap-3 p-5">
        <h2 className="text-title/[1.2]">Sign in again</h2>
        <p className="text-ink-2">Your session has ended. What you typed is still here behind this.</p>
        <SignInForm email={email} onSignedIn={signedIn} />
      </div>
    </Dialog>
  )
}

/** Email, password and the second factor where there is one. */
export function SignInForm({ email = '', onSignedIn }: { email?: string; onSignedIn?: () => void }) {
  const of = useOwnForm({ email, password: '', code: '' })
  const [second, setSecond] = useState(false)

  async function signIn({ email, password, code }: { email: string; password: string; code: string }) {
    try {
      const body = { email, password, code: second ? code : undefined }
      const who = await data(api.POST('/api/session', { body }))
      queryClient.setQueryData(['session'], who)
      onSignedIn?.()
    } catch (error) {
      if (!(error instanceof Problem && error.code === 'second-factor-needed')) throw error
      setSecond(true)
    }
  }
  return (
    <Form own of={of} send={signIn} label="Sign in" className="flex flex-col gap-3">
      <TextField name="email" label="Email" type="email" autoComplete="username" needed="Type your email." />
      <TextField
        name="password"
        label="Password"
        type="password"
        autoComplete="current-password"
        needed="Type your password."
        autoFocus={email !== ''}
      />
      {second && (
        <TextField
          name="code"
          label="Six digits of the authenticator, or a recovery code"
          autoComplete="one-time-code"
          needed="Type the digits that the authenticator shows."
          autoFocus
        />
      )}
      <Button type="submit" tone="go">
        Sign in <kbd>Enter</kbd>
      </Button>
    </Form>
  )
}
