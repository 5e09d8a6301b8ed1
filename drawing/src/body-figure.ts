import { thing, withUnit, type Display, type working } from '@viga/core'
import { boundsOf, type Bounds } from './bounds'
import type { CasesShown } from './cases-shown'
import { place, type Box, type LabelRequest, type Obstacle, type Placed } from './label-placement'
import { drawLoads, LOAD_HAND } from './loads'
import { arrow, circle, dot, line, plus, textWidth, times, turn, unit, vec } from './marks'
import type { Group, Ink, TextMark, Vec } from './marks'
import { FULL_HAND, memberGroups } from './members'
import { memberObstacles, supportBoxes } from './scene-parts'
import { jointLetters } from './scene-names'
import { withOwnWeight } from './own-weight'
import { supportGroups } from './supports'
import { fit, memberLine, onScreen, type View } from './view'
import { drawnLoads } from './words'

/** A drawing of its own inside a step: its marks and the room it takes. */
export interface SmallFigure {
  groups: Group[]
  labels: Placed[]
  bounds: Bounds
}

const INKS: Record<working.BodyArrow['kind'], Ink> = {
  load: 'load',
  reaction: 'reaction',
  cut: 'cedar-deep',
}
/** Stub of a cut member, arrow of a force, half an arrow across a cut, radius of the arc of a moment, px. */
const [STUB, LONG, HALF, ARC] = [26, 40, 20, 17]
/** The middle of the arc of a moment on the face of a piece, from the face, px. */
const BESIDE = 14
/** Room between an arrow and what it acts on, px. */
const GAP = 4
/** The room round the structure for its forces and their names, px. */
const ROOM = { left: 96, right: 96, top: 92, bottom: 92 }

/**
 * The view of a body: a joint by itself takes the room of its arrows, a long body the width of the page.
 */
function viewOf({ structure: { nodes } }: working.BodyBlock): View {
  const [xs, ys] = [nodes.map((n) => n.x), nodes.map((n) => n.y)]
  const [wide, tall] = [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)]
  const width = wide === 0 ? 260 : 520
  const height = tall === 0 ? 240 : Math.min(420, 190 + (wide === 0 ? 200 : (330 * tall) / wide))
  return fit(nodes, width, height, ROOM)
}

/** An arrow on the page: from where to where, or the arc about its point. */
interface Drawn {
  groups: Group
  obstacles: Obstacle[]
  candidates: (w: number) => Vec[]
}

/** True where a force of this direction lies along the member that is cut. */
const isAlong = (v: Vec, outward: Vec) => Math.abs(dot(v, outward)) > 0.7

/** The sense of a line in which no member of the body leaves a point. */
function freeSense(block: working.BodyBlock, view: View, c: Vec, sense: Vec): Vec {
  const { structure: s } = block
  const taken = s.members.flatMap((m) => {
    const l = memberLine(s, view, m)
    return [
      ...(Math.hypot(l.a.x - c.x, l.a.y - c.y) < 2 ? [l.dir] : []),
      ...(Math.hypot(l.b.x - c.x, l.b.y - c.y) < 2 ? [times(l.dir, -1)] : []),
    ]
  })
  const stubs = block.forces.flatMap((f) => {
    const p = onScreen(view, f.x, f.y)
    return f.outward && Math.hypot(p.x - c.x, p.y - c.y) < 2 ? [vec(f.outward.x, -f.outward.y)] : []
  })
  const crowd = (d: Vec) => Math.max(-1, ...[...taken, ...stubs].map((t) => dot(t, d)))
  const behind = times(sense, -1)
  return crowd(sense) < crowd(behind) - 0.2 ? sense : behind
}

/** An arrow between two points, with places for its name beside and beyond it. */
function straight(key: string, tail: Vec, tip: Vec, far: Vec, ink: Ink): Drawn {
  const dir = unit(plus(tip, tail, -1))
  const mid = times(plus(tail, tip), 0.5)
  const out = unit(plus(far, mid, -1))
  const side = vec(-dir.y, dir.x)
  return {
    groups: { key, marks: arrow(tail, tip, ink) },
    obstacles: [{ a: tail, b: tip, half: 4 }],
    candidates: (w) => [
      plus(far, out, 10 + w * Math.abs(out.x)),
      ...[1, -1].map((k) => plus(mid, side, k * (11 + w * Math.abs(side.x)))),
      ...[1, -1].map((k) => plus(plus(mid, side, k * (11 + w * Math.abs(side.x))), dir, 12 * k)),
    ],
  }
}

/** A moment as an arc: about its point, or on the piece of a member that leads outward from there. */
function arcOf(key: string, at: Vec, positive: boolean, ink: Ink, outward?: Vec): Drawn {
  const c = outward ? plus(at, outward, BESIDE) : at
  const facing = outward ? (Math.atan2(-outward.y, outward.x) * 180) / Math.PI : 0
  const options = outward ? { from: facing - 65, sweep: 130 } : { from: -35, sweep: 250 }
  const p = (t: number) => vec(c.x + ARC * Math.cos(t), c.y - ARC * Math.sin(t))
  return {
    groups: { key, marks: turn(c, ARC, positive, ink, options) },
    obstacles: [0, 1, 2, 3].map((k) => ({ a: p((k * Math.PI) / 2), b: p(((k + 1) * Math.PI) / 2), half: 2 })),
    candidates: (w) =>
      [60, 120, -60, -120, 180, 0].map((a) => {
        const d = vec(Math.cos((a * Math.PI) / 180), -Math.sin((a * Math.PI) / 180))
        return plus(c, vec(d.x * (ARC + 8 + w), d.y * (ARC + 12)))
      }),
  }
}

/** A force or a moment of the body as it is drawn. */
function drawArrow(block: working.BodyBlock, view: View, f: working.BodyArrow, i: number): Drawn {
  const ink = INKS[f.kind]
  const key = `arrow${i}`
  const c = onScreen(view, f.x, f.y)
  const positive = f.value === 'sought' || f.value > 0
  const outward = f.outward && vec(f.outward.x, -f.outward.y)
  if (f.dir === 'turn') return arcOf(key, c, positive, ink, outward)
  const sense = times(vec(f.dir.x, -f.dir.y), positive ? 1 : -1)
  if (outward && isAlong(sense, outward)) {
    const start = plus(c, outward, STUB + GAP)
    const outer = plus(start, outward, LONG)
    const pulls = dot(sense, outward) > 0
    return straight(key, pulls ? start : outer, pulls ? outer : start, outer, ink)
  }
  if (outward) {
    // across a cut: beside its face
    const at = plus(c, outward, 9)
    const [tail, tip] = [plus(at, sense, -HALF), plus(at, sense, HALF)]
    return straight(key, tail, tip, tip, ink)
  }
  const side = f.kind === 'load' ? times(sense, -1) : freeSense(block, view, c, sense)
  const start = plus(c, side, 8)
  const outer = plus(start, side, LONG + 4)
  const pulls = dot(sense, side) > 0
  return straight(key, pulls ? start : outer, pulls ? outer : start, outer, ink)
}

/** The name and amount of a force. */
function wordsOf({ value, name, sense, dir, bare }: working.BodyArrow, display: Display) {
  if (value === 'sought' || bare)
    return { text: name?.letter ?? '', sub: name?.sub, italic: true, serif: true, size: 14.5 }
  const amount = withUnit(Math.abs(value), dir === 'turn' ? display.moment : display.force)
  return { text: sense ? `${amount} (${sense})` : amount, size: 12.5, weight: 600 as const }
}

function label(block: working.BodyBlock, d: Drawn, i: number, display: Display): LabelRequest {
  const f = block.forces[i]
  const mark: Omit<TextMark, 'x' | 'y'> = {
    t: 'text',
    fill: INKS[f.kind],
    halo: true,
    ...wordsOf(f, display),
  }
  const w = textWidth(mark.text + (mark.sub ?? ''), mark.size) / 2
  return { key: `w${i}`, mark, candidates: d.candidates(w), clear: 2 }
}

/** The stubs of members that are cut off at a joint. */
const stubs = (block: working.BodyBlock, view: View): Group[] =>
  block.forces.flatMap(({ x, y, outward, kind }, i) => {
    if (!outward || kind !== 'cut') return []
    const c = onScreen(view, x, y)
    const tip = plus(c, vec(outward.x, -outward.y), STUB)
    const long = block.structure.members.length === 0 || block.structure.kind === 'truss'
    return long ? [{ key: `stub${i}`, marks: [line(c, tip, 'ink', FULL_HAND.bar)] }] : []
  })

/** Points that moments are taken about, as a crossed ring, and points of inflection, as a dot. */
const points = ({ points = [] }: working.BodyBlock, view: View): Group[] =>
  points.map(({ x, y, kind }, i) => {
    const c = onScreen(view, x, y)
    return {
      key: `point${i}`,
      marks:
        kind === 'inflection'
          ? [circle(c, 4.5, { fill: 'paper', stroke: 'cedar', width: 1.6 })]
          : [
              circle(c, 4, { stroke: 'cedar', width: 1.4 }),
              line(vec(c.x - 9, c.y), vec(c.x + 9, c.y), 'cedar', 1.2),
              line(vec(c.x, c.y - 9), vec(c.x, c.y + 9), 'cedar', 1.2),
            ],
    }
  })

/** The names of points that are no joints of the body. */
const pointNames = ({ points: all = [] }: working.BodyBlock, view: View): LabelRequest[] =>
  all.flatMap(({ x, y, name }, i): LabelRequest[] => {
    if (name === undefined) return []
    const c = onScreen(view, x, y)
    const mark: LabelRequest['mark'] = {
      t: 'text',
      text: name,
      size: 17,
      weight: 500,
      italic: true,
      serif: true,
      fill: 'ink-2',
    }
    return [{ key: `p${i}`, mark, candidates: [vec(c.x + 14, c.y + 14), vec(c.x - 14, c.y + 14)] }]
  })

/** A body by itself with every force on it, cropped to what is drawn. */
export function bodyFigure(block: working.BodyBlock, cases: CasesShown, display: Display): SmallFigure {
  const { structure: s } = block
  const view = viewOf(block)
  const loads = block.loads
    ? drawLoads(s, view, drawnLoads(withOwnWeight(s), cases, display), LOAD_HAND)
    : undefined
  const arrows = block.forces.map((f, i) => drawArrow(block, view, f, i))
  const joints: Group[] =
    s.members.length === 0
      ? s.nodes.map((n) => ({
          key: `joint${n.id}`,
          target: thing.node(n.id),
          marks: [circle(onScreen(view, n.x, n.y), 4.2, { stroke: 'ink', width: 1.4, fill: 'paper' })],
        }))
      : []
  const groups: Group[] = [
    ...stubs(block, view),
    ...memberGroups(s, view, s.kind === 'truss' ? 'axis' : 'timber'),
    ...supportGroups(s, view),
    ...joints,
    ...(loads?.groups ?? []),
    ...arrows.map((a) => a.groups),
    ...points(block, view),
  ]
  const requests = [
    ...arrows.map((a, i) => label(block, a, i, display)).filter((r) => r.mark.text !== ''),
    ...(loads?.labelRequests ?? []),
    ...jointLetters(s, view).filter((r) => r.mark.text !== ''),
    ...pointNames(block, view),
  ]
  const obstacles: Obstacle[] = [
    ...memberObstacles(s, view, false),
    ...(loads?.obstacles ?? []),
    ...arrows.flatMap((a) => a.obstacles),
  ]
  const boxes: Box[] = [...supportBoxes(s, view, false), ...(loads?.boxes ?? [])]
  const labels = place(requests, obstacles, boxes)
  return { groups, labels, bounds: boundsOf(groups, labels)! }
}
