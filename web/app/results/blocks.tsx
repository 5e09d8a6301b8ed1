import { thing, displacementAt, equilibrium, formatNumber, reactionAt } from '@viga/core'
import { useMemo } from 'react'
import { useDisplay } from '../sheet/context'
import { Block } from '../widgets/Block'
import { LitRow } from '../fields/LitRow'
import { cleaned, ROUNDING, SHORTENED } from './numbers'
import type { Solved } from './solved'

/** The small arrow beside a signed number: the way it acts. */
export function WayArrow({ x = 0, y = 0, turn = 0 }: { x?: number; y?: number; turn?: number }) {
  if (turn !== 0)
    return (
      <svg
        width="13"
        height="12"
        viewBox="0 0 13 12"
        fill="none"
        className="way-arrow"
        aria-hidden="true"
        style={turn < 0 ? { transform: 'scaleX(-1)' } : undefined}
      >
        <path d="M11 9A5 5 0 0 0 3.2 4.6" stroke="var(--reaction)" strokeWidth="1.3" />
        <path d="M.6 6.6L2.2 2.2L5.6 5.2Z" fill="var(--reaction)" />
      </svg>
    )
  const angle = x > 0 ? 0 : x < 0 ? 180 : y > 0 ? -90 : 90
  return x === 0 && y === 0 ? (
    <span className="way-arrow" />
  ) : (
    <svg
      width="13"
      height="12"
      viewBox="0 0 13 12"
      fill="none"
      className="way-arrow"
      aria-hidden="true"
      style={{ transform: `rotate(${angle}deg)` }}
    >
      <path d="M0 6h8" stroke="var(--reaction)" strokeWidth="1.4" />
      <path d="M12.5 6L6.5 3.4L7.8 6L6.5 8.6Z" fill="var(--reaction)" />
    </svg>
  )
}

export function ReactionsBlock({ solution, action }: Solved) {
  const display = useDisplay()
  const [force, moment] = [display.force.perSI, display.moment.perSI]
  const { structure: s } = solution
  const truss = s.kind === 'truss'
  const rows = s.supports.map((p) => ({ p, id: s.nodes[p.node].id, r: reactionAt(solution, action, p.node) }))
  const f = cleaned(rows.flatMap(({ r }) => [r.x * force, r.y * force]))
  const m = cleaned(
    rows.map(({ r }) => r.rotation * moment),
    rows.flatMap(({ r }) => [r.x * force, r.y * force]),
  )
  const sum = (way: 'x' | 'y') => rows.reduce((t, { r }) => t + r[way] * force, 0)
  const turned = rows.some(({ r }) => r.angle !== 0)
  const own = ({ own: { x, y } }: (typeof rows)[number]['r']) => `${f.text(x * force)}, ${f.text(y * force)}`
  return (
    <Block title="Reactions">
      <table className="t">
        <thead>
          <tr>
            <th>Joint</th>
            <th className="n">x, {display.force.unit}</th>
            <th className="n">y, {display.force.unit}</th>
            {turned && <th className="n">along its own x, y</th>}
            {!truss && <th className="n">moment, {display.moment.unit}</th>}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ p, id, r }) => (
            <LitRow key={id} target={thing.support(id)} label={id} data-reaction={id}>
              <td className="n strong">
                {f.text(r.x * force)} <WayArrow x={f.sign(r.x * force)} />
              </td>
              <td className="n strong">
                {f.text(r.y * force)} <WayArrow y={f.sign(r.y * force)} />
              </td>
              {turned && <td className="n ro">{r.angle === 0 ? '' : own(r)}</td>}
              {!truss && (
                <td className="n strong">
                  <TurnReaction held={p.hold.rotation !== false} value={r.rotation * moment} by={m} />
                </td>
              )}
            </LitRow>
          ))}
          {rows.length > 1 && (
            <tr className="total" data-reaction="sum">
              <td>Sum</td>
              {[sum('x'), sum('y')].map((v, i) => (
                <td key={i} className="n">
                  {f.text(v)} <span className="way-arrow" />
                </td>
              ))}
              {turned && <td />}
              {!truss && <td />}
            </tr>
          )}
        </tbody>
      </table>
    </Block>
  )
}

type Cleaned = ReturnType<typeof cleaned>

/** The moment of a support with the way it turns; nothing holds the rotation at a pin. */
function TurnReaction({ held, value, by }: { held: boolean; value: number; by: Cleaned }) {
  if (!held) return <span className="quiet plain">free</span>
  return (
    <>
      {by.text(value)} <WayArrow turn={by.sign(value)} />
    </>
  )
}

export function EquilibriumBlock({ solution, action }: Solved) {
  const display = useDisplay()
  const e = useMemo(() => equilibrium(solution, action), [solution, action])
  const rows = [
    ['of forces in x', e.loads.fx, e.reactions.fx, display.force],
    ['of forces in y', e.loads.fy, e.reactions.fy, display.force],
    ['of moments about 0, 0', e.loads.m, e.reactions.m, display.moment],
  ] as const
  const extent = Math.max(...solution.structure.nodes.flatMap((n) => [Math.abs(n.x), Math.abs(n.y)]))
  const scale = Math.max(...rows.slice(0, 2).flatMap(([, a, b]) => [Math.abs(a), Math.abs(b)]))
  return (
    <Block
      title="Equilibrium"
      note={action.bent && <p className="quiet">Moments are those where the structure has moved to.</p>}
    >
      <table className="t">
        <thead>
          <tr>
            <th>Sum</th>
            <th className="n">loads</th>
            <th className="n">reactions</th>
            <td />
            <th className="n">sum</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, a, b, shown]) => {
            const sum = a + b
            const size = Math.max(Math.abs(a), Math.abs(b), shown === display.moment ? scale * extent : scale)
            const bent = action.bent && shown === display.moment
            const zero = Math.abs(sum) <= (bent ? SHORTENED : ROUNDING) * size
            return (
              <tr key={name} data-sum={name}>
                <td>{name}</td>
                <td className="n">{Math.abs(a) <= 1e-12 * size ? '0' : formatNumber(a * shown.perSI)}</td>
                <td className="n">{Math.abs(b) <= ROUNDING * size ? '0' : formatNumber(b * shown.perSI)}</td>
                <td className="ro">{shown.unit}</td>
                <td className="n strong">{zero ? '0' : formatNumber(sum * shown.perSI)}</td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </Block>
  )
}

export function DisplacementsBlock({ solution, action }: Solved) {
  const display = useDisplay()
  const { structure: s } = solution
  const truss = s.kind === 'truss'
  const rows = s.nodes.map((n, i) => ({ id: n.id, d: displacementAt(solution, action, i) }))
  const u = cleaned(
    rows.flatMap(({ d }) => [
      (d.x ?? 0) * display.displacement.perSI,
      (d.y ?? 0) * display.displacement.perSI,
    ]),
  )
  const r = cleaned(rows.map(({ d }) => (d.rotation ?? 0) * display.rotation.perSI))
  return (
    <Block title="Displacements">
      <table className="t">
        <thead>
          <tr>
            <th>Joint</th>
            <th className="n">x, {display.displacement.unit}</th>
            <th className="n">y, {display.displacement.unit}</th>
            {!truss && <th className="n">rotation, {display.rotation.unit}</th>}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ id, d }) => (
            <LitRow key={id} target={thing.node(id)} label={id}>
              <td className="n">
                {d.x === null ? (
                  <span className="quiet">none</span>
                ) : (
                  u.text(d.x * display.displacement.perSI)
                )}
              </td>
              <td className="n">
                {d.y === null ? (
                  <span className="quiet">none</span>
                ) : (
                  u.text(d.y * display.displacement.perSI)
                )}
              </td>
              {!truss && (
                <td className="n">
                  {d.rotation === null ? (
                    <span className="quiet">not defined</span>
                  ) : (
                    r.text(d.rotation * display.rotation.perSI)
                  )}
                </td>
              )}
            </LitRow>
          ))}
        </tbody>
      </table>
    </Block>
  )
}
