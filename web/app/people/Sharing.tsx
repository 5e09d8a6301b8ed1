import { useState } from 'react'
import { Link, useFetcher } from 'react-router'
import Checkbox from '@mui/material/Checkbox'
import type { Sharing as Shared } from '../server/people/sharing.server'
import { Press } from '../widgets/Press'
import { EntryField, EntryForm } from './EntryForm'
import { shareForm } from './forms'
import { PaperPage } from './PaperPage'

/** With whom a problem is shared: by links, and with persons. */
export function Sharing({
  id,
  title,
  origin,
  links,
  people,
}: Shared & { id: string; title: string; origin: string }) {
  const fetcher = useFetcher()
  const send = (fields: Record<string, string>) => void fetcher.submit(fields, { method: 'post' })
  return (
    <PaperPage title="Sharing" lead={<Link to={`/problems/${id}/given`}>{title}</Link>}>
      <h2>By a link</h2>
      <p>Whoever has the link reads the problem, or gets a copy on their own Shelf. No account is needed.</p>
      <ul className="paper-list">
        {links.map((link) => (
          <li key={link.id}>
            <Address words={`${origin}/shared/${link.token}`} />
            <span className="quiet">{link.gives === 'read' ? 'to read' : 'for a copy'}</span>
            <Press className="textlink" onClick={() => send({ intent: 'end', id: link.id })}>
              End it
            </Press>
          </li>
        ))}
      </ul>
      <div className="entry-send">
        <Press className="entry-button" onClick={() => send({ intent: 'link-read' })}>
          A link to read
        </Press>
        <Press className="entry-button" onClick={() => send({ intent: 'link-copy' })}>
          A link for copies
        </Press>
      </div>
      <h2>With a person</h2>
      <EntryForm intent="person" schema={shareForm} send="Share">
        <EntryField label="E-mail address of the account" name="email" type="email" autoComplete="off" />
        <label className="entry-check">
          <Checkbox name="write" value="true" />
          may change it, too
        </label>
      </EntryForm>
      <ul className="paper-list">
        {people.map((p) => (
          <li key={p.id}>
            <span>{p.name || p.email || 'somebody without an account'}</span>
            <span className="quiet">
              {p.mayWrite ? 'reads and changes' : 'reads'}
              {p.byLink && ', by the link'}
            </span>
            <Press className="textlink" onClick={() => send({ intent: 'end', id: p.id })}>
              End it
            </Press>
          </li>
        ))}
      </ul>
    </PaperPage>
  )
}

function Address({ words }: { words: string }) {
  const [copied, setCopied] = useState(false)
  const copy = () =>
    navigator.clipboard?.writeText(words).then(
      () => setCopied(true),
      () => {},
    )
  return (
    <span>
      <code>{words}</code>{' '}
      <Press className="textlink" onClick={() => void copy()}>
        {copied ? 'Copied' : 'Copy'}
      </Press>
    </span>
  )
}
