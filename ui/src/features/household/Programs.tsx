import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { session } from '@/api/queries'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { longDay, moment, writtenDay } from '@/parts/figures'
import { Beside, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { DateField, SelectField, TextField } from '@/parts/form/fields'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { ruled, textLink } from '@/parts/look'
import { useAct } from '@/parts/useAct'
import { Part } from './Page'
import { ShownOnce } from './ShownOnce'

type Token = Schemas['TokenJson']
type Scope = Token['scope']

const SCOPES: { value: Scope; name: string }[] = [
  { value: 'READ', name: 'reads everything' },
  { value: 'KEEP_BOOKS', name: 'keeps the books' },
]

/** Tokens by which programs ask on one's behalf: made, used last, taken back. */
export function Programs() {
  const { data: me } = useQuery(session)
  const tokens = useQuery({ queryKey: ['tokens'], queryFn: () => data(api.GET('/api/session/tokens')) })
  const of = useOwnForm({ name: '', scope: 'READ' as Scope, lastDay: '' }, 'a token')
  const [made, setMade] = useState<{ name: string; token: string; lastDay: string }>()
  return (
    <Part
      title="Programs"
      about={
        <>
          A program of yours, or a spreadsheet, asks with a token in place of a password.{' '}
          <Link className={textLink()} to="/api-document">
            What it can ask
          </Link>
        </>
      }
    >
      <Form
        own
        of={of}
        label="A token for a program"
        send={async (body) => {
          const { token } = await data(api.POST('/api/session/tokens', { body }))
          setMade({ ...body, token })
        }}
        done={of.again}
      >
        <Row>
          <TextField name="name" label="What it is for" needed="Type what the token is for." />
          <SelectField
            name="scope"
            label="It"
            className="w-[170px]"
            options={me?.role === 'READER' ? SCOPES.slice(0, 1) : SCOPES}
          />
          <DateField name="lastDay" label="Works until" className="w-[150px]" needed="Type the last day." />
          <Beside>
            <Button type="submit" tone="go">
              Make a token
            </Button>
          </Beside>
        </Row>
      </Form>
      {made && (
        <ShownOnce name="Token" text={made.token}>
          With this token {made.name} asks, until {longDay(made.lastDay)}. It is shown only now.
        </ShownOnce>
      )}
      {tokens.data && tokens.data.length > 0 && <Made tokens={tokens.data} />}
    </Part>
  )
}

function Made({ tokens }: { tokens: Token[] }) {
  const { act, error } = useAct()
  const says = useSays()
  return (
    <>
      <table className={ruled({ edges: 'none', className: 'mt-3' })} aria-label="Tokens of programs">
        <tbody>
          {tokens.map((token) => (
            <tr key={token.id}>
              <td>
                {token.name} <span className="text-ink-2 text-small">of {token.person}</span>
              </td>
              <td className="w-[125px]">{SCOPES.find((s) => s.value === token.scope)?.name}</td>
              <td className="text-ink-2 text-small w-[120px]">until {writtenDay(token.lastDay)}</td>
              <td className="text-ink-2 text-small w-[150px]">
                {token.lastUsedAt ? `used ${moment(token.lastUsedAt)}` : 'never used'}
              </td>
              <td className="text-right text-small w-[80px]">
                <button
                  type="button"
                  className={textLink({ tone: 'kill' })}
                  onClick={() =>
                    act(
                      () => api.DELETE('/api/session/tokens/{id}', { params: { path: { id: token.id } } }),
                      () => says.note(`The token ${token.name} opens nothing any more.`),
                    )
                  }
                >
                  take back<span className="sr-only"> the token {token.name}</span>
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <ProblemNote error={error} />
    </>
  )
}
