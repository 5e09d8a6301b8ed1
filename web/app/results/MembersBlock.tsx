import { thing, breaksOf, courseOf, sidesAt, extremes, formatPlain, signFactors, zeros } from '@viga/core'
import { useMemo } from 'react'
import { Link, useParams } from 'react-router'
import { useDisplay } from '../sheet/context'
import { useRow } from '../fields/rows'
import { Block } from '../widgets/Block'
import { LitRow } from '../fields/LitRow'
import { cleaned } from './numbers'
import { useSigns, type Solved } from './solved'

interface Row {
  at: string
  N: number
  V: number
  M: number
}

/** Beyond this many members the table is cut; the reading below and the figure still have them all. */
const MOST_ROWS = 120

/** Internal forces at the ends of each member, at the place of the greatest moment, and at jumps. */
export function MembersBlock({ solution, action }: Solved) {
  const display = useDisplay()
  const signs = useSigns()
  const base = `/problems/${useParams().problemId}/results`
  const { structure: s } = solution
  const members = useMemo(
    () =>
      s.members.slice(0, MOST_ROWS).map((m, i) => {
        const sign = signFactors(signs)
        const course = courseOf(solution, action, i)
        const e = extremes(course)
        const places = new Set<number>([0, m.length])
        for (const x of zeros(course, 'V')) places.add(x)
        for (const x of [e.M.max.x, e.M.min.x]) places.add(x)
        for (const x of breaksOf(course)) places.add(x)
        const rows: Row[] = [...places]
          .sort((a, b) => a - b)
          .filter((x, k, all) => k === 0 || x - all[k - 1] > 1e-6 * m.length)
          .flatMap((x) => {
            const { left, right } = sidesAt(course, x)
            const name =
              x < 1e-6 * m.length
                ? s.nodes[m.start].id
                : x > m.length * (1 - 1e-6)
                  ? s.nodes[m.end].id
                  : `${formatPlain(x * display.length.perSI, 4)} ${display.length.unit}`
            const out = [x === 0 ? right : left]
            const jumps =
              x > 0 &&
              x < m.length &&
              (['N', 'V', 'M'] as const).some(
                (k) => Math.abs(left[k] - right[k]) > 1e-9 * (Math.abs(left[k]) + Math.abs(right[k])),
              )
            if (jumps) out.push(right)
            return out.map((t, k) => ({
              at: out.length > 1 ? `${name} ${k === 0 ? 'left' : 'right'}` : name,
              N: t.N * sign.N,
              V: t.V * sign.V,
              M: t.M * sign.M,
            }))
          })
        return { m, rows }
      }),
    [solution, action, s, display, signs],
  )
  const all = members.flatMap((x) => x.rows)
  const pulls = signFactors(signs).N
  const F = cleaned(all.flatMap((r) => [r.N, r.V]).map((v) => v * display.force.perSI))
  const M = cleaned(all.map((r) => r.M * display.moment.perSI))
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
                <td>
                  {k === 0 && (
                    <Link to={`${base}/member/${encodeURIComponent(m.id)}`} title={`All about ${m.id}`}>
                      <i>{m.id}</i>
                    </Link>
                  )}
                </td>
                <td>{s.nodes.some((n) => n.id === r.at) ? <i>{r.at}</i> : r.at}</td>
                <td className="n">
                  {F.text(r.N * display.force.perSI)}{' '}
                  <TensionLetter sign={pulls * F.sign(r.N * display.force.perSI)} />
                </td>
                <td className="n">{F.text(r.V * display.force.perSI)}</td>
                <td className="n strong">{M.text(r.M * display.moment.perSI)}</td>
              </tr>
            ))}
          </MemberRows>
        ))}
      </table>
    </Block>
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
                <svg width="140" height="12" viewBox="0 0 140 12" aria-hidden="true">
                  <path d="M70 0v12" stroke="var(--hair-2)" />
                  {f.isZero(forces[i]) ? (
                    <circle cx="70" cy="6" r="2.6" fill="var(--sheet)" stroke="var(--ink-3)" />
                  ) : forces[i] > 0 ? (
                    <rect x="70" y="3.5" width={(66 * forces[i]) / most} height="5" fill="var(--tension)" />
                  ) : (
                    <rect
                      x={70 + (66 * forces[i]) / most}
                      y="3.5"
                      width={(-66 * forces[i]) / most}
                      height="5"
                      fill="none"
                      stroke="var(--compression)"
                    />
                  )}
                </svg>
              </td>
            </LitRow>
          ))}
        </tbody>
      </table>
    </Block>
  )
}
