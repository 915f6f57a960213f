import { useQuery } from '@tanstack/react-query'
import { type FormEvent, useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { queryClient, session } from '@/api/queries'
import { useSays } from '@/app/says'
import { ProblemNote, TextField, useAct } from '@/parts/Form'
import { counted } from '@/parts/figures'
import { Loading } from '@/parts/States'
import { zoneHere } from '@/parts/zones'
import { Page, Part } from './Page'

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
      <Part title="Other windows" about="On other devices, or where you forgot to sign out.">
        <button
          type="button"
          className="btn"
          onClick={() =>
            act(
              () => api.DELETE('/api/session/elsewhere'),
              () => says.done('You are signed out everywhere but here.'),
            )
          }
        >
          Sign out everywhere else
        </button>
        <ProblemNote error={error} />
      </Part>
      <Part title="Households" about="You may belong to several; each is kept apart.">
        <Households current={me.data.householdId} />
      </Part>
    </Page>
  )
}

function ChangePassword() {
  const [current, setCurrent] = useState('')
  const [password, setPassword] = useState('')
  const { act, error, busy } = useAct()
  const says = useSays()
  function submit(event: FormEvent) {
    event.preventDefault()
    act(
      () => api.PUT('/api/session/password', { body: { current, password } }),
      () => {
        says.done('Your password is changed.')
        setCurrent('')
        setPassword('')
      },
    )
  }
  return (
    <form onSubmit={submit}>
      <div className="row-form">
        <TextField
          label="Password now"
          type="password"
          autoComplete="current-password"
          value={current}
          onChange={setCurrent}
          required
        />
        <TextField
          label="New password, at least 10 characters"
          type="password"
          autoComplete="new-password"
          value={password}
          onChange={setPassword}
          required
        />
        <button type="submit" className="btn" disabled={busy}>
          Change it
        </button>
      </div>
      <ProblemNote error={error} />
    </form>
  )
}

function SecondFactor() {
  const state = useQuery({ queryKey: ['second-factor'], queryFn: () => data(api.GET('/api/session/second-factor')) })
  const [secret, setSecret] = useState<Schemas['NewSecretJson']>()
  const [codes, setCodes] = useState<string[]>()
  const [code, setCode] = useState('')
  const [current, setCurrent] = useState('')
  const { act, error, busy } = useAct()
  const says = useSays()
  if (!state.data) return <Loading what="the second factor" />

  function turnOn(event: FormEvent) {
    event.preventDefault()
    if (!secret) return
    act(
      () => data(api.POST('/api/session/second-factor', { body: { secret: secret.secret, code } })),
      (made) => {
        setCodes(made.codes)
        setSecret(undefined)
        setCode('')
      },
    )
  }
  function turnOff(event: FormEvent) {
    event.preventDefault()
    act(
      () => api.POST('/api/session/second-factor/off', { body: { current } }),
      () => {
        says.done('The second factor is off.')
        setCodes(undefined)
        setCurrent('')
      },
    )
  }
  return (
    <>
      {codes && (
        <div className="note-calm mb-3">
          Keep these recovery codes somewhere else than on the phone. Each lets you in once, and they are shown only
          now.
          <ul className="codes" aria-label="Recovery codes">
            {codes.map((c) => (
              <li key={c}>{c}</li>
            ))}
          </ul>
        </div>
      )}
      {state.data.on ? (
        <form onSubmit={turnOff}>
          <p className="mb-2">
            It is on, with {counted(state.data.recoveryCodesLeft, 'recovery code')} left.{' '}
            {state.data.recoveryCodesLeft < 3 && (
              <span className="wait">Turn it off and on again to get new ones.</span>
            )}
          </p>
          <div className="row-form">
            <TextField
              label="Password, to turn it off"
              type="password"
              autoComplete="current-password"
              value={current}
              onChange={setCurrent}
              required
            />
            <button type="submit" className="btn kill" disabled={busy}>
              Turn off
            </button>
          </div>
        </form>
      ) : secret ? (
        <form onSubmit={turnOn}>
          <div className="flex gap-6 items-start">
            <svg
              className="qr"
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
                label="The six digits that it shows"
                inputMode="numeric"
                autoComplete="one-time-code"
                value={code}
                onChange={setCode}
                required
              />
              <div className="flex gap-2">
                <button type="submit" className="btn go" disabled={busy}>
                  Turn on
                </button>
                <button type="button" className="btn" onClick={() => setSecret(undefined)}>
                  Leave it
                </button>
              </div>
            </div>
          </div>
        </form>
      ) : (
        <button
          type="button"
          className="btn"
          onClick={() => act(() => data(api.POST('/api/session/second-factor/secret')), setSecret)}
        >
          Set up a second factor
        </button>
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
  const [name, setName] = useState('')
  const { act, error, busy } = useAct()
  function begin(event: FormEvent) {
    event.preventDefault()
    act(
      () => api.POST('/api/session/households', { body: { name, timeZone: zoneHere } }),
      () => {
        queryClient.clear()
        window.location.assign('/setup')
      },
    )
  }
  return (
    <>
      <table className="tb" aria-label="Your households">
        <tbody>
          {mine.data?.map((h) => (
            <tr key={h.id}>
              <td>{h.name}</td>
              <td className="q w-[120px]">{h.role.toLowerCase()}</td>
              <td className="n w-[150px]">
                {h.id === current ? (
                  <span className="q s">you are here</span>
                ) : (
                  <button type="button" className="link" onClick={() => act(() => enter(h.id))}>
                    go there<span className="vh">, to {h.name}</span>
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <form className="row-form mt-3" onSubmit={begin}>
        <TextField label="Begin another household, called" value={name} onChange={setName} required />
        <button type="submit" className="btn" disabled={busy}>
          Begin it
        </button>
      </form>
      <ProblemNote error={error} />
    </>
  )
}
