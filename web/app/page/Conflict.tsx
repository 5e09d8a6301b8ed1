import { useState } from 'react'
import { Press } from '../widgets/Press'
import { useSheet, useSheetStore } from '../sheet/context'
import { settle } from '../sheet/saving'

/** Two versions of one problem: both are here, the person chooses. */
export function Conflict() {
  const store = useSheetStore()
  const save = useSheet((s) => s.save)
  const [kept, setKept] = useState<string | null>(null)
  if (save.kind !== 'conflict') return kept ? <p className="conflict quiet">{kept}</p> : null
  const both = async () => {
    const { problem } = store.getState()
    const body = new FormData()
    body.set('intent', 'open')
    body.set('file', JSON.stringify({ ...problem, title: `${problem.title.slice(0, 270)} (my version)` }))
    const response = await fetch('/?index', { method: 'POST', body, redirect: 'manual' })
    if (response.type !== 'opaqueredirect' && !response.ok)
      return setKept('Your version could not be put on the Shelf; nothing was changed.')
    settle(store, 'newer')
    setKept('Your version stands on the Shelf as a problem of its own; this is the other one.')
  }
  const when = save.newer.changedAt
    ? new Date(save.newer.changedAt).toLocaleTimeString([], {
        hour: '2-digit',
        minute: '2-digit',
        hourCycle: 'h23',
      })
    : ''
  return (
    <div className="conflict" role="alert">
      <p>
        <b>This problem was changed elsewhere{when && ` at ${when}`}.</b> Your version is the one on this
        page; the other has {count(save.newer.problem.nodes.length, 'joint')},{' '}
        {count(save.newer.problem.members.length, 'member')}. Nothing is overwritten until you choose.
      </p>
      <div className="conflict-choices">
        <Press onClick={() => settle(store, 'mine')}>Keep mine</Press>
        <Press onClick={() => settle(store, 'newer')}>Take the other</Press>
        <Press onClick={() => void both()}>Keep both</Press>
      </div>
    </div>
  )
}

const count = (n: number, what: string) => `${n} ${what}${n === 1 ? '' : 's'}`
