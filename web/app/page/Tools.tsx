import { useEffect, useState } from 'react'
import { Press } from '../widgets/Press'
import { useSheet, useSheetStore } from '../sheet/context'
import { UnitsMenu } from './UnitsMenu'

/** What concerns the whole problem: its units, undo and redo, and whether it is kept. */
export function Tools() {
  const store = useSheetStore()
  const undoing = useSheet((s) => s.past[s.past.length - 1]?.name)
  const redoing = useSheet((s) => s.future[s.future.length - 1]?.name)
  return (
    <>
      <UnitsMenu />
      <span className="tool-pair">
        <Press
          disabled={!undoing}
          title={undoing ? `Undo: ${undoing}` : 'Nothing to undo'}
          aria-label="Undo"
          onClick={() => store.getState().undo()}
        >
          <svg
            width="16"
            height="14"
            viewBox="0 0 16 14"
            fill="none"
            stroke="currentColor"
            strokeWidth="1.2"
            aria-hidden="true"
          >
            <path d="M2 5h8a3.5 3.5 0 0 1 0 7H6" />
            <path d="M5 2L2 5l3 3" />
          </svg>
        </Press>
        <Press
          disabled={!redoing}
          title={redoing ? `Redo: ${redoing}` : 'Nothing to redo'}
          aria-label="Redo"
          onClick={() => store.getState().redo()}
        >
          <svg
            width="16"
            height="14"
            viewBox="0 0 16 14"
            fill="none"
            stroke="currentColor"
            strokeWidth="1.2"
            aria-hidden="true"
          >
            <path d="M14 5H6a3.5 3.5 0 0 0 0 7h4" />
            <path d="M11 2l3 3-3 3" />
          </svg>
        </Press>
      </span>
      <SaveWord />
    </>
  )
}

function SaveWord() {
  const save = useSheet((s) => s.save)
  const [mounted, setMounted] = useState(false)
  useEffect(() => setMounted(true), [])
  // the time of day is the reader's own, which the server does not know
  const time =
    save.kind === 'saved' && mounted
      ? new Date(save.at).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })
      : ''
  const draftKept = useSheet((s) => s.draftKept)
  const mayWrite = useSheet((s) => s.mayWrite)
  const words = {
    saved: mayWrite ? `saved ${time}` : 'your first change makes a copy of your own',
    unsaved: 'saving …',
    saving: 'saving …',
    // said when the disk has it, not before
    offline: draftKept ? 'kept in this browser' : 'not kept yet …',
    conflict: 'two versions',
    gone: 'deleted from the Shelf',
  }[save.kind]
  return (
    <span
      className={['offline', 'conflict', 'gone'].includes(save.kind) ? 'pencil' : 'quiet'}
      role="status"
      title={save.kind === 'offline' ? save.message : undefined}
    >
      {words}
    </span>
  )
}
