import type { AnswerQuantity, Problem, Structure, StructureMember } from '@viga/core'
import { siPerCoherent, dimension } from '@viga/core'
import type { Place } from '@viga/core/statement/answer-place'
import type { DiagramKey } from '@viga/drawing/diagrams'
import { useMemo } from 'react'
import type { Overlay } from '../figure/Figure'
import { useSheet, useSheetStore } from '../sheet/context'
import type { PlanePoint } from '../sheet/results-view'

/**
 * A joint within this part of the size of the structure is meant by a press; a member from half as far again.
 */
const NEAR = 0.035
/** An end, or the middle, within this part of a member is meant. */
const OF_MEMBER = 0.03

const QUANTITY = { M: 'moment', V: 'shear', N: 'axial' } as const satisfies Record<DiagramKey, AnswerQuantity>

/** The place in the results that a press on the Figure means, by the diagram that is shown there. */
export function placePressed(
  problem: Problem,
  s: Structure,
  p: PlanePoint,
  diagram: DiagramKey | null,
): Place | undefined {
  const xs = s.nodes.map((n) => n.x)
  const ys = s.nodes.map((n) => n.y)
  const size = Math.hypot(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys))
  const joint = s.nodes.find((n) => Math.hypot(n.x - p.x, n.y - p.y) <= NEAR * size)
  if (joint) {
    const support = problem.supports?.find((o) => o.node === joint.id)
    return { quantity: support ? 'reaction' : 'displacement', node: joint.id, component: 'y' }
  }
  const foot = nearest(s, p)
  if (!foot || foot.away > 1.5 * NEAR * size) return undefined
  const { member: m, share } = foot
  if (s.kind === 'truss' || m.bar) return { quantity: 'axial', member: m.id }
  return { quantity: QUANTITY[diagram ?? 'M'], member: m.id, at: along(problem, m, share) }
}

/** The member nearest to a point, where along it that is as a share of its length, and how far away, m. */
function nearest(s: Structure, p: PlanePoint) {
  let best: { member: StructureMember; share: number; away: number } | undefined
  for (const member of s.members) {
    const a = s.nodes[member.start]
    const [dx, dy] = [p.x - a.x, p.y - a.y]
    const x = Math.min(member.length, Math.max(0, dx * member.cos + dy * member.sin))
    const away = Math.hypot(dx - x * member.cos, dy - x * member.sin)
    if (!best || away < best.away) best = { member, share: x / member.length, away }
  }
  return best
}

/** A place as a person would say it: an end, the middle, or a length to two figures after the first. */
function along({ units }: Problem, m: StructureMember, share: number): string | number {
  for (const [of, text] of [
    [0, '0%'],
    [0.5, '50%'],
    [1, '100%'],
  ] as const)
    if (Math.abs(share - of) <= OF_MEMBER) return text
  return Number(((share * m.length) / siPerCoherent(units, dimension.length)).toPrecision(2))
}

/** Under Check, a press on the Figure asks for the value that one has there. */
export function useAsking(on: boolean): Overlay | undefined {
  const store = useSheetStore()
  const diagram = useSheet((s) => s.shown.check.diagram)
  return useMemo(
    () =>
      on
        ? {
            gestures: {
              onPoint: (p, target) => {
                const { problem, outcome } = store.getState()
                const place =
                  outcome.stage === 'invalid'
                    ? undefined
                    : placePressed(problem, outcome.structure, p, diagram)
                store.setState({ selection: target, asked: place ?? null })
              },
            },
          }
        : undefined,
    [on, store, diagram],
  )
}
