import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data, type Schemas } from '@/api/client'
import { session } from '@/api/queries'
import { useSays } from '@/app/says'
import { Button } from '@/parts/Button'
import { moment } from '@/parts/figures'
import { Beside, Row } from '@/parts/form/Foot'
import { Form, useOwnForm } from '@/parts/form/Form'
import { SelectField, TextField } from '@/parts/form/fields'
import { ProblemNote } from '@/parts/form/ProblemNote'
import { ruled, textLink } from '@/parts/look'
import { Select } from '@/parts/Select'
import { Failed, Loading } from '@/parts/States'
import { useAct } from '@/parts/useAct'
import { Page, Part } from './Page'
import { ShownOnce } from './ShownOnce'

type Role = Schemas['PersonJson']['role']
type Link = Schemas['LinkJson']

export const ROLES: { value: Role; name: string; may: string }[] = [
  { value: 'OWNER', name: 'owner', may: 'everything, people and roles among it' },
  { value: 'BOOKKEEPER', name: 'bookkeeper', may: 'keeps the books' },
  { value: 'READER', name: 'reader', may: 'sees everything, changes nothing' },
]

/** Who belongs to the household, as what, and how others join. */
export function People() {
  const people = useQuery({ queryKey: ['people'], queryFn: () => data(api.GET('/api/people')) })
  const me = useQuery(session)
  const { act, error } = useAct()
  const says = useSays()
  const [link, setLink] = useState<{ for: string; link: Link }>()
  if (people.error && !people.data) return <Failed error={people.error} retry={people.refetch} />
  if (!people.data || !me.data) return <Loading what="the people" />
  const owner = me.data.role === 'OWNER'

  return (
    <Page title="People" about={`who belongs to ${me.data.householdName}`}>
      <Part
        title="In this household"
        about={ROLES.map((r) => (
          <span key={r.value} className="block">
            <b>{r.name}</b>: {r.may}
          </span>
        ))}
      >
        <table className={ruled({ edges: 'none' })} aria-label="People">
          <tbody>
            {people.data.people.map((p) => (
              <PersonRow
                key={p.id}
                person={p}
                mine={p.id === me.data?.personId}
                owner={owner}
                act={(work, said) => act(work, () => says.note(said))}
                newPassword={() =>
                  act(
                    () => data(api.POST('/api/people/{id}/new-password-link', { params: { path: { id: p.id } } })),
                    (made) => setLink({ for: `${p.name} sets a new password`, link: made }),
                  )
                }
              />
            ))}
          </tbody>
        </table>
        <ProblemNote error={error} />
        {link && <LinkOnce of={link} />}
      </Part>
      {owner && <Invite invitations={people.data.invitations} />}
    </Page>
  )
}

function PersonRow({
  person,
  mine,
  owner,
  act,
  newPassword,
}: {
  person: Schemas['PersonJson']
  mine: boolean
  owner: boolean
  act: (work: () => Promise<unknown>, said: string) => void
  newPassword: () => void
}) {
  const at = { path: { id: person.id } }
  const [sure, setSure] = useState(false)
  return (
    <tr>
      <td>
        {person.name} {mine && <span className="text-ink-3 text-small">you</span>}
        <span className="text-ink-2 text-small block">{person.email}</span>
      </td>
      <td className="w-[150px]">
        {owner && !mine ? (
          <Select
            line
            aria-label={`Role of ${person.name}`}
            value={person.role}
            options={ROLES}
            onChange={(role) =>
              act(
                () => api.PUT('/api/people/{id}/role', { params: at, body: { role } }),
                `${person.name} has another role now, and signs in again.`,
              )
            }
          />
        ) : (
          ROLES.find((r) => r.value === person.role)?.name
        )}
      </td>
      <td className="text-ink-2 text-small w-[130px]">{person.secondFactor ? 'second factor on' : 'password only'}</td>
      <td className="text-right text-small">
        {owner && !mine && (
          <span className="inline-flex gap-4">
            <button type="button" className={textLink()} onClick={newPassword}>
              new password<span className="sr-only"> for {person.name}</span>
            </button>
            <button
              type="button"
              className={textLink()}
              onClick={() =>
                act(
                  () => api.POST('/api/people/{id}/sign-out', { params: at }),
                  `${person.name} is signed out everywhere.`,
                )
              }
            >
              sign out<span className="sr-only"> {person.name}</span>
            </button>
            <button
              type="button"
              className={textLink({ tone: 'kill' })}
              onClick={() =>
                sure
                  ? act(() => api.DELETE('/api/people/{id}', { params: at }), `${person.name} is out of the household.`)
                  : setSure(true)
              }
            >
              {sure ? 'really remove' : 'remove'}
              <span className="sr-only"> {person.name}</span>
            </button>
          </span>
        )}
      </td>
    </tr>
  )
}

function LinkOnce({ of }: { of: { for: string; link: Link } }) {
  return (
    <ShownOnce name="Link" text={window.location.origin + of.link.path}>
      With this link {of.for}. It works once, until {moment(of.link.expiresAt)}, and is shown only now.
    </ShownOnce>
  )
}

function Invite({ invitations }: { invitations: Schemas['InvitationJson'][] }) {
  const of = useOwnForm({ name: '', email: '', role: 'BOOKKEEPER' as Role }, 'an invitation')
  const [link, setLink] = useState<{ for: string; link: Link }>()
  const { act, error } = useAct()
  return (
    <Part title="Invite somebody" about="They get a link from you, choose a password, and are in. It holds for a week.">
      <Form
        of={of}
        label="Invite somebody"
        send={async (body) => {
          const made = await data(api.POST('/api/people/invitations', { body }))
          setLink({ for: `${body.name} joins`, link: made })
        }}
        done={of.again}
      >
        <Row>
          <TextField name="name" label="Name" needed="Type their name." />
          <TextField name="email" label="Email" type="email" needed="Type their email." />
          <SelectField name="role" label="Role" className="w-[130px]" options={ROLES} />
          <Beside>
            <Button type="submit" tone="go">
              Make a link
            </Button>
          </Beside>
        </Row>
      </Form>
      <ProblemNote error={error} />
      {link && <LinkOnce of={link} />}
      {invitations.length > 0 && (
        <table className={ruled({ edges: 'none', className: 'mt-3' })} aria-label="Open invitations">
          <tbody>
            {invitations.map((i) => (
              <tr key={i.id}>
                <td>
                  {i.name} <span className="text-ink-2 text-small">{i.email}</span>
                </td>
                <td className="w-[110px]">{ROLES.find((r) => r.value === i.role)?.name}</td>
                <td className="text-ink-2 text-small w-[170px]">until {moment(i.expiresAt)}</td>
                <td className="text-right text-small">
                  <button
                    type="button"
                    className={textLink({ tone: 'kill' })}
                    onClick={() =>
                      act(() => api.DELETE('/api/people/invitations/{id}', { params: { path: { id: i.id } } }))
                    }
                  >
                    take back<span className="sr-only"> the invitation of {i.name}</span>
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </Part>
  )
}
