import { useEffect } from 'react'
import { Link, useLocation } from 'react-router'
import { useStore } from 'zustand'
import { PARTS, useSheetStore } from '../sheet/context'
import { Press } from '../widgets/Press'
import { firstNotes, offerNotes, putNotesAway } from './first-notes'

/** What each part is for, in the order of the parts. */
const NOTES = [
  'Everything that is stated stands in these tables and on the Figure. Press a joint, a member or a load ' +
    'on the Figure to change it there, or type in a row: the results follow each edit.',
  'Here is the solution, step by step: by the stiffness method, or by another one that is chosen above. ' +
    'Press any number to see what it is made of.',
  'Reactions, internal forces and displacements. Choose a row, and the Figure shows what it belongs to; ' +
    'N, V, M and Deflected change what is drawn.',
  'Type a value of your own solution. Viga says whether it agrees, and where it does not, what may have ' +
    'gone wrong.',
]

/** Four short notes, one a part, for somebody who opens a problem for the first time. */
export function FirstNotes() {
  const store = useSheetStore()
  const shown = useStore(firstNotes, (s) => s.shown)
  const { pathname } = useLocation()
  const base = pathname.split('/').slice(0, 3).join('/')
  const at = PARTS.findIndex((p) => p.key === pathname.split('/')[3])
  useEffect(() => offerNotes(store.getState().problem.members.length > 0), [store])
  if (!shown || at < 0) return null
  const next = PARTS[at + 1]
  return (
    <aside className="first-note" aria-label={`Note ${at + 1} of ${PARTS.length}: ${PARTS[at].label}`}>
      <p>
        <b>{PARTS[at].label}.</b> {NOTES[at]}
      </p>
      <p className="first-note-ways">
        <span className="quiet">
          {at + 1} of {PARTS.length}
        </span>
        {next && (
          <Link className="textlink" to={`${base}/${next.key}`}>
            Next: {next.label}
          </Link>
        )}
        <Press className="textlink" onClick={putNotesAway}>
          {next ? 'No more notes' : 'Done'}
        </Press>
      </p>
    </aside>
  )
}
