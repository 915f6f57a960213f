import { useQuery } from '@tanstack/react-query'
import { api, data, type Schemas } from '@/api/client'
import { queryClient } from '@/api/queries'
import { Button } from '@/parts/Button'
import { Form, useOwnForm } from '@/parts/form/Form'
import { TextField } from '@/parts/form/fields'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { textLink } from '@/parts/look'
import { Loading } from '@/parts/States'
import { Door } from './Door'

/** Takes up a link: joins a household, or sets a new password. */
export function Join({ token }: { token: string }) {
  const link = useQuery({
    queryKey: ['link', token],
    retry: false,
    queryFn: () => data(api.GET('/api/links/{token}', { params: { path: { token } } })),
  })
  if (link.error)
    return (
      <Door motto="A link that lets you in.">
        <ProblemNote error={link.error} />
        <a className={textLink()} href="/">
          To the sign-in
        </a>
      </Door>
    )
  if (!link.data) return <Loading what="the link" />
  return <Joining token={token} open={link.data} />
}

function Joining({ token, open }: { token: string; open: Schemas['OpenLinkJson'] }) {
  const joining = open.purpose === 'INVITATION'
  const of = useOwnForm({ name: open.name, password: '' })

  async function join(body: { name: string; password: string }) {
    await api.POST('/api/links/{token}', { params: { path: { token } }, body })
    await api.DELETE('/api/session')
    await api.POST('/api/session', { body: { email: open.email, password: body.password } })
    queryClient.clear()
    window.location.assign('/')
  }
  return (
    <Door
      motto={
        joining
          ? `You are invited to the books of ${open.householdName}, as ${open.role.toLowerCase()}.`
          : `A new password for ${open.email}.`
      }
    >
      <p className="text-ink-2">{open.email}</p>
      <Form own of={of} send={join} label={joining ? 'Join' : 'Set it'} className="flex flex-col gap-3">
        {joining && <TextField name="name" label="Your name" needed="Type your name." />}
        <TextField
          name="password"
          label={
            joining
              ? 'Your password here; if you have none yet, one of at least 10 characters'
              : 'A password of at least 10 characters'
          }
          hint={joining ? 'With another password than the one you have, you sign in as somebody else.' : undefined}
          type="password"
          autoComplete={joining ? 'current-password' : 'new-password'}
          needed="Type a password."
        />
        <Button type="submit" tone="go">
          {joining ? 'Join' : 'Set it'} <kbd>Enter</kbd>
        </Button>
      </Form>
    </Door>
  )
}
