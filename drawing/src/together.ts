import type { ActionSolution, Course, Display, Signs, Solution, Structure } from '@viga/core'
import { drawDiagram, largest, type DiagramDrawing, type DiagramKey } from './diagrams'
import { line, vec, type Group } from './marks'
import type { LabelRequest } from './label-placement'
import { memberGroups, FULL_HAND } from './members'
import { supportGroups } from './supports'
import { fit, onScreen, type View } from './view'

/** What is drawn together: the result, and how it is shown. */
export interface TogetherInput {
  solution: Solution
  action: ActionSolution
  courses: readonly Course[]
  view: View
  display: Display
  signs: Signs | undefined
  /** Diagrams are so many times as tall as usual. */
  size: number
}

/** A beam in the textbook's sense: all members in one level line, so that diagrams stand below each other. */
export function isLevelBeam(s: Structure): boolean {
  if (s.members.length === 0) return false
  const ys = s.nodes.map((n) => n.y)
  const length = s.members.reduce((most, m) => Math.max(most, m.length), 0)
  return Math.max(...ys) - Math.min(...ys) <= 1e-6 * length && s.members.every((m) => !m.bar)
}

/** The diagrams that are not zero throughout, in the order of a textbook. */
const shownKeys = ({ courses }: TogetherInput): DiagramKey[] => {
  const most = Math.max(...(['N', 'V', 'M'] as const).map((k) => largest(courses, k)))
  return (['N', 'V', 'M'] as const).filter((k) => largest(courses, k) > 1e-9 * most)
}

const perSI = (display: Display, key: DiagramKey) => (key === 'M' ? display.moment : display.force)

/** Room above the first diagram for the beam's own supports and reactions, px. */
const BEAM_PX = 120
/** A diagram's share of the room between two base lines, half above and half below. */
const SHARE = 0.36

/**
 * N, V and M of a beam below each other under the beam, each on a base line of its own, with fine lines down
 * from the joints.
 */
export function stackedBelow(input: TogetherInput): DiagramDrawing {
  const { view, solution, display, signs, courses, size } = input
  const { nodes } = solution.structure
  const out: DiagramDrawing = { groups: [], labelRequests: [], obstacles: [] }
  const keys = shownKeys(input)
  const beam = onScreen(view, 0, nodes[0].y).y
  const room = Math.max(90, (view.height - beam - BEAM_PX) / Math.max(1, keys.length))
  const xs = nodes.map((n) => onScreen(view, n.x, n.y).x)
  const [left, right] = [Math.min(...xs), Math.max(...xs)]
  const base = (i: number) => beam + BEAM_PX + (i + 0.45) * room
  out.groups.push({
    key: 'down',
    marks: xs.map((x) =>
      line(vec(x, beam + 44), vec(x, base(keys.length - 1) + 0.5 * room), 'hair-2', 0.7, { dash: '2 4' }),
    ),
  })
  keys.forEach((key, i) => {
    const lowered = { ...view, oy: view.oy + base(i) - beam }
    const { perSI: shown, unit } = perSI(display, key)
    const drawn = drawDiagram(solution, lowered, courses, {
      key,
      tall: SHARE * room * size,
      shown,
      signs,
      once: true,
      spare: solution.structure.members.length > 16,
    })
    out.groups.push({
      key: `base${key}`,
      marks: [line(vec(left, base(i)), vec(right, base(i)), 'ink', 1.6)],
    })
    add(out, drawn, key)
    out.labelRequests.push(title(key, unit, left - 30, base(i)))
  })
  return out
}

/** The drawing with its keys made its own, so that three diagrams of one member do not share one. */
function add(out: DiagramDrawing, drawn: DiagramDrawing, key: DiagramKey) {
  out.groups.push(...drawn.groups.map((g) => ({ ...g, key: `${key}${g.key}` })))
  out.labelRequests.push(...drawn.labelRequests.map((w) => ({ ...w, key: `${key}${w.key}` })))
  out.obstacles.push(...drawn.obstacles)
}

const title = (key: DiagramKey, unit: string, x: number, y: number): LabelRequest => ({
  key: `title${key}`,
  mark: { t: 'text', text: key, aside: unit, size: 15, weight: 500, fill: 'ink', italic: true, serif: true },
  candidates: [vec(x, y), vec(x, y - 14), vec(x, y + 14)],
})

/** N, V and M of any structure, each on a smaller picture of its own, side by side or below each other. */
export function sideBySide(input: TogetherInput): DiagramDrawing {
  const { view, solution, display, signs, courses, size } = input
  const { structure: s } = solution
  const out: DiagramDrawing = { groups: [], labelRequests: [], obstacles: [] }
  const keys = shownKeys(input)
  panels(s, view, keys.length).forEach((panel, i) => {
    const key = keys[i]
    const { perSI: shown, unit } = perSI(display, key)
    const members: Group[] = [
      ...memberGroups(s, panel, 'axis', FULL_HAND),
      ...supportGroups(s, panel, FULL_HAND, false),
    ]
    out.groups.push(...members.map((g) => ({ ...g, key: `${key}${g.key}` })))
    add(
      out,
      drawDiagram(solution, panel, courses, {
        key,
        tall: 30 * size,
        shown,
        signs,
        spare: s.members.length > 6,
      }),
      key,
    )
    out.labelRequests.push(title(key, unit, beside(s, panel), panel.top + 24))
  })
  return out
}

/** A place for a title to the left of the structure. */
const beside = (s: Structure, view: View) => Math.min(...s.nodes.map((n) => onScreen(view, n.x, n.y).x)) - 48

/** Views of the structure in equal parts of the picture: in the direction in which it is drawn larger. */
function panels(s: Structure, view: View, count: number): (View & { left: number; top: number })[] {
  const inRows = layout(s, view, 1, count)
  const inColumns = layout(s, view, count, 1)
  return inRows[0].scale >= inColumns[0].scale ? inRows : inColumns
}

function layout(s: Structure, view: View, columns: number, rows: number) {
  const [w, h] = [view.width / columns, view.height / rows]
  const insets = {
    left: Math.min(84, w / 3.5),
    right: Math.min(56, w / 5),
    top: Math.min(44, h / 4),
    bottom: Math.min(40, h / 4),
  }
  const one = fit(s.nodes, w, h, insets)
  return Array.from({ length: columns * rows }, (_, i) => {
    const [left, top] = [(i % columns) * w, Math.floor(i / columns) * h]
    return { ...one, ox: one.ox + left, oy: one.oy + top, width: view.width, height: view.height, left, top }
  })
}
