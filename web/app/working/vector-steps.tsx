import { formatNumber, working, type Unknown } from '@viga/core'
import { useMemo } from 'react'
import { useDisplay, useSheetStore } from '../sheet/context'
import { EliminationView } from './EliminationView'
import { NumberMark } from './NumberMark'
import { MemberChoice, useMember } from './StiffnessStep'
import type { StepProps } from './step'

/** Values that differ from 0 by rounding alone are written 0. */
function cleaned(values: readonly number[]): (v: number) => string {
  const most = Math.max(0, ...values.map(Math.abs))
  return (v) => (Math.abs(v) <= 1e-9 * most ? '0' : formatNumber(v))
}

const unitOf = (u: { component: string }, force: string, length: string) => (u.component === 'rotation' ? `${force}·${length}` : force)

function Dof({ u }: { u: Unknown }) {
  return (
    <>
      <td style={{ width: 34 }}>
        <NumberMark n={u.number} free={u.free} />
      </td>
      <td style={{ width: 66 }}>
        <i>{u.node}</i> <span className="quiet">{u.component === 'rotation' ? 'turn' : u.component}</span>
      </td>
    </>
  )
}

const SIX = ['Fx', 'Fy', 'M', 'Fx', 'Fy', 'M']

export function LoadsStep({ solution, action, units }: StepProps) {
  const lines = useMemo(() => working.loadLines(solution, units, action), [solution, units, action])
  const ends = useMemo(() => working.fixedEnds(solution, units, action), [solution, units, action])
  const f = cleaned(lines.flatMap((l) => [l.joint, l.total, ...l.members.map((m) => m.value)]))
  return (
    <>
      <h1>Loads</h1>
      <p className="prose">
        With every unknown held, a loaded member presses on its joints with its fixed-end forces <i>f</i>. Turned to global axes and taken off the loads on the joints, they make the right-hand side <i>P</i>. Case {action.title}.
      </p>
      {ends.length > 0 && (
        <table className="t">
          <thead>
            <tr>
              <th>Fixed-end forces</th>
              {SIX.map((s, i) => (
                <th key={i} className="n">
                  {s} <span className="quiet">{i < 3 ? 'start' : 'end'}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {ends.map((e) => (
              <FixedRow key={e.member} e={e} f={cleaned(ends.flatMap((x) => x.local))} />
            ))}
          </tbody>
        </table>
      )}
      {ends.length > 0 && (
        <p className="quiet small">
          in {units.force} and {units.force}·{units.length}, member axes
        </p>
      )}
      <table className="t spaced">
        <thead>
          <tr>
            <th colSpan={2}>Unknown</th>
            <th>on the joint</th>
            <th>less fixed-end forces</th>
            <th className="n">P</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {lines.map((l) => (
            <tr key={l.unknown.index}>
              <Dof u={l.unknown} />
              <td>{f(l.joint)}</td>
              <td className="ro wrap">
                {l.members.length === 0
                  ? '0'
                  : l.members.map((m) => (
                      <span key={m.member} className="term">
                        − ({f(m.value)}) <span className="italic quiet">{m.member}</span>{' '}
                      </span>
                    ))}
              </td>
              <td className="n strong">{f(l.total)}</td>
              <td className="ro">{unitOf(l.unknown, units.force, units.length)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}

function FixedRow({ e, f }: { e: working.FixedEnd; f: (v: number) => string }) {
  const store = useSheetStore()
  return (
    <tr onMouseEnter={() => store.getState().point(`member:${e.member}`)} onMouseLeave={() => store.getState().point(null)}>
      <td>
        <i>{e.member}</i>
      </td>
      {e.local.map((v, i) => (
        <td key={i} className="n">
          {f(v)}
        </td>
      ))}
    </tr>
  )
}

export function SolutionStep({ solution, action, units }: StepProps) {
  const display = useDisplay()
  const all = working.unknowns(solution)
  const lines = working.loadLines(solution, units, action)
  const f = cleaned(lines.map((l) => l.total))
  const shown = all.map((u) => action.D[u.index] * (u.component === 'rotation' ? display.rotation.perSI : display.displacement.perSI))
  const d = cleaned(shown)
  const words = (u: Unknown, v: number) => (d(v) === '0' ? 'stays' : u.component === 'rotation' ? `turns ${v > 0 ? 'counter-clockwise' : 'clockwise'}` : `moves ${u.component === 'x' ? (v > 0 ? 'right' : 'left') : v > 0 ? 'up' : 'down'}`)
  const free = all.filter((u) => u.free)
  const settles = all.some((u) => !u.free && action.D[u.index] !== 0)
  return (
    <>
      <h1>Solution</h1>
      <p className="prose">
        The free rows of <i>K·D = P</i> are {free.length} equations for {free.length} unknowns{settles ? ', with the prescribed settlements on the known side' : ''}:{' '}
        <i>
          K<sub>ff</sub>·D<sub>f</sub> = P<sub>f</sub>
          {settles && (
            <>
              {' '}
              − K<sub>fr</sub>·D<sub>r</sub>
            </>
          )}
        </i>
        . Solved by LDLᵀ; the same by hand, row by row, stands below for up to {working.BY_HAND} unknowns.
      </p>
      <table className="t">
        <thead>
          <tr>
            <th colSpan={2}>Unknown</th>
            <th className="n">P</th>
            <td />
            <th className="n">D</th>
            <td />
            <th>meaning</th>
          </tr>
        </thead>
        <tbody>
          {all
            .filter((u) => u.free || action.D[u.index] !== 0)
            .map((u) => (
              <tr key={u.index}>
                <Dof u={u} />
                <td className="n ro">{u.free ? f(lines[u.index].total) : ''}</td>
                <td className="ro">{u.free ? unitOf(u, units.force, units.length) : 'settles'}</td>
                <td className="n strong">{d(shown[u.index])}</td>
                <td className="ro">{u.component === 'rotation' ? display.rotation.unit : display.displacement.unit}</td>
                <td className="ro">
                  <i>{u.node}</i> {words(u, shown[u.index])}
                </td>
              </tr>
            ))}
        </tbody>
      </table>
      <p className="quiet small">{solution.digitsLost > 9.5 ? `About ${Math.round(solution.digitsLost)} of 16 digits are lost in this solution: the stiffnesses differ very much.` : `About ${Math.max(0, Math.round(solution.digitsLost))} of 16 digits are lost in elimination.`}</p>
      <EliminationView solution={solution} action={action} units={units} />
    </>
  )
}

export function EndForcesStep({ solution, action, units }: StepProps) {
  const [at, choose] = useMember(solution)
  const e = useMemo(() => working.endForces(solution, units, action, at), [solution, units, action, at])
  const f = cleaned([...e.kd, ...e.fixed, ...e.q])
  const m = solution.structure.members[at]
  const name = (r: number) => solution.structure.nodes[r < 3 ? m.start : m.end].id
  return (
    <>
      <h1>
        End forces of <i>{e.member}</i>
      </h1>
      <p className="prose">
        The displacements of its joints, turned to member axes, times its stiffness, and the fixed-end forces on top: <i>q = k·d + f</i>. They act on the member; x along it, y a quarter turn counter-clockwise from it.
      </p>
      <MemberChoice solution={solution} at={at} onChoose={choose} />
      <table className="t">
        <thead>
          <tr>
            <td />
            <th>At</th>
            <th>Force</th>
            <th className="n">d</th>
            <th className="n">k·d</th>
            <th className="n">f</th>
            <th className="n">q</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {e.shown.map((r) => (
            <tr key={r}>
              <td className="quiet">{r + 1}</td>
              <td>
                <i>{name(r)}</i>
              </td>
              <td>{SIX[r]}</td>
              <td className="n ro">{formatNumber(e.d[r])}</td>
              <td className="n">{f(e.kd[r])}</td>
              <td className="n">{f(e.fixed[r])}</td>
              <td className="n strong">{f(e.q[r])}</td>
              <td className="ro">{r % 3 === 2 ? `${units.force}·${units.length}` : units.force}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet small">
        d in {units.length} and rad{m.axiallyRigid ? '; rows 1 and 4 from the equilibrium of the joints' : ''}; N = −q₁ = {f(-e.q[0])} {units.force} at {name(0)}: {Math.abs(e.q[0]) <= 1e-9 * Math.max(...e.q.map(Math.abs)) ? 'no axial force' : e.q[0] < 0 ? 'tension' : 'compression'}
      </p>
    </>
  )
}

export function ReactionsStep({ solution, action, units }: StepProps) {
  const lines = working.reactionLines(solution, units, action)
  const f = cleaned(lines.flatMap((l) => [l.KD, l.load, l.value]))
  return (
    <>
      <h1>Reactions</h1>
      <p className="prose">
        The held rows of <i>K·D = P + R</i> give what the supports must add: <i>
          R = K<sub>rf</sub>·D<sub>f</sub> + K<sub>rr</sub>·D<sub>r</sub> − P<sub>r</sub>
        </i>. Positive to the right, upward and counter-clockwise{solution.structure.supports.some((p) => p.angle !== 0) ? '; at a turned support, along its own axes' : ''}.
      </p>
      <table className="t">
        <thead>
          <tr>
            <th colSpan={2}>Held</th>
            <th className="n">K·D</th>
            <th className="n">− P</th>
            <th className="n">R</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {lines.map((l) => (
            <tr key={l.unknown.index}>
              <Dof u={l.unknown} />
              <td className="n">{f(l.KD)}</td>
              <td className="n ro">− ({f(l.load)})</td>
              <td className="n strong">{f(l.value)}</td>
              <td className="ro">{unitOf(l.unknown, units.force, units.length)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
