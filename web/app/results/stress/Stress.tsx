import {
  edit,
  eulerLoad,
  extremes,
  courseOf,
  formatNumber,
  formatPlain,
  missingForStress,
  stressCheck,
  thing,
  type At,
  type StressCheck,
  type StructureMember,
} from '@viga/core'
import { evaluate } from '@viga/core/quantity/expression'
import { useMemo, useState } from 'react'
import { LitRow } from '../../fields/LitRow'
import { useDisplay, useSheet, useEdit } from '../../sheet/context'
import { Line } from '../../widgets/Line'
import { Pick } from '../../widgets/Pick'
import { useMemberIndex, type Solved } from '../solved'
import { WideBlock } from '../WideBlock'
import { StressLines } from './StressLines'

/** The unit of stress beside the problem's own units. */
export function stressUnit(length: string, stated?: string) {
  const unit = stated ?? (['in', 'ft'].includes(length) ? 'ksi' : 'MPa')
  try {
    return { unit, perSI: 1 / evaluate(unit).si }
  } catch {
    return { unit: 'MPa', perSI: 1e-6 }
  }
}

/** Tables of more members than this are cut: each member can be opened by itself. */
const MOST_ROWS = 400

/** Stresses, energy and utilisation of every member: a textbook check, each number with its formula. */
export default function Stress({ solution, action }: Solved) {
  const units = useSheet((s) => s.problem.units)
  const display = useDisplay()
  const { members } = solution.structure
  const [id, setId] = useState<string>()
  const [limit, setLimit] = useState(250)
  const index = useMemberIndex(solution, id)
  const stress = stressUnit(units.length, units.display?.stress)
  const checks = useMemo(
    () => members.slice(0, MOST_ROWS).map((_, i) => stressCheck(solution, action, i)),
    [solution, action, members],
  )
  const [K, setK] = useEffectiveLength(members[index]?.id)
  const energy = checks.reduce((sum, c) => sum + c.energy, 0)
  const m = members[index]
  if (!m) return <p className="prose">There is no member yet.</p>
  return (
    <>
      <p className="prose">
        A textbook check of elastic stresses, not a design to a code. Members with a utilisation above 1 are
        marked.
      </p>
      <WideBlock title="Members">
        <StressTable checks={checks} members={members} stress={stress} limit={limit} />
        <p className="quiet note">
          Strain energy of the whole: {formatNumber(energy * display.force.perSI * display.length.perSI)}{' '}
          {display.moment.unit}.
        </p>
        <Missing members={members} />
      </WideBlock>
      <div className="table-options">
        <label>
          <span className="quiet">Written out for</span>
          <Pick
            className="cell-select"
            aria-label="member checked"
            value={m.id}
            onChange={(e) => setId(e.target.value)}
          >
            {members.map((o) => (
              <option key={o.id}>{o.id}</option>
            ))}
          </Pick>
        </label>
        <NumberBox label="effective length K" value={K} onChange={setK} />
        <NumberBox label="deflection limit, span over" value={limit} onChange={setLimit} />
      </div>
      <StressLines
        m={m}
        check={stressCheck(solution, action, index)}
        range={extremes(courseOf(solution, action, index))}
        euler={m.EI > 0 ? eulerLoad(m, K) : bendingEuler(m, K)}
        K={K}
        limit={limit}
        display={display}
        stress={stress}
      />
    </>
  )
}

/** A sentence for each property that the members lack for a column of the table. */
const Missing = ({ members }: { members: readonly StructureMember[] }) =>
  missingForStress(members).map((sentence) => (
    <p key={sentence} className="quiet note">
      {sentence}
    </p>
  ))

/** Euler's load of a truss member, whose EI the analysis does not need. */
const bendingEuler = (m: StructureMember, K: number) =>
  m.I > 0 && m.E > 0 ? eulerLoad({ EI: m.E * m.I, length: m.length }, K) : NaN

/** K of a member as the problem keeps it, 1 where nobody stated another, and what changes it. */
function useEffectiveLength(id: string | undefined): [K: number, set: (K: number) => void] {
  const apply = useEdit()
  const all = useSheet((s) => s.problem.view?.effectiveLengths as Record<string, unknown> | undefined)
  const kept = all?.[id ?? '']
  const set = (K: number) => {
    if (id === undefined) return
    apply(`effective length of ${id}`, (p) => edit.setView(p, 'effectiveLengths', { ...all, [id]: K }))
  }
  return [typeof kept === 'number' && kept > 0 ? kept : 1, set]
}

/** A positive number to type; a text that is none changes nothing and says so. */
function NumberBox({
  label,
  value,
  onChange,
}: {
  label: string
  value: number
  onChange: (v: number) => void
}) {
  const [text, setText] = useState<string | null>(null)
  const wrong = text !== null && !(Number(text) > 0)
  return (
    <label>
      <span className="quiet">{label}</span>
      <Line
        className="cell-input"
        typing
        aria-label={label}
        aria-invalid={wrong}
        value={text ?? String(value)}
        onChange={(e) => {
          setText(e.target.value)
          if (Number(e.target.value) > 0) onChange(Number(e.target.value))
        }}
        onBlur={() => setText(null)}
      />
      {wrong && <span className="pencil">a number above 0</span>}
    </label>
  )
}

function StressTable({
  checks,
  members,
  stress,
  limit,
}: {
  checks: readonly StressCheck[]
  members: readonly StructureMember[]
  stress: { unit: string; perSI: number }
  limit: number
}) {
  const value = (a: At | undefined) => (a ? formatNumber(a.value * stress.perSI) : '–')
  return (
    <table className="t" aria-label="Stresses">
      <thead>
        <tr>
          <th>Member</th>
          <th className="n">N/A, {stress.unit}</th>
          <th className="n">top</th>
          <th className="n">bottom</th>
          <th className="n">largest</th>
          <th className="n">smallest</th>
          <th className="n">shear</th>
          <th className="n">utilisation</th>
          <th className="n">span/δ</th>
        </tr>
      </thead>
      <tbody>
        {checks.map((c, i) => {
          const ratio =
            Math.abs(c.deflection.value) * 1e9 > members[i].length
              ? members[i].length / Math.abs(c.deflection.value)
              : null
          return (
            <LitRow key={members[i].id} target={thing.member(members[i].id)} label={members[i].id}>
              <td className="n">{value(c.axial)}</td>
              <td className="n">{value(c.bendingTop)}</td>
              <td className="n">{value(c.bendingBottom)}</td>
              <td className="n">{value(c.largest)}</td>
              <td className="n">{value(c.smallest)}</td>
              <td className="n">{value(c.shear)}</td>
              <td className={`n strong${c.use && c.use.value > 1 ? ' over' : ''}`}>
                {c.use ? formatNumber(c.use.value, { figures: 3 }) : '–'}
              </td>
              <td className={`n${ratio !== null && ratio < limit ? ' over' : ''}`}>
                {ratio === null ? '–' : formatPlain(Math.round(ratio), 6)}
              </td>
            </LitRow>
          )
        })}
      </tbody>
    </table>
  )
}
