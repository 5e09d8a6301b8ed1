import Popover from '@mui/material/Popover'
import { setSigns, type Signs } from '@viga/core'
import { useState } from 'react'
import { useSheet, useEdit } from '../sheet/context'
import { OneOf } from '../widgets/Tick'
import { Press } from '../widgets/Press'
import { useSigns } from './solved'

/** The choices of each convention in words, its own first. */
const CHOICES: { [K in keyof Signs]: { name: string; of: Record<Signs[K], string>; truss: boolean } } = {
  momentSide: {
    name: 'Moments are drawn',
    of: { tension: 'on the side in tension', compression: 'on the side in compression' },
    truss: false,
  },
  moment: {
    name: 'A moment is positive',
    of: { sagging: 'sagging, from start to end', hogging: 'hogging, from start to end' },
    truss: false,
  },
  axial: {
    name: 'An axial force is positive',
    of: { tension: 'in tension', compression: 'in compression' },
    truss: true,
  },
  shear: {
    name: 'A shear is positive',
    of: { 'left-up': 'up on the left part', 'left-down': 'down on the left part' },
    truss: false,
  },
}

/** The sign conventions in one sentence, and the way to others. */
export function SignsLine() {
  const truss = useSheet((s) => s.problem.kind === 'truss')
  const signs = useSigns()
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const { momentSide, moment, axial } = signs
  const positive =
    axial === 'tension' ? '+ tension (T), − compression (C)' : '+ compression (C), − tension (T)'
  const up = signs.shear === 'left-up' ? 'up' : 'down'
  return (
    <p className="prose signs">
      {truss ? (
        <>
          <i>N</i> {positive}. Reactions + right and up.{' '}
        </>
      ) : (
        <>
          Moments are drawn on the {momentSide} side, + {moment} from start to end. <i>N</i> + {axial},{' '}
          <i>V</i> + {up} on the left part, reactions + right, up and counter-clockwise.{' '}
        </>
      )}
      <Press className="textlink" aria-haspopup="dialog" onClick={(e) => setAnchor(e.currentTarget)}>
        Other signs
      </Press>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
        transformOrigin={{ vertical: 'top', horizontal: 'right' }}
        slotProps={{ paper: { role: 'dialog', 'aria-label': 'Sign conventions' } }}
      >
        <SignsForm signs={signs} truss={truss} />
      </Popover>
    </p>
  )
}

function SignsForm({ signs, truss }: { signs: Signs; truss: boolean }) {
  const apply = useEdit()
  const choose = (change: Partial<Signs>) => apply('sign convention', (p) => setSigns(p, change))
  return (
    <div className="signs-form">
      {(Object.keys(CHOICES) as (keyof Signs)[])
        .filter((key) => !truss || CHOICES[key].truss)
        .map((key) => (
          <fieldset key={key}>
            <legend>{CHOICES[key].name}</legend>
            {Object.entries(CHOICES[key].of).map(([value, words]) => (
              <label key={value}>
                <OneOf name={key} checked={signs[key] === value} onChange={() => choose({ [key]: value })} />
                {` ${words}`}
              </label>
            ))}
          </fieldset>
        ))}
      <p className="quiet">Kept with this problem, and named wherever a number stands.</p>
    </div>
  )
}
