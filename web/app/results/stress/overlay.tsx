import { formatNumber, stressCheck, thing, type ActionSolution, type Solution } from '@viga/core'
import type { LabelRequest } from '@viga/drawing/label-placement'
import { plus, textWidth } from '@viga/drawing/marks'
import { MANY, memberLine, type View } from '@viga/drawing/view'
import type { Overlay } from '../../figure/Figure'

/**
 * The use of each member on the Figure: a number beside it, and a double line along one that is used beyond
 * 1.
 */
export function stressOverlay(solution: Solution, action: ActionSolution): Overlay {
  const { structure: s } = solution
  const uses = s.members.map((_, i) => stressCheck(solution, action, i).use?.value)
  const over = uses.flatMap((u, i) => (u !== undefined && u > 1 ? [i] : []))
  return {
    notesOn: (view) =>
      s.members.flatMap((m, i): LabelRequest[] => {
        const use = uses[i]
        // where members are crowded, only uses beyond 1 are written; the table lists them all
        if (use === undefined || (s.members.length > MANY && use <= 1)) return []
        const l = memberLine(s, view, m)
        const text = formatNumber(use, { figures: use < 1 ? 2 : 3 })
        const w = textWidth(text, 12.5) / 2
        return [
          {
            key: `use${i}`,
            target: thing.member(m.id),
            mark: {
              t: 'text',
              text,
              size: 12.5,
              weight: 600,
              fill: use > 1 ? 'pencil' : 'cedar-deep',
              halo: true,
            },
            candidates: [0.5, 0.35, 0.65].flatMap((f) =>
              [1, -1].map((k) => plus(plus(l.a, l.dir, f * l.px), l.up, k * (12 + Math.abs(l.up.x) * w))),
            ),
          },
        ]
      }),
    marks: (view: View) =>
      over.map((i) => {
        const { a, b, up } = memberLine(s, view, s.members[i])
        return [5, -5].map((off) => {
          const [p, q] = [plus(a, up, off), plus(b, up, off)]
          return <path key={`${i} ${off}`} className="over-member" d={`M${p.x} ${p.y}L${q.x} ${q.y}`} />
        })
      }),
  }
}
