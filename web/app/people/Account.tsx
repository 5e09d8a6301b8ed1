import { useState } from 'react'
import { Link, useFetcher } from 'react-router'
import type { Person } from '../server/people/person'
import type { SessionLine } from '../server/people/sessions.server'
import { Press } from '../widgets/Press'
import { When } from '../widgets/When'
import { changeForm, deleteForm, nameForm } from './forms'
import { EntryField, EntryForm } from './EntryForm'
import { PaperPage } from './PaperPage'

interface Props {
  person: Person
  session: string | null
  sessions: SessionLine[]
}

/**
 * A person's account: the name, the password, where one is signed in, all that is kept, and the end of it.
 */
export function Account({ person, session, sessions }: Props) {
  const fetcher = useFetcher()
  const send = (fields: Record<string, string>) => void fetcher.submit(fields, { method: 'post' })
  return (
    <PaperPage title="Your account" lead={[person.email, ROLE_WORDS[person.role]].filter(Boolean).join(', ')}>
      <p>
        <Press className="entry-button" onClick={() => send({ intent: 'sign-out' })}>
          Sign out
        </Press>
      </p>
      {person.role === 'administrator' && (
        <p>
          <Link to="/house" className="textlink">
            People and letters of this Viga
          </Link>
        </p>
      )}
      <h2>Name</h2>
      <EntryForm intent="name" schema={nameForm} send="Keep">
        <EntryField
          label="Your name, as others see it"
          name="name"
          defaultValue={person.name}
          autoComplete="name"
        />
      </EntryForm>
      <h2>Password</h2>
      <EntryForm intent="password" schema={changeForm} send="Change it">
        <EntryField label="Current password" name="old" type="password" autoComplete="current-password" />
        <EntryField label="New password" name="password" type="password" autoComplete="new-password" />
      </EntryForm>
      <h2>Where you are signed in</h2>
      <Sessions all={sessions} here={session} send={send} />
      <h2>Your data</h2>
      <p>
        Your problems, those that are shared with you, your name and address, as one file:{' '}
        <a href="/account/file" download className="textlink">
          Save it
        </a>
      </p>
      <h2>Delete account</h2>
      <Ending />
    </PaperPage>
  )
}

type Send = (fields: Record<string, string>) => void

/** The browsers one is signed in with; each other one may be ended from here. */
function Sessions({ all, here, send }: { all: SessionLine[]; here: string | null; send: Send }) {
  return (
    <>
      <ul className="paper-list">
        {all.map((s) => (
          <li key={s.id}>
            <span>
              {browserWords(s.browser)}
              {s.id === here && <b> (this browser)</b>}
            </span>
            <When at={s.seenAt} />
            {s.id !== here && (
              <Press className="textlink" onClick={() => send({ intent: 'end-session', id: s.id })}>
                Sign out there
              </Press>
            )}
          </li>
        ))}
      </ul>
      {all.length > 1 && (
        <p>
          <Press className="textlink" onClick={() => send({ intent: 'end-others' })}>
            Sign out everywhere else
          </Press>
        </p>
      )}
    </>
  )
}

/** Deleting the account: asked for first, then done with the password. */
function Ending() {
  const [ending, setEnding] = useState(false)
  if (!ending)
    return (
      <p>
        <Press className="textlink" onClick={() => setEnding(true)}>
          Delete the account …
        </Press>
      </p>
    )
  return (
    <EntryForm
      intent="delete"
      schema={deleteForm}
      send="Delete the account and all its problems"
      beside={
        <Press className="textlink" onClick={() => setEnding(false)}>
          Cancel
        </Press>
      }
    >
      <EntryField
        label="Your password"
        name="password"
        type="password"
        autoComplete="current-password"
        hint="Every problem on your Shelf ends with the account, at once, for all it is shared with, too."
      />
    </EntryForm>
  )
}

const ROLE_WORDS = {
  reader: 'reads problems',
  author: 'states problems',
  instructor: 'instructor',
  administrator: 'administrator of this Viga',
}

/** The browser and the system in the long name that a browser gives itself. */
export function browserWords(name: string): string {
  // a browser names those it is akin to as well: Edge says Chrome, and Chrome says Safari
  const browser = ['Firefox', 'Edg', 'Chrome', 'Safari'].find((b) => name.includes(`${b}/`))
  const system = /(Windows|Mac OS|Android|iPhone|iPad|Linux)/.exec(name)?.[1]
  return [browser === 'Edg' ? 'Edge' : browser, system].filter(Boolean).join(' on ') || 'another program'
}
