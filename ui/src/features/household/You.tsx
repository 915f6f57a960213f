import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { queryClient, session } from '@/api/queries'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { counted } from '@/parts/figures'
import { Beside, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { TextField } from '@/parts/form/fields'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { noteBox, ruled, textLink } from '@/parts/look'
import { Loading } from '@/parts/States'
import { useAct } from '@/parts/useAct'
import { zoneHere } from '@/parts/zones'
import { OwnFormats } from './OwnFormats'
import { Page, Part } from './Page'
import { Programs } from './Programs'

/** One's own access: password, second factor, other windows, other households. */
export function You() {
  const me = useQuery(session)
  const says = useSays()
  const { act, error } = useAct()
  if (!me.data) return <Loading what="your settings" />
  return (
    <Page title={me.data.name} about={me.data.email}>
      <Part title="Password" about="Changing it signs you out everywhere else.">
        <ChangePassword />
      </Part>
      <Part
        title="Second factor"
        about="Six digits of an authenticator, asked for at every sign-in beside the password (TOTP, RFC 6238)."
      >
        <SecondFactor />
      </Part>
      <Part
        title="Figures and days"
        about="How you write them: read in every field, and written on every page and paper."
      >
        <OwnFormats formats={me.data.formats} />
      </Part>
      <Programs />
      <Part title="Other windows" about="On other devices, or where you forgot to sign out.">
        <Button
          onClick={() =>
            act(
              () => api.DELETE('/api/session/elsewhere'),
              () => says.note('You are signed out everywhere but here.'),
            )
          }
        >
          Sign out everywhere else
        </Button>
        <ProblemNote error={error} />
      </Part>
      <Part title="Households" about="You may belong to several; each is kept apart.">
        <Households current={me.data.householdId} />
      </Part>
    </Page>
  )
}

function ChangePassword() {
  const of = useOwnForm({ current: '', password: '' })
  const says = useSays()
  return (
    <Form
      own
      of={of}
      label="Password"
      send={(body) => api.PUT('/api/session/password', { body })}
      done={() => {
        says.note('Your password is changed.')
        of.again()
      }}
    >
      <Row>
        <TextField
          name="current"
          label="Password now"
          type="password"
          autoComplete="current-password"
          needed="Type the password that you have."
        />
        <TextField
          name="password"
          label="New password, at least 10 characters"
          type="password"
          autoComplete="new-password"
          needed="Type a new password."
        />
        <Beside>
          <Button type="submit">Change it</Button>
        </Beside>
      </Row>
    </Form>
  )
}

function SecondFactor() {
  const state = useQuery({ queryKey: ['second-factor'], queryFn: () => data(api.GET('/api/session/second-factor')) })
  const [secret, setSecret] = useState<Schemas['NewSecretJson']>()
  const [codes, setCodes] = useState<string[]>()
  const { act, error } = useAct()
  const says = useSays()
  const turnOn = useOwnForm({ code: '' })
  const turnOff = useOwnForm({ current: '' })
  if (!state.data) return <Loading what="the second factor" />
  return (
    <>
      {codes && (
        <div className={noteBox({ className: 'mb-3' })}>
          Keep these recovery codes somewhere else than on the phone. Each lets you in once, and they are shown only
          now.
          <ul
            className="grid grid-cols-[repeat(2,max-content)] gap-x-7 gap-y-1 py-2.5 text-[14.5px] tracking-[0.03em]"
            aria-label="Recovery codes"
          >
            {codes.map((c) => (
              <li key={c}>{c}</li>
            ))}
          </ul>
        </div>
      )}
      {state.data.on ? (
        <Form
          own
          of={turnOff}
          label="Turn off the second factor"
          send={(body) => api.POST('/api/session/second-factor/off', { body })}
          done={() => {
            says.note('The second factor is off.')
            setCodes(undefined)
            turnOff.again()
          }}
        >
          <p className="mb-2">
            It is on, with {counted(state.data.recoveryCodesLeft, 'recovery code')} left.{' '}
            {state.data.recoveryCodesLeft < 3 && (
              <span className="text-heartwood">Turn it off and on again to get new ones.</span>
            )}
          </p>
          <Row>
            <TextField
              name="current"
              label="Password, to turn it off"
              type="password"
              autoComplete="current-password"
              needed="Type your password."
            />
            <Beside>
              <Button type="submit" tone="kill">
                Turn off
              </Button>
            </Beside>
          </Row>
        </Form>
      ) : secret ? (
        <Form
          own
          of={turnOn}
          label="Turn on the second factor"
          send={async ({ code }) => {
            const made = await data(api.POST('/api/session/second-factor', { body: { secret: secret.secret, code } }))
            setCodes(made.codes)
          }}
          done={() => {
            setSecret(undefined)
            turnOn.again()
          }}
        >
          <div className="flex gap-6 items-start">
            <svg
              className="rounded-md bg-white p-2.5"
              width="168"
              height="168"
              viewBox={`0 0 ${secret.size} ${secret.size}`}
              role="img"
              aria-label="The key as a picture for an authenticator"
              shapeRendering="crispEdges"
            >
              <path d={secret.squares} fill="#000" />
            </svg>
            <div className="flex flex-col gap-3">
              <p>
                Photograph it with the authenticator, or type the key:
                <br />
                <b className="tracking-wider">{secret.secret.replace(/(.{4})/g, '$1 ')}</b>
              </p>
              <TextField
                name="code"
                label="The six digits that it shows"
                inputMode="numeric"
                autoComplete="one-time-code"
                needed="Type the digits that the authenticator shows."
              />
              <div className="flex gap-2">
                <Button type="submit" tone="go">
                  Turn on
                </Button>
                <Button onClick={() => setSecret(undefined)}>Leave it</Button>
              </div>
            </div>
          </div>
        </Form>
      ) : (
        <Button onClick={() => act(() => data(api.POST('/api/session/second-factor/secret')), setSecret)}>
          Set up a second factor
        </Button>
      )}
      <ProblemNote error={error} />
    </>
  )
}

/** Goes on in another household; everything is read anew. */
export async function enter(householdId: string) {
  await api.POST('/api/session/household', { body: { householdId } })
  queryClient.clear()
  window.location.assign('/')
}

function Households({ current }: { current: string }) {
  const mine = useQuery({ queryKey: ['households'], queryFn: () => data(api.GET('/api/session/households')) })
  const { act, error } = useAct()
  const of = useOwnForm({ name: '' })
  return (
    <>
      <table className={ruled({ edges: 'none' })} aria-label="Your households">
        <tbody>
          {mine.data?.map((h) => (
            <tr key={h.id}>
              <td>{h.name}</td>
              <td className="text-ink-2 w-[120px]">{h.role.toLowerCase()}</td>
              <td className="text-right w-[150px]">
                {h.id === current ? (
                  <span className="text-ink-2 text-small">you are here</span>
                ) : (
                  <button type="button" className={textLink()} onClick={() => act(() => enter(h.id))}>
                    go there<span className="sr-only">, to {h.name}</span>
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Form
        own
        of={of}
        label="Another household"
        className="mt-3"
        send={({ name }) => api.POST('/api/session/households', { body: { name, timeZone: zoneHere } })}
        done={() => {
          queryClient.clear()
          window.location.assign('/setup')
        }}
      >
        <Row>
          <TextField name="name" label="Begin another household, called" needed="Type a name for it." />
          <Beside>
            <Button type="submit">Begin it</Button>
          </Beside>
        </Row>
      </Form>
      <ProblemNote error={error} />
    </>
  )
}
