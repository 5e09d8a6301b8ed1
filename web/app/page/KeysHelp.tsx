import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import { useState } from 'react'
import { FIGURE_COMMANDS } from '../commands/figure'
import { PAGE_COMMANDS } from '../commands/page'
import { PROJECTOR_COMMANDS } from '../commands/projector'
import { SELECTION_COMMANDS } from '../commands/selection'
import { EntryHelp } from './EntryHelp'
import type { EntryWords, Example } from './entry-words'
import './keys-help.css'

const SHOWN: Record<string, string> = {
  ctrl: 'Ctrl',
  shift: 'Shift',
  alt: 'Alt',
  '-': '−',
  arrowright: '→',
  arrowleft: '←',
  arrowdown: '↓',
  arrowup: '↑',
}
const keyWords = (key: string): string[] => key.split('+').map((k) => SHOWN[k] ?? k)

/** Commands by heading; keys that do the same stand on one line. */
const GROUPS = [...PAGE_COMMANDS, ...SELECTION_COMMANDS, ...FIGURE_COMMANDS, ...PROJECTOR_COMMANDS].map(
  ({ title, commands }) => {
    const byName = new Map<string, string[]>()
    for (const { key, name } of commands as readonly { key: string; name: string }[])
      byName.set(name, [...(byName.get(name) ?? []), key])
    return { title, lines: [...byName] }
  },
)

/** The words of the entries in view, and the list of keys, made from the commands themselves. */
export function KeysHelp({
  open,
  onClose,
  entries = [],
  onInsert = () => {},
  onNotes = () => {},
}: {
  open: boolean
  onClose: () => void
  entries?: readonly EntryWords[]
  onInsert?: (entry: EntryWords, example: Example) => void
  /** Brings back the notes that walk through a first problem. */
  onNotes?: () => void
}) {
  // an example that was put into its entry keeps the focus there
  const [inserted, setInserted] = useState(false)
  if (open && inserted) setInserted(false)
  const insert = (entry: EntryWords, example: Example) => {
    onInsert(entry, example)
    setInserted(true)
  }
  return (
    <Dialog
      disableRestoreFocus={inserted}
      open={open}
      onClose={onClose}
      maxWidth="md"
      aria-labelledby="keys-title"
    >
      <div className="keys-help">
        <header>
          <h2 id="keys-title">Keys</h2>
          <Button color="inherit" aria-label="Close the list of keys" onClick={onClose}>
            esc
          </Button>
        </header>
        <EntryHelp entries={entries} onInsert={insert} />
        <p className="keys-notes">
          <Button color="inherit" variant="quiet" onClick={onNotes}>
            Show the four notes on the parts of a problem again
          </Button>
        </p>
        <KeyList />
      </div>
    </Dialog>
  )
}

/** The keys by heading, each with what it does. */
const KeyList = () => (
  <div className="keys-columns">
    {GROUPS.map(({ title, lines }) => (
      <section key={title} aria-label={title}>
        <h3>{title}</h3>
        <dl>
          {lines.map(([name, keys]) => (
            <div key={name}>
              <dt>
                {keys.map((key, i) => (
                  <span key={key}>
                    {i > 0 && ' or '}
                    {keyWords(key).map((k) => (
                      <kbd key={k}>{k}</kbd>
                    ))}
                  </span>
                ))}
              </dt>
              <dd>{name}</dd>
            </div>
          ))}
        </dl>
      </section>
    ))}
  </div>
)
