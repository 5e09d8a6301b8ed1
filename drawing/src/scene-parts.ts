import { thing, type Structure } from '@viga/core'
import type { Box, Obstacle, LabelRequest } from './label-placement'
import { circle, plus, type Group } from './marks'
import { FULL_HAND } from './members'
import { poseOf } from './supports'
import { memberLine, onScreen, type View } from './view'

/** The lines of a second result: dashed, and with keys of their own. */
export const dashed = (groups: Group[]): Group[] =>
  groups.map((g) => ({
    ...g,
    key: `second${g.key}`,
    marks: g.marks.map((m) => (m.t === 'path' ? { ...m, dash: '5 3', stroke: 'ink-2' as const } : m)),
  }))

/** Where supports are drawn, for labels to keep clear of. */
export function supportBoxes(s: Structure, view: View, axis: boolean): Box[] {
  return s.supports.map((support) => {
    const pose = poseOf(s, view, support, FULL_HAND, undefined, !axis)
    const n = s.nodes[support.node]
    const c = plus(onScreen(view, n.x, n.y), pose.ground, pose.reach / 2)
    return {
      x: c.x,
      y: c.y,
      w: Math.abs(pose.ground.x) * pose.reach + Math.abs(pose.ground.y) * 40,
      h: Math.abs(pose.ground.y) * pose.reach + Math.abs(pose.ground.x) * 40,
    }
  })
}

/** Labels beyond the edges of the picture are neither looked for nor drawn. */
const BEYOND = 80
export function inSight(w: LabelRequest, view: View): boolean {
  const [c] = w.about ? [w.about.c] : w.candidates
  return (
    c === undefined ||
    (c.x > -BEYOND && c.y > -BEYOND && c.x < view.width + BEYOND && c.y < view.height + BEYOND)
  )
}

/** Joints that no member reaches yet, so that they can be seen and joined. */
export function loneJoints(s: Structure, view: View): Group[] {
  const reached = new Set(s.members.flatMap((m) => [m.start, m.end]))
  return s.nodes.flatMap((n, i) =>
    reached.has(i)
      ? []
      : [
          {
            key: `lone${n.id}`,
            target: thing.node(n.id),
            marks: [circle(onScreen(view, n.x, n.y), 3.2, { stroke: 'ink', width: 1.3, fill: 'sheet' })],
          },
        ],
  )
}

/** Members drawn in thin pale lines, for the deflected shape to stand out. */
export const faint = (groups: Group[]): Group[] =>
  groups.map((g) => ({
    ...g,
    marks: g.marks.map((m) =>
      m.t === 'path'
        ? {
            ...m,
            width: m.width && m.width > 2.5 ? 1.2 : m.width,
            stroke: m.stroke === 'ink' && m.width && m.width > 2.5 ? ('hair-2' as const) : m.stroke,
          }
        : m,
    ),
  }))

/** The members themselves, for labels to keep clear of. */
export function memberObstacles(s: Structure, view: View, axis: boolean): Obstacle[] {
  return s.members.map((m) => {
    const { a, b } = memberLine(s, view, m)
    return { a, b, half: m.bar || axis ? 2 : 5, weight: 8 }
  })
}
