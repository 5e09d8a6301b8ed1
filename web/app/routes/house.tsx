import { data, useFetcher } from 'react-router'
import { object, string } from 'yup'
import { PaperPage } from '../people/PaperPage'
import { formOf, textsOf } from '../server/form.server'
import { accountLines, MOST_ACCOUNTS, setRole } from '../server/people/accounts.server'
import { outboxLetters } from '../server/people/mail.server'
import { answerForm, needAdministrator } from '../server/people/page.server'
import { ROLES, type Role } from '../server/people/person'
import { Pick } from '../widgets/Pick'
import { When } from '../widgets/When'
import type { Route } from './+types/house'

export const meta: Route.MetaFunction = () => [{ title: 'People and letters · Viga' }]

const roleForm = object({ id: string().uuid().required(), role: string<Role>().oneOf(ROLES).required() })

export async function loader({ context }: Route.LoaderArgs) {
  needAdministrator(context.access)
  const people = (await accountLines()).map(({ id, email, name, role, problems }) => ({
    id,
    email,
    name,
    role,
    problems,
  }))
  return {
    people: people.slice(0, MOST_ACCOUNTS),
    more: people.length > MOST_ACCOUNTS,
    roles: ROLES,
    letters: process.env.SMTP_URL ? null : await outboxLetters(),
  }
}

export async function action({ request, context }: Route.ActionArgs) {
  needAdministrator(context.access)
  const { answer, status } = await answerForm(roleForm, textsOf(await formOf(request)), ({ id, role }) =>
    setRole(id, role),
  )
  return data(answer, { status })
}

/** For the administrator: who has an account, with what role, and the letters that no mail server took. */
export default function House({ loaderData: { people, more, roles, letters } }: Route.ComponentProps) {
  const fetcher = useFetcher<typeof action>()
  const refused = fetcher.data && !fetcher.data.ok ? Object.values(fetcher.data.faults)[0] : undefined
  return (
    <PaperPage
      title="People and letters"
      lead={
        'An author has a shelf; a reader reads what is shared; ' +
        'an administrator changes the examples of the house, too.'
      }
    >
      <h2>People</h2>
      {refused && (
        <p className="pencil" role="alert">
          {refused}
        </p>
      )}
      <ul className="paper-list">
        {people.map(({ id, email, name, role, problems }) => (
          <li key={id}>
            <span>
              {name || email} {name && <span className="quiet">{email}</span>}
            </span>
            <span className="quiet">
              {problems} {problems === 1 ? 'problem' : 'problems'}
            </span>
            <Pick
              aria-label={`Role of ${email}`}
              value={role}
              onChange={(e) => void fetcher.submit({ id, role: e.target.value }, { method: 'post' })}
            >
              {roles.map((r) => (
                <option key={r}>{r}</option>
              ))}
            </Pick>
          </li>
        ))}
      </ul>
      {more && <p>Only the first {people.length} accounts are listed.</p>}
      <h2>Letters</h2>
      {letters === null ? (
        <p>Letters are sent by the mail server that SMTP_URL names.</p>
      ) : letters.length === 0 ? (
        <p>No mail server is set, so that letters would lie here. There is none yet.</p>
      ) : (
        <ul className="paper-list">
          {letters.map((letter) => (
            <li key={letter.at + letter.to}>
              <div>
                <b>{letter.subject}</b>, to {letter.to}
                <pre>{letter.text}</pre>
              </div>
              <When at={letter.at} />
            </li>
          ))}
        </ul>
      )}
    </PaperPage>
  )
}
