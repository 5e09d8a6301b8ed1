import { useState } from 'react'
import { Press } from '../widgets/Press'
import { useSheet, useSheetStore } from '../sheet/context'

/** Why the newest edits are in this browser alone. */
export function Unsent() {
  const message = useSheet((s) => (s.save.kind === 'offline' ? s.save.message : null))
  return message === null ? null : <p className="conflict quiet">{message}</p>
}

/**
 * The problem was taken off the Shelf while it is open here: it can be put back with all that was typed
 * since.
 */
export function Gone() {
  const store = useSheetStore()
  const gone = useSheet((s) => s.save.kind === 'gone')
  const [said, say] = useState<string | null>(null)
  if (!gone) return null
  const putBack = async () => {
    const body = new FormData()
    body.set('intent', 'restore')
    body.set('id', store.getState().id)
    const response = await fetch('/?index', { method: 'POST', body }).catch(() => undefined)
    if (response?.ok) store.setState({ save: { kind: 'unsaved' } })
    else
      say(
        'It could not be put back: it may be another person’s, or Viga cannot be reached. Try again, or ' +
          'save it as a file.',
      )
  }
  return (
    <div className="conflict" role="alert">
      <p>
        <b>This problem was deleted from the Shelf.</b> What you have here stays in this browser.
        {said !== null && ` ${said}`}
      </p>
      <div className="conflict-choices">
        <Press onClick={() => void putBack()}>Put it back</Press>
      </div>
    </div>
  )
}
