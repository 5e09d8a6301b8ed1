import { formatPlain, signFactors, thing } from '@viga/core'
import { useMemo } from 'react'
import { Link, useParams } from 'react-router'
import { useDisplay } from '../sheet/context'
import { useRow } from '../fields/rows'
import { Block } from '../widgets/Block'
import { MemberName } from '../fields/MemberName'
import { LitRow } from '../fields/LitRow'
import { forcesAlong } from './forces-along'
import { cleaned } from './numbers'
import { useSigns, type Solved } from './solved'

/** Beyond this many members the table is cut; the reading below and the figure still have them all. */
const MOST_ROWS = 120

/** Internal forces at the ends of each member, at the place of the greatest moment, and at jumps. */
export function MembersBlock({ solution, action }: Solved) {
  const display = useDisplay()
  const signs = useSigns()
  const { structure: s } = solution
  const members = useMemo(
    () =>
      s.members.slice(0, MOST_ROWS).map((m, i) => ({ m, rows: forcesAlong(solution, action, i, display) })),
    [solution, action, s, display],
  )
  const factors = signFactors(signs)
  const all = members.flatMap((x) => x.rows)
  const F = cleaned(all.flatMap((r) => [factors.N * r.N, factors.V * r.V]))
  const M = cleaned(all.map((r) => factors.M * r.M))
  return (
    <Block
      title="Members"
      note={
        s.members.length > MOST_ROWS && (
          <p className="quiet note">
            The first {MOST_ROWS} of {s.members.length} members; read any other below.
          </p>
        )
      }
    >
      <table className="t">
        <thead>
          <tr>
            <th>Member</th>
            <th>at</th>
            <th className="n">N, {display.force.unit}</th>
            <th className="n">V, {display.force.unit}</th>
            <th className="n">M, {display.moment.unit}</th>
          </tr>
        </thead>
        {members.map(({ m, rows }) => (
          <MemberRows key={m.id} id={m.id}>
            {rows.map((r, k) => (
              <tr key={k} className={k > 0 ? 'inner' : undefined}>
                <td>{k === 0 && <MemberLink id={m.id} />}</td>
                <td>{r.joint ? <i>{r.at}</i> : r.at}</td>
                <td className="n">
                  {F.text(factors.N * r.N)} <TensionLetter sign={F.sign(r.N)} />
                </td>
                <td className="n">{F.text(factors.V * r.V)}</td>
                <td className="n strong">{M.text(factors.M * r.M)}</td>
              </tr>
            ))}
          </MemberRows>
        ))}
      </table>
    </Block>
  )
}

/** The name of a member, which leads to its own page. */
function MemberLink({ id }: { id: string }) {
  const base = `/problems/${useParams().problemId}/results`
  return (
    <Link to={`${base}/member/${encodeURIComponent(id)}`} title={`All about ${id}`}>
      <MemberName id={id} />
    </Link>
  )
}

export const TensionLetter = ({ sign }: { sign: number }) => (
  <span className={`tc ${sign > 0 ? 'tension' : sign < 0 ? 'compression' : ''}`}>
    {sign > 0 ? 'T' : sign < 0 ? 'C' : ''}
  </span>
)

function MemberRows({ id, children }: { id: string; children: React.ReactNode }) {
  const { className, ...handlers } = useRow(thing.member(id))
  return (
    <tbody className={`member-rows${className ? ' lit' : ''}`} {...handlers}>
      {children}
    </tbody>
  )
}

/** Axial forces of a truss, each with its bar to the left (compression, hollow) or right (tension, solid). */
export function TrussBlock({ solution, action }: Solved) {
  const display = useDisplay()
  const { structure: s } = solution
  const sign = signFactors(useSigns()).N
  const forces = s.members.map(
    (_, i) => ((action.forces[6 * i + 3] - action.forces[6 * i]) / 2) * display.force.perSI,
  )
  const f = cleaned(forces)
  const most = Math.max(...forces.map(Math.abs), Number.MIN_VALUE)
  return (
    <Block title="Members">
      <table className="t">
        <thead>
          <tr>
            <th>Member</th>
            <th className="n">L, {display.length.unit}</th>
            <th className="n">N, {display.force.unit}</th>
            <th style={{ width: 150 }}>
              <span className="compression half">compression</span>
              <span className="tension half">tension</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {s.members.map((m, i) => (
            <LitRow key={m.id} target={thing.member(m.id)} label={m.id}>
              <td className="n ro">{formatPlain(m.length * display.length.perSI, 4)}</td>
              <td className="n strong">
                {f.text(sign * forces[i])}{' '}
                {f.isZero(forces[i]) ? (
                  <span className="quiet plain">zero</span>
                ) : (
                  <TensionLetter sign={Math.sign(forces[i])} />
                )}
              </td>
              <td>
                <ForceBar share={f.isZero(forces[i]) ? 0 : forces[i] / most} />
              </td>
            </LitRow>
          ))}
        </tbody>
      </table>
    </Block>
  )
}

/** A force as a bar: solid to the right for tension, hollow to the left for compression, a ring for none. */
function ForceBar({ share }: { share: number }) {
  const long = 66 * Math.abs(share)
  return (
    <svg width="140" height="12" viewBox="0 0 140 12" aria-hidden="true">
      <path d="M70 0v12" stroke="var(--hair-2)" />
      {share === 0 && <circle cx="70" cy="6" r="2.6" fill="var(--sheet)" stroke="var(--ink-3)" />}
      {share > 0 && <rect x="70" y="3.5" width={long} height="5" fill="var(--tension)" />}
      {share < 0 && (
        <rect x={70 - long} y="3.5" width={long} height="5" fill="none" stroke="var(--compression)" />
      )}
    </svg>
  )
}
