import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import { edit, plainNumbers, setUnits } from '@viga/core'
import { useState } from 'react'
import { useSheet, useSheetStore, useEdit } from '../sheet/context'
import { Pick } from '../widgets/Pick'

const CHOICES = [
  ['kN', 'm'],
  ['N', 'mm'],
  ['N', 'm'],
  ['kN', 'mm'],
  ['kip', 'ft'],
  ['kip', 'in'],
  ['lbf', 'ft'],
  ['lbf', 'in'],
  ['kgf', 'm'],
  ['tonf', 'm'],
] as const

type Units = readonly [force: string, length: string]

/** Units results may be shown in, whatever the problem is stated in. */
const SHOWN: Record<string, { label: string; units: readonly string[] }> = {
  displacement: { label: 'Displacements', units: ['mm', 'cm', 'm', 'in', 'ft'] },
  force: { label: 'Forces', units: ['N', 'kN', 'MN', 'lbf', 'kip', 'kgf', 'tonf'] },
  moment: {
    label: 'Moments',
    units: ['N*m', 'kN*m', 'kN*cm', 'lbf*ft', 'kip*ft', 'kip*in', 'kgf*m', 'tonf*m'],
  },
}

const dotted = (unit: string) => unit.replace('*', '·')

/** The list of units, what becomes of plain numbers, and the units that results are shown in. */
export default function UnitsChoice({
  anchor,
  onClose,
}: {
  anchor: HTMLElement | null
  onClose: () => void
}) {
  const store = useSheetStore()
  const apply = useEdit()
  const units = useSheet((s) => s.problem.units)
  const [asked, ask] = useState<Units | null>(null)
  const choose = ([force, length]: Units) => {
    onClose()
    if (units.force === force && units.length === length) return
    if (plainNumbers(store.getState().problem) > 0) ask([force, length])
    else change([force, length], true)
  }
  const change = ([force, length]: Units, convert: boolean) => {
    const { problem } = store.getState()
    ask(null)
    const error = apply(`units ${force}, ${length}`, (p) => setUnits(p, length, force, convert))
    if (!error) store.setState({ said: whatWasDone(plainNumbers(problem), units, [force, length], convert) })
  }
  return (
    <>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={onClose}>
        {CHOICES.map(([force, length]) => (
          <MenuItem
            key={force + length}
            selected={units.force === force && units.length === length}
            onClick={() => choose([force, length])}
          >
            {force}, {length}
          </MenuItem>
        ))}
        <MenuItem
          divider={false}
          sx={{ borderTop: '1px solid var(--hair)', mt: 0.5, pt: 1 }}
          onClick={() => {
            onClose()
            store.setState({ showing: true })
          }}
        >
          Results shown in other units …
        </MenuItem>
      </Menu>
      {asked && (
        <AskUnits to={asked} from={[units.force, units.length]} onChoose={change} onClose={() => ask(null)} />
      )}
      <ShownUnits />
    </>
  )
}

/** What the change of units did, in one sentence. */
const whatWasDone = (plain: number, from: { force: string; length: string }, to: Units, convert: boolean) => {
  const count = plain === 1 ? 'One plain number' : `${plain} plain numbers`
  const now = `The units are now ${to[0]}, ${to[1]}.`
  if (plain === 0) return now
  return convert
    ? `${now} ${count} now say ${from.force}, ${from.length}: everything keeps its size.`
    : `${now} ${count} ${plain === 1 ? 'is' : 'are'} read in them: what was 3 ${from.length} is 3 ${to[1]}.`
}

/** Asks what becomes of the numbers that were typed without a unit. */
function AskUnits({
  from,
  to,
  onChoose,
  onClose,
}: {
  from: Units
  to: Units
  onChoose: (to: Units, convert: boolean) => void
  onClose: () => void
}) {
  const count = useSheet((s) => plainNumbers(s.problem))
  const example = useSheet((s) =>
    s.problem.nodes.map((n) => n.x).find((x) => typeof x === 'number' && x !== 0),
  )
  const x = String(example ?? 3)
  return (
    <Dialog open onClose={onClose} maxWidth="xs" aria-labelledby="ask-units">
      <DialogTitle id="ask-units">
        From {from[0]}, {from[1]} to {to[0]}, {to[1]}
      </DialogTitle>
      <DialogContent>
        <p className="prose">
          {count === 1 ? 'One number of this problem has' : `${count} numbers of this problem have`} no unit
          written. What becomes of {count === 1 ? 'it' : 'them'}?
        </p>
      </DialogContent>
      <DialogActions className="ask-choices">
        <Button autoFocus variant="choice" onClick={() => onChoose(to, true)}>
          <b>Convert</b>
          <span>
            The structure keeps its size: {x} is written {x} {from[1]}, with its value in {to[1]} beside it.
          </span>
        </Button>
        <Button variant="choice" onClick={() => onChoose(to, false)}>
          <b>Read the same numbers anew</b>
          <span>
            {x} {from[1]} becomes {x} {to[1]}: another structure.
          </span>
        </Button>
        <Button variant="quiet" onClick={onClose}>
          leave the units as they are
        </Button>
      </DialogActions>
    </Dialog>
  )
}

/** Units in which results are shown; no stated number changes. */
function ShownUnits() {
  const store = useSheetStore()
  const apply = useEdit()
  const open = useSheet((s) => s.showing)
  const display = useSheet((s) => s.problem.units.display)
  const close = () => store.setState({ showing: false })
  return (
    <Dialog open={open} onClose={close} maxWidth="xs" aria-labelledby="shown-units">
      <DialogTitle id="shown-units">Results shown in</DialogTitle>
      <DialogContent>
        {Object.entries(SHOWN).map(([kind, { label, units }]) => (
          <UnitChoice
            key={kind}
            label={label}
            units={units}
            value={display?.[kind] ?? ''}
            onChange={(unit) =>
              apply(`${label.toLowerCase()} in ${unit || 'the usual unit'}`, (p) =>
                edit.setDisplay(p, kind, unit || undefined),
              )
            }
          />
        ))}
      </DialogContent>
      <DialogActions>
        <Button variant="quiet" onClick={close}>
          done
        </Button>
      </DialogActions>
    </Dialog>
  )
}

function UnitChoice({
  label,
  units,
  value,
  onChange,
}: {
  label: string
  units: readonly string[]
  value: string
  onChange: (unit: string) => void
}) {
  return (
    <label className="shown-in">
      {label} in
      <Pick
        className="cell-select"
        aria-label={`${label} shown in`}
        value={value}
        onChange={(e) => onChange(e.target.value)}
      >
        <option value="">the usual unit</option>
        {units.map((n) => (
          <option key={n} value={n}>
            {dotted(n)}
          </option>
        ))}
      </Pick>
    </label>
  )
}
