import { readThing, thing } from '@viga/core'
import type { Problem, Structure } from '@viga/core'
import { chosen } from '../sheet/targets'
import type { Grip } from '@viga/drawing/loads'
import { plus, times, type Vec } from '@viga/drawing/marks'
import { memberLine, type View } from '@viga/drawing/view'

interface Props {
  problem: Problem
  structure: Structure
  view: View
  selection: string | null
  grips: readonly Grip[]
}

/** Distance of a ring from its joint, px. */
const OFF = 27

/**
 * What can be pulled or pressed at the selected thing: rings at member ends (rigid or hinged), the direction
 * of a member, grips at the corners of a distributed load.
 */
export function Handles({ problem, structure: s, view, selection, grips }: Props) {
  const { nodes, members, loads } = chosen(selection)
  if (nodes.length + members.length + loads.length !== 1) return null
  const own = loads.length ? loads[0] : null
  return (
    <>
      {problem.kind === 'frame' &&
        ringsOf(problem, s, view, nodes[0], members[0]).map((r) => <Ring key={`${r.end}${r.id}`} {...r} />)}
      {members.length === 1 && <Direction s={s} view={view} id={members[0]} />}
      {own !== null &&
        grips
          .filter((g) => {
            const it = readThing(g.target)
            return it?.kind === 'grip' && it.caseId === own.caseId && it.index === own.index
          })
          .map((g) => (
            <circle key={g.target} className="grip" data-target={g.target} cx={g.at.x} cy={g.at.y} r="5.5" />
          ))}
    </>
  )
}

interface RingMark {
  id: string
  end: 'start' | 'end'
  at: Vec
  hinged: boolean
  joint: string
}

/** Ends of the selected member, or the ends that meet at the selected joint. */
export function ringsOf(
  problem: Problem,
  s: Structure,
  view: View,
  node: string | undefined,
  member: string | undefined,
): RingMark[] {
  return s.members.flatMap((m, i) => {
    const stated = problem.members[i]
    if (m.bar || stated?.id !== m.id) return []
    const l = memberLine(s, view, m)
    const off = Math.min(OFF, l.px / 3)
    return (['start', 'end'] as const).flatMap((end) => {
      const joint = s.nodes[end === 'start' ? m.start : m.end].id
      if (m.id !== member && joint !== node) return []
      const from = end === 'start' ? l.a : l.b
      return [
        {
          id: m.id,
          end,
          joint,
          at: plus(from, times(l.dir, end === 'start' ? 1 : -1), off),
          hinged: stated.releases?.[end]?.M === true,
        },
      ]
    })
  })
}

function Ring({ id, end, at, hinged, joint }: RingMark) {
  return (
    <g data-target={thing.ring(id, end)} className={`ring${hinged ? ' hinged' : ''}`}>
      <title>
        {id} at {joint}: {hinged ? 'hinged; press for rigid' : 'rigid; press for a hinge'}
      </title>
      <circle cx={at.x} cy={at.y} r="10" className="ring-hit" />
      <circle cx={at.x} cy={at.y} r="5.2" />
    </g>
  )
}

/** Start to end, as an arrowhead a little beyond the middle. */
function Direction({ s, view, id }: { s: Structure; view: View; id: string }) {
  const m = s.members.find((o) => o.id === id)
  if (!m) return null
  const l = memberLine(s, view, m)
  const tip = plus(plus(l.a, l.dir, 0.56 * l.px), l.up, -13)
  const back = plus(tip, l.dir, -9)
  const [u, v] = [plus(back, l.up, 4), plus(back, l.up, -4)]
  const tail = plus(tip, l.dir, -34)
  return (
    <g className="direction" aria-hidden="true">
      <path d={`M${tail.x} ${tail.y}L${back.x} ${back.y}`} />
      <path d={`M${tip.x} ${tip.y}L${u.x} ${u.y}L${v.x} ${v.y}Z`} className="fill" />
      <text x={plus(tip, l.dir, 9).x} y={plus(tip, l.dir, 9).y}>
        x
      </text>
    </g>
  )
}
