import {
  dimension,
  formatNumber,
  measure,
  PLACE_OF,
  siPerCoherent,
  thing,
  type Answer,
  type Problem,
  type Structure,
  type StructureMember,
} from '@viga/core'
import { memberLine, onScreen, type View } from '@viga/drawing/view'
import { plus, textWidth, vec, type Vec } from '@viga/drawing/marks'
import { again, ring, type LabelRequest } from '@viga/drawing/label-placement'
import { caseOf } from './case-of'
import { signOf, type JudgedAnswer } from './verdicts'

/**
 * The hand values of a case with their verdicts, as labels to be placed on the Figure in a view of it. What
 * belongs to no place (a stiffness, a load factor) has none.
 */
export function checkNotes(
  problem: Problem,
  s: Structure,
  all: readonly JudgedAnswer[],
  actionId: string | null,
  view: View,
): LabelRequest[] {
  return all
    .filter(({ answer }) => actionId !== null && caseOf(problem, answer) === actionId)
    .flatMap(({ answer: a, verdict: v }): LabelRequest[] => {
      const node = s.nodes.find((n) => n.id === a.node)
      const member = s.members.find((m) => m.id === a.member)
      const at = node
        ? onScreen(view, node.x, node.y)
        : member
          ? shownPlace(problem, s, view, a, member)
          : null
      if (!at) return []
      const text = `${signOf(v)} ${v.given === null ? String(a.value) : formatNumber(v.given)}`
      return [
        {
          key: `c${a.id}`,
          target: thing.answer(a.id),
          mark: {
            t: 'text',
            text,
            size: 13,
            serif: true,
            italic: true,
            fill:
              v.verdict === 'convention'
                ? 'load'
                : v.verdict === 'differs' || v.verdict === 'follows'
                  ? 'pencil'
                  : 'ink-2',
            halo: true,
          },
          candidates: again(() => ring(at, vec(0.7, 0.7), [24, 38, 54, 70], textWidth(text, 13), 11)),
          about: { c: at, r: 80 },
          clear: 3,
        },
      ]
    })
}

/**
 * Where along its member an answer is: as stated, a share or a length from the start; the middle where it
 * says neither.
 */
function shownPlace(problem: Problem, s: Structure, view: View, a: Answer, m: StructureMember): Vec {
  const at = a.quantity === 'fixed-end' ? PLACE_OF[a.end] : a.at
  const l = memberLine(s, view, m)
  const length = m.length / siPerCoherent(problem.units, dimension.length)
  const stated = at === undefined ? NaN : measure(problem).along(at, length) / length
  const share = Number.isNaN(stated) ? 0.5 : stated
  return plus(l.a, l.dir, Math.max(0, Math.min(1, share)) * l.px)
}
