import Popover from '@mui/material/Popover'
import { setSigns, type Signs } from '@viga/core'
import { useEdit, useSheet } from '../sheet/context'
import { Choice } from '../widgets/Choice'
import { useSigns } from './solved'

/** The conventions of drawings and tables; that of hand values at members' ends is chosen in the Check. */
type Drawn = Omit<Signs, 'ends'>

/** The choices of each convention in words, its own first. */
const CHOICES: { [K in keyof Drawn]: { name: string; of: Record<Signs[K], string>; truss: boolean } } = {
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

/** The choice of sign conventions, beside what opened it; closed while there is no anchor. */
export default function SignsChoice({
  anchor,
  onClose,
}: {
  anchor: HTMLElement | null
  onClose: () => void
}) {
  return (
    <Popover
      open={anchor !== null}
      anchorEl={anchor}
      onClose={onClose}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
      transformOrigin={{ vertical: 'top', horizontal: 'right' }}
      slotProps={{ paper: { role: 'dialog', 'aria-label': 'Sign conventions' } }}
    >
      <SignsForm />
    </Popover>
  )
}

function SignsForm() {
  const truss = useSheet((s) => s.problem.kind === 'truss')
  const signs = useSigns()
  const apply = useEdit()
  const choose = (change: Partial<Signs>) => apply('sign convention', (p) => setSigns(p, change))
  return (
    <div className="signs-form">
      {(Object.keys(CHOICES) as (keyof Drawn)[])
        .filter((key) => !truss || CHOICES[key].truss)
        .map((key) => (
          <fieldset key={key}>
            <legend>{CHOICES[key].name}</legend>
            <Choice
              label={CHOICES[key].name}
              options={Object.entries(CHOICES[key].of)}
              value={signs[key]}
              onChange={(value) => choose({ [key]: value })}
            />
          </fieldset>
        ))}
      <p className="quiet">Kept with this problem, and named wherever a number stands.</p>
    </div>
  )
}
