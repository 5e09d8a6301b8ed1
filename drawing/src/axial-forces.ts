import { thing, formatNumber, type ActionSolution, type Solution } from '@viga/core'
import { ROUNDING } from './diagram-values'
import type { DiagramDrawing } from './diagrams'
import { line, plus, polyline, uprightAngle, type Mark } from './marks'
import { memberLine, type View } from './view'

/**
 * Axial forces of a truss: a solid line is in tension, a hollow one in compression, a dotted one has no
 * force. The width of a line grows with its force.
 */
export function drawAxialForces(
  solution: Solution,
  view: View,
  action: ActionSolution,
  shown: number,
  /** All members of one thickness, instead of widths that grow with the force. */
  plain = false,
): DiagramDrawing {
  const { structure: s } = solution
  const out: DiagramDrawing = { groups: [], labelRequests: [], obstacles: [] }
  const forces = s.members.map((_, i) => (action.forces[6 * i + 3] - action.forces[6 * i]) / 2)
  const max = Math.max(0, ...forces.map(Math.abs))
  s.members.forEach((m, i) => {
    const l = memberLine(s, view, m)
    const N = Math.abs(forces[i]) <= ROUNDING * max ? 0 : forces[i]
    const share = max === 0 ? 0 : plain ? 0.25 : Math.abs(N) / max
    const target = thing.member(m.id)
    const marks: Mark[] =
      N === 0
        ? [line(l.a, l.b, 'ink-3', 1.3, { dash: '1.4 3' })]
        : N > 0
          ? [line(l.a, l.b, 'tension', 1.3 + 3.5 * share)]
          : [
              line(l.a, l.b, 'compression', 4.2 + 4.2 * share),
              line(l.a, l.b, 'paper', 4.2 + 4.2 * share - 2.6, { cls: 'hollow' }),
            ]
    out.groups.push({ key: `n${i}`, target, marks, hit: { d: polyline([l.a, l.b]), width: 16 } })
    const text = N === 0 ? '0' : `${formatNumber(Math.abs(N) * shown, { figures: 3 })} ${N > 0 ? 'T' : 'C'}`
    const angle = uprightAngle(l.dir)
    const candidates = [0.5, 0.36, 0.64].flatMap((f) =>
      [1, -1].map((k) =>
        plus(
          plus(l.a, l.dir, f * l.px),
          { x: -Math.sin((angle * Math.PI) / 180) * -1, y: -Math.cos((angle * Math.PI) / 180) },
          k * 11,
        ),
      ),
    )
    out.labelRequests.push({
      key: `nw${i}`,
      target,
      mark: {
        t: 'text',
        text,
        size: 12,
        weight: 500,
        fill: N > 0 ? 'tension' : N < 0 ? 'compression' : 'ink-3',
        rotate: angle,
        halo: true,
      },
      candidates,
      clear: 1,
    })
  })
  return out
}
