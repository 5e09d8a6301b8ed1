import { formatNumber, thing, zeros, type Course, type ShownUnit, type Structure } from '@viga/core'
import type { LabelRequest } from './label-placement'
import { circle, line, plus, type Group } from './marks'
import { memberLine, type View } from './view'

/** Words beside a mark stand this far from the member, px. */
const OFF = 12

/**
 * The points of contraflexure (M = 0) or of zero shear (V = 0) inside the members, each as a cross line on
 * the member with its distance from the start.
 */
export function zeroMarks(
  s: Structure,
  view: View,
  courses: readonly Course[],
  key: 'V' | 'M',
  length: ShownUnit,
): { groups: Group[]; labelRequests: LabelRequest[] } {
  const out = { groups: [] as Group[], labelRequests: [] as LabelRequest[] }
  s.members.forEach((m, i) => {
    if (m.bar) return
    const l = memberLine(s, view, m)
    const target = thing.member(m.id)
    for (const x of zeros(courses[i], key)) {
      const p = plus(l.a, l.dir, x * view.scale)
      out.groups.push({
        key: `zero${i}.${x}`,
        target,
        marks: [
          line(plus(p, l.up, 6), plus(p, l.up, -6), 'cedar', 1.3),
          circle(p, 2.6, { stroke: 'cedar', width: 1.2, fill: 'paper' }),
        ],
      })
      const text = `${formatNumber(x * length.perSI, { figures: 3 })} ${length.unit}`
      out.labelRequests.push({
        key: `zerow${i}.${x}`,
        target,
        mark: { t: 'text', text, size: 11.5, weight: 500, fill: 'cedar-deep', halo: true },
        candidates: [OFF, -OFF, 2 * OFF, -2 * OFF].flatMap((k) =>
          [0, 1, -1].map((a) => plus(plus(p, l.up, k + 14 * Math.abs(l.up.x) * Math.sign(k)), l.dir, 16 * a)),
        ),
        clear: 1,
      })
    }
  })
  return out
}
