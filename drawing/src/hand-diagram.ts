import { thing, valueOnRun, type DrawnRun, type Signs, type Structure } from '@viga/core'
import { sideOf } from './diagram-side'
import type { DiagramKey } from './diagrams'
import { plus, polyline, type Group } from './marks'
import { memberLine, type View } from './view'

/** The diagram of one member as a hand solution has it. */
export interface HandDiagram {
  member: string
  key: DiagramKey
  runs: readonly DrawnRun[]
}

/** A curve is drawn by so many pieces. */
const PIECES = 24

/** The largest ordinate of hand diagrams of one quantity, SI. */
export const largestByHand = (all: readonly HandDiagram[], key: DiagramKey): number =>
  Math.max(
    0,
    ...all.filter((d) => d.key === key).flatMap((d) => d.runs.flatMap((r) => r.values.map(Math.abs))),
  )

/**
 * Diagrams drawn by hand, as pencil lines over the computed ones.
 * @param tall height of `max` in px
 * @param max the magnitude that is drawn so tall, SI
 */
export function drawHandDiagrams(
  s: Structure,
  view: View,
  all: readonly HandDiagram[],
  { key, tall, max, signs }: { key: DiagramKey; tall: number; max: number; signs?: Signs },
): Group[] {
  return all.flatMap((d): Group[] => {
    const m = s.members.find((o) => o.id === d.member)
    if (!m || d.key !== key || d.runs.length === 0 || max === 0) return []
    const l = memberLine(s, view, m)
    const side = sideOf(key, signs)
    const at = (x: number, v: number) => plus(plus(l.a, l.dir, x * view.scale), l.up, (side * v * tall) / max)
    const points = d.runs.flatMap((run) => {
      const [x0, x1] = [run.xs[0], run.xs[run.xs.length - 1]]
      return Array.from({ length: PIECES + 1 }, (_, i) => {
        const x = x0 + ((x1 - x0) * i) / PIECES
        return at(x, valueOnRun(run, x))
      })
    })
    const [first, last] = [d.runs[0].xs[0], d.runs[d.runs.length - 1].xs.at(-1)!]
    const edge = polyline([at(first, 0), ...points, at(last, 0)])
    return [
      {
        key: `hand ${d.member}`,
        target: thing.member(d.member),
        marks: [{ t: 'path', d: edge, stroke: 'pencil', width: 1.35, round: true }],
      },
    ]
  })
}
