import {
  isThing,
  thing,
  coursesOf,
  formatPlain,
  type ActionSolution,
  type Display,
  type Course,
  type Structure,
  type working,
} from '@viga/core'

import { dimensionGroups } from './dimensions'
import { drawLoads, LOAD_HAND, type DrawnLoad, type Grip } from './loads'
import { circle, plus, textWidth, times, unit, vec, type Group, type TextMark, type Vec } from './marks'
import { endsAtNodes, FULL_HAND, memberGroups } from './members'
import { drawAxialForces } from './axial-forces'
import { drawDeflected, largestDisplacement } from './deflected'
import { drawDiagram, type DiagramKey } from './diagrams'
import {
  again,
  place,
  placeAsBefore,
  ring,
  type Box,
  type Obstacle,
  type Placed,
  type Wish,
} from './label-placement'
import { drawReactions, drawUnknowns } from './reactions'
import { poseOf, supportGroups } from './supports'
import { isMap, MANY, memberLine, onScreen, roominess, type View } from './view'

export interface Layers {
  loads: boolean
  dimensions: boolean
  supports: boolean
  unknowns: boolean
  reactions: boolean
  names: boolean
  diagram: DiagramKey | null
  deflected: boolean
}

export interface SceneInput {
  structure: Structure
  view: View
  layers: Layers
  loads: readonly DrawnLoad[]
  display: Display
  /** Present when the structure is solved. */
  solved?: working.NumberedSolution & { action: ActionSolution }
  /** Enlargement of the deflected shape; chosen by itself when 0. */
  enlarge: number
  /** Values of Check drawn at their places. */
  notes?: readonly Wish[]
  /** While something is dragged: the labels as they stood before, which go along with what they belong to. */
  before?: readonly Placed[]
}

export interface Scene {
  groups: Group[]
  labels: Placed[]
  /** How many times the deflected shape is enlarged. */
  enlarged: number
  /** Too small for words: they come when it is enlarged. */
  map: boolean
  /** Corners of distributed loads, to be pulled. */
  grips: Grip[]
}

/** Height of the largest deflection on the screen when it chooses its own scale, px. */
const DEFLECTION_PX = 42

/**
 * Everything the Figure shows, as plain marks in drawing order, with every label placed clear of the others.
 * Pure: the same input gives the same drawing on screen, on paper and in a test.
 */
export function drawScene(input: SceneInput): Scene {
  const { structure: s, view, layers, display, solved } = input
  const truss = s.kind === 'truss'
  const room = roominess(s, view)
  const map = isMap(s, view)
  const axis = layers.diagram !== null || layers.deflected
  const forces = truss && layers.diagram === 'N' && solved !== undefined
  const groups: Group[] = []
  const wishes: Wish[] = []
  const obstacles: Obstacle[] = memberObstacles(s, view, axis)
  const boxes: Box[] = []
  /** Where load arrows are: dimension chains stand beyond them. */
  const loaded: Box[] = []
  const courses: Course[] | undefined = solved && axis ? coursesOf(solved.solution, solved.action) : undefined
  let enlarged = 0
  let grips: Grip[] = []

  for (const p of layers.supports ? s.supports : []) {
    const pose = poseOf(s, view, p, FULL_HAND, undefined, !axis)
    const n = s.nodes[p.node]
    const c = plus(onScreen(view, n.x, n.y), pose.ground, pose.reach / 2)
    boxes.push({
      x: c.x,
      y: c.y,
      w: Math.abs(pose.ground.x) * pose.reach + Math.abs(pose.ground.y) * 40,
      h: Math.abs(pose.ground.y) * pose.reach + Math.abs(pose.ground.x) * 40,
    })
  }
  const supports = layers.supports ? supportGroups(s, view, FULL_HAND, !axis) : []

  if (solved && courses && layers.diagram && !forces) {
    const key = layers.diagram
    const d = drawDiagram(solved.solution, view, courses, {
      key,
      tall: Math.max(20, 64 * room),
      spare: s.members.length > MANY,
      shown: key === 'M' ? display.moment.perSI : display.force.perSI,
    })
    groups.push(...d.groups)
    wishes.push(...d.wishes)
    obstacles.push(...d.obstacles)
  }
  if (forces) {
    const d = drawAxialForces(solved.solution, view, solved.action, display.force.perSI)
    groups.push(...d.groups)
    wishes.push(...d.wishes)
  }
  const members = memberGroups(s, view, axis ? 'axis' : 'timber', FULL_HAND)
  // force lines take the place of the members of a truss; its joints stay
  groups.push(
    ...(forces
      ? members.filter((g) => isThing(g.target, 'node'))
      : layers.deflected
        ? faint(members)
        : members),
  )
  if (solved && courses && layers.deflected) {
    const most = largestDisplacement(courses)
    const factor =
      input.enlarge > 0
        ? input.enlarge * view.scale
        : most > 0
          ? niceBelow(DEFLECTION_PX / most / view.scale) * view.scale
          : 0
    enlarged = factor / view.scale
    if (most > 0) groups.push(...drawDeflected(solved.solution, view, courses, factor))
  }
  groups.push(...supports, ...loneJoints(s, view))
  if (layers.loads) {
    const d = drawLoads(
      s,
      view,
      input.loads,
      room === 1
        ? LOAD_HAND
        : {
            ...LOAD_HAND,
            tall: Math.max(12, LOAD_HAND.tall * room),
            gap: Math.max(7, LOAD_HAND.gap * room),
            apart: LOAD_HAND.apart * Math.max(0.6, room),
            point: Math.max(24, LOAD_HAND.point * room),
          },
    )
    groups.push(...d.groups)
    wishes.push(...d.wishes)
    obstacles.push(...d.obstacles)
    boxes.push(...d.boxes)
    grips = d.grips
    loaded.push(...d.obstacles.flatMap((o) => [o.a, o.b]).map((p) => ({ x: p.x, y: p.y, w: 8, h: 8 })))
  }
  if (solved && layers.unknowns && !map) {
    const d = drawUnknowns(solved, view)
    groups.push(...d.groups)
    obstacles.push(...d.obstacles)
    boxes.push(...d.boxes)
  }
  if (solved && layers.reactions) {
    const d = drawReactions(
      solved.solution,
      view,
      solved.action,
      { force: display.force.perSI, moment: display.moment.perSI },
      !axis,
    )
    groups.push(...d.groups)
    boxes.push(...d.boxes)
    wishes.push(...d.wishes)
  }
  const letters = map ? [] : jointLetters(s, view)
  // beside the unknowns a name stands only where it has room
  const names = layers.names && !map ? memberNames(s, view, display, layers.unknowns) : []
  // in a crowd, values along members are said where they have room; the table has them all
  const said = map
    ? []
    : s.members.length > MANY
      ? wishes.map((w) => (isThing(w.target, 'member') ? { ...w, optional: true } : w))
      : wishes
  const all = [...letters, ...(input.notes ?? []), ...said, ...names].filter((w) => inSight(w, view))
  const labels = input.before ? placeAsBefore(all, input.before) : place(all, obstacles, boxes, view)
  if (layers.dimensions)
    groups.push(
      ...dimensionGroups(
        s,
        view,
        display.length.perSI,
        display.length.unit,
        dimensionReach(s, view, [...boxes, ...loaded], labels),
      ),
    )
  return { groups, labels, enlarged, grips, map }
}

/** Labels beyond the edges of the picture are neither looked for nor drawn. */
const BEYOND = 80
function inSight(w: Wish, view: View): boolean {
  const [c] = w.about ? [w.about.c] : w.candidates
  return (
    c === undefined ||
    (c.x > -BEYOND && c.y > -BEYOND && c.x < view.width + BEYOND && c.y < view.height + BEYOND)
  )
}

/** Joints that no member reaches yet, so that they can be seen and joined. */
function loneJoints(s: Structure, view: View): Group[] {
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

const faint = (groups: Group[]): Group[] =>
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

function memberObstacles(s: Structure, view: View, axis: boolean): Obstacle[] {
  return s.members.map((m) => {
    const { a, b } = memberLine(s, view, m)
    return { a, b, half: m.bar || axis ? 2 : 5, weight: 8 }
  })
}

/** Joint letters stand outside the angle of their members. */
function jointLetters(s: Structure, view: View): Wish[] {
  const ends = endsAtNodes(s)
  const dense = s.members.length > MANY
  // among very many a letter far from its joint would be taken for another's: it stands close by or not at
  // all
  const crowded = s.members.length > 100
  return s.nodes.map((n, i) => {
    const c = onScreen(view, n.x, n.y)
    const away = ends[i].map(({ member, end }) =>
      times(memberLine(s, view, s.members[member]).dir, end === 0 ? -1 : 1),
    )
    const support = s.supports.find((p) => p.node === i)
    const sum = away.reduce((t, v) => plus(t, v), vec(0, 0))
    const ground = support ? poseOf(s, view, support, FULL_HAND, ends).ground : undefined
    let prefer = Math.hypot(sum.x, sum.y) > 0.3 ? unit(sum) : vec(-0.5, -0.85)
    if (ground && prefer.x * ground.x + prefer.y * ground.y > 0.5)
      prefer = unit(plus(times(ground, -0.35), vec(-ground.y, ground.x)))
    const mark: Omit<TextMark, 'x' | 'y'> = {
      t: 'text',
      text: n.id,
      size: dense ? 13 : 17,
      weight: 500,
      italic: true,
      serif: true,
      fill: 'ink',
      halo: true,
    }
    return {
      key: `j${n.id}`,
      target: thing.node(n.id),
      mark,
      candidates: again(() =>
        ring(
          c,
          prefer,
          crowded ? [11, 14] : [11, 15, 21, 28, 38],
          textWidth(n.id, mark.size),
          mark.size * 0.7,
        ),
      ),
      about: { c, r: 46 },
      clear: 3,
      ...(crowded ? { optional: true } : {}),
    }
  })
}

/** Member names with their lengths, along the member. */
function memberNames(s: Structure, view: View, display: Display, spare: boolean): Wish[] {
  return s.members.map((m, i) => {
    const l = memberLine(s, view, m)
    let angle = (Math.atan2(l.dir.y, l.dir.x) * 180) / Math.PI
    if (angle > 90.01 || angle <= -89.99) angle += angle > 0 ? -180 : 180
    if (Math.abs(angle - 90) < 0.5) angle = -90
    const candidates: Vec[] = [0.5, 0.38, 0.62, 0.26, 0.74].flatMap((f) =>
      [-1, 1].map((k) => plus(plus(l.a, l.dir, f * l.px), l.up, k * 15)),
    )
    return {
      key: `n${i}`,
      target: thing.member(m.id),
      mark: {
        t: 'text',
        text: `${m.id}, ${formatPlain(m.length * display.length.perSI, 4)} ${display.length.unit}`,
        size: 13,
        italic: true,
        serif: true,
        fill: 'ink-2',
        rotate: angle,
        halo: true,
      },
      candidates,
      clear: 2,
      optional: spare || s.members.length > 25,
    }
  })
}

/** Dimension chains stand outside supports and labels, but inside the frame. */
function dimensionReach(
  s: Structure,
  view: View,
  boxes: readonly Box[],
  labels: readonly Placed[],
): { bottom: number; left: number } {
  const points = s.nodes.map((n) => onScreen(view, n.x, n.y))
  const all = [...boxes, ...labels.map((l) => l.box)]
  const low = Math.max(...points.map((p) => p.y), ...all.map((b) => b.y + b.h / 2))
  const left = Math.min(...points.map((p) => p.x), ...all.map((b) => b.x - b.w / 2))
  const reach = { bottom: low + 30, left: left - 22 }
  // in a picture that is not zoomed in, never out of sight
  const lowest = Math.max(...points.map((p) => p.y))
  const leftmost = Math.min(...points.map((p) => p.x))
  return {
    bottom:
      lowest < view.height ? Math.min(reach.bottom, Math.max(view.height - 12, lowest + 20)) : reach.bottom,
    left: leftmost > 0 ? Math.max(reach.left, Math.min(16, leftmost - 20)) : reach.left,
  }
}

/** The largest of 1, 2, 5 times a power of ten that is not above x. */
export function niceBelow(x: number): number {
  if (!(x > 0) || !Number.isFinite(x)) return 1
  const p = 10 ** Math.floor(Math.log10(x))
  return (x / p >= 5 ? 5 : x / p >= 2 ? 2 : 1) * p
}
