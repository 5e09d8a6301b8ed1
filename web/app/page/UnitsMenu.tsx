import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import { edit, setUnits } from '@viga/core'
import { useState } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'

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

/** Units results may be shown in, whatever the problem is stated in. */
const SHOWN: Record<string, { label: string; units: readonly string[] }> = {
  displacement: { label: 'displacements', units: ['mm', 'cm', 'm', 'in', 'ft'] },
  force: { label: 'forces', units: ['N', 'kN', 'MN', 'lbf', 'kip', 'kgf', 'tonf'] },
  moment: {
    label: 'moments',
    units: ['N*m', 'kN*m', 'kN*cm', 'lbf*ft', 'kip*ft', 'kip*in', 'kgf*m', 'tonf*m'],
  },
}

/**
 * The problem's units. Numbers typed without a unit either keep their size or are read anew: the person says
 * which.
 */
export function UnitsMenu() {
  const store = useSheetStore()
  const units = useSheet((s) => s.problem.units)
  const empty = useSheet((s) => s.problem.nodes.length === 0)
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const [keep, setKeep] = useState(true)
  const choose = (force: string, length: string) => {
    store.getState().edit(`units ${force}, ${length}`, (p) => setUnits(p, length, force, keep && !empty))
    setAnchor(null)
  }
  return (
    <>
      <button
        type="button"
        className="units"
        aria-haspopup="menu"
        aria-label={`Units: ${units.force}, ${units.length}`}
        onClick={(e) => setAnchor(e.currentTarget)}
      >
        {units.force}, {units.length}
        <svg width="8" height="6" viewBox="0 0 8 6" fill="none" stroke="currentColor" aria-hidden="true">
          <path d="M1 1.5L4 4.5L7 1.5" />
        </svg>
      </button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {CHOICES.map(([force, length]) => (
          <MenuItem
            key={force + length}
            selected={units.force === force && units.length === length}
            onClick={() => choose(force, length)}
          >
            {force}, {length}
          </MenuItem>
        ))}
        <li role="separator" style={{ borderTop: '1px solid var(--hair)', margin: '4px 0' }} />
        <li role="none" className="shown-in">
          {Object.entries(SHOWN).map(([kind, { label, units: names }]) => (
            <label key={kind}>
              {label} in
              <select
                className="cell-select"
                aria-label={`${label} shown in`}
                value={units.display?.[kind] ?? ''}
                onKeyDown={(e) => e.stopPropagation()}
                onChange={(e) =>
                  store
                    .getState()
                    .edit(`${label} in ${e.target.value || 'the usual unit'}`, (p) =>
                      edit.setDisplay(p, kind, e.target.value || undefined),
                    )
                }
              >
                <option value="">the usual unit</option>
                {names.map((n) => (
                  <option key={n} value={n}>
                    {n.replace('*', '·')}
                  </option>
                ))}
              </select>
            </label>
          ))}
        </li>
        {!empty && [
          <li key="rule" role="separator" style={{ borderTop: '1px solid var(--hair)', margin: '4px 0' }} />,
          <MenuItem
            key="keep"
            selected={keep}
            role="menuitemradio"
            aria-checked={keep}
            onClick={() => setKeep(true)}
          >
            plain numbers keep their size: 3 becomes “3 {units.length}”
          </MenuItem>,
          <MenuItem
            key="read"
            selected={!keep}
            role="menuitemradio"
            aria-checked={!keep}
            onClick={() => setKeep(false)}
          >
            plain numbers are read in the new unit
          </MenuItem>,
        ]}
      </Menu>
    </>
  )
}
