import { working, type Display, type Structure } from '@viga/core'
import type { CasesShown } from './cases-shown'
import { drawLoads, LOAD_HAND } from './loads'
import { arrow, plus, textWidth, times, turn, vec, type Group, type Mark, type Vec } from './marks'
import { memberGroups } from './members'
import { place, type Box, type Obstacle, type Placed, type LabelRequest } from './label-placement'
import { withOwnWeight } from './own-weight'
import { supportGroups } from './supports'
import { fit, memberLine } from './view'
import { drawnLoads } from './words'

/** A force or moment on an end of a member, in member axes, with its amount in words. */
export interface EndForce {
  /** 0 to 5: along, across, moment at the start, then at the end. */
  at: number
  value: number
  words: string
}

export interface HeldMember {
  groups: Group[]
  labels: Placed[]
  width: number
  /** The part of the page that is drawn upon, from `top`. */
  top: number
  height: number
}

const WIDE = 520
/** How long a member is drawn, px: lying flat, and standing up. */
const [LYING, STANDING] = [304, 110]

/** What is left out below this share of the largest. */
const NOTHING = 1e-9

/** One member between two walls that hold it, its loads, and the forces the walls put on it, as they act. */
export function heldMember(
  s: Structure,
  member: number,
  cases: CasesShown,
  display: Display,
  forces: readonly EndForce[],
): HeldMember {
  const alone = byItself(s, member)
  const rise = Math.abs(alone.members[0].sin)
  const room = 120
  const long = LYING + (STANDING - LYING) * rise
  const [width, height] = [WIDE, 2 * room + rise * long + 1]
  const view = fit(alone.nodes, width, height, { left: 108, right: 108, top: room, bottom: room })
  const l = memberLine(alone, view, alone.members[0])
  const loads = drawLoads(alone, view, drawnLoads(alone, cases, display), LOAD_HAND)
  const obstacles: Obstacle[] = [{ a: l.a, b: l.b, half: 6, weight: 8 }, ...loads.obstacles]
  const boxes: Box[] = [...loads.boxes]
  const labelRequests: LabelRequest[] = [...loads.labelRequests]
  const groups: Group[] = [
    ...memberGroups(alone, view, 'timber'),
    ...supportGroups(alone, view),
    ...loads.groups,
  ]
  for (const end of [0, 1] as const) {
    const c = end === 0 ? l.a : l.b
    const outward = times(l.dir, end === 0 ? -1 : 1)
    const d = endForces(
      { c, outward, dir: l.dir, up: l.up },
      forces.filter((f) => Math.floor(f.at / 3) === end),
      forces,
    )
    if (d.marks.length) groups.push({ key: `f${end}`, marks: d.marks })
    labelRequests.push(...d.labelRequests, letter(alone.nodes[end].id, c, outward, l.up))
    obstacles.push(...d.obstacles)
  }
  const labels = place(labelRequests, obstacles, boxes, view)
  const ys = [
    ...labels.flatMap(({ box }) => [box.y - box.h / 2, box.y + box.h / 2]),
    ...obstacles.flatMap((o) => [o.a.y, o.b.y]),
    l.a.y - 18,
    l.a.y + 18,
    l.b.y - 18,
    l.b.y + 18,
  ]
  const top = Math.min(...ys) - 8
  return { groups, labels, width, top, height: Math.max(...ys) + 8 - top }
}

/** The member with its loads, held at both ends, all else left out. */
function byItself(s: Structure, member: number): Structure {
  const m = s.members[member]
  const free = { x: 0, y: 0, rotation: 0 }
  return withOwnWeight({
    ...s,
    kind: 'frame',
    nodes: [s.nodes[m.start], s.nodes[m.end]],
    members: [{ ...m, start: 0, end: 1 }],
    supports: [0, 1].map((node) => ({
      node,
      angle: 0,
      hold: { x: true, y: true, rotation: true },
      settlement: free,
      settlementCase: 0,
    })),
    cases: s.cases.map((c) => ({
      ...c,
      loads: c.loads.flatMap((o) => (o.type !== 'nodal' && o.member === member ? [{ ...o, member: 0 }] : [])),
    })),
  })
}

const letter = (id: string, c: Vec, outward: Vec, up: Vec): LabelRequest => ({
  key: `n${id}`,
  mark: { t: 'text', text: id, size: 15, fill: 'ink', italic: true, serif: true, halo: true },
  candidates: [-1, 1].flatMap((k) => [
    plus(plus(c, up, 24 * k), outward, -8),
    plus(plus(c, up, 30 * k), outward, 10),
  ]),
})

/** An end of a held member on the page: where it is, which way is outward, along and across. */
interface EndPlace {
  c: Vec
  outward: Vec
  dir: Vec
  up: Vec
}

/** A force as it is drawn at an end: its marks, what labels keep clear of, where its amount may stand. */
interface EndMark {
  marks: Mark[]
  obstacles: Obstacle[]
  candidates: Vec[]
}

/** So far from a point that words of half a width w clear it, whichever way the member runs. */
const clearOf = (p: Vec, way: Vec, more: number, w: number) => plus(p, way, more + Math.abs(way.x) * w)

/** The moment as an arc about the end. */
function endMoment({ c, outward, up }: EndPlace, value: number, w: number): EndMark {
  // degrees counter-clockwise on the page from the right
  const facing = (Math.atan2(-outward.y, outward.x) * 180) / Math.PI
  const p = (t: number) =>
    vec(
      c.x + 25 * Math.cos(((facing + t) * Math.PI) / 180),
      c.y - 25 * Math.sin(((facing + t) * Math.PI) / 180),
    )
  return {
    marks: turn(c, 25, value > 0, 'reaction', { from: facing - 58, sweep: 116 }),
    obstacles: [-40, -14, 14, 40].map((a) => ({ a: p(a - 14), b: p(a + 14), half: 3 })),
    candidates: [1, -1].flatMap((k) => [
      clearOf(plus(c, times(up, k), 33), outward, 2, w),
      clearOf(plus(c, times(up, k), 42), outward, 0, w),
    ]),
  }
}

/** The shear across the member, beyond its end. */
function endShear({ c, outward, up }: EndPlace, value: number, w: number): EndMark {
  const at = plus(c, outward, 38)
  const sense = Math.sign(value)
  const [tail, tip] = [plus(at, up, -22 * sense), plus(at, up, 22 * sense)]
  return {
    marks: arrow(tail, tip, 'reaction'),
    obstacles: [{ a: tail, b: tip, half: 4 }],
    candidates: [
      clearOf(at, outward, 9, w),
      ...[1, -1].map((k) => clearOf(plus(at, up, 15 * k), outward, 9, w)),
      ...[1, -1].map((k) => plus(at, up, 32 * k)),
    ],
  }
}

/** The axial force in line with the member, so far beyond its end. */
function endAxial({ c, outward, dir, up }: EndPlace, value: number, w: number, beyond: number): EndMark {
  const start = plus(c, outward, beyond)
  const outer = plus(start, outward, 40)
  const pulls = value * (dir.x * outward.x + dir.y * outward.y) >= 0
  const [tail, tip] = pulls ? [start, outer] : [outer, start]
  const mid = plus(start, outward, 22)
  return {
    marks: arrow(tail, tip, 'reaction'),
    obstacles: [{ a: tail, b: tip, half: 4 }],
    candidates: [1, -1].flatMap((k) => [
      clearOf(mid, times(up, k), 12, w),
      clearOf(mid, times(up, k), 24, w),
    ]),
  }
}

/** Beyond a wall: the moment as an arc about the end, the shear across, the axial force in line. */
function endForces(place: EndPlace, own: readonly EndForce[], all: readonly EndForce[]) {
  const most = (turns: boolean) =>
    Math.max(...all.filter((f) => (f.at % 3 === 2) === turns).map((f) => Math.abs(f.value)), 0)
  const isThere = (f: EndForce) => Math.abs(f.value) > NOTHING * most(f.at % 3 === 2)
  // the axial force stands beyond the others, or close to the wall where there are none
  const beyond = own.some((f) => f.at % 3 !== 0 && isThere(f)) ? 46 : 20
  const drawn = own.filter(isThere).map((f) => {
    const w = textWidth(f.words, 12.5) / 2
    const mark =
      f.at % 3 === 2
        ? endMoment(place, f.value, w)
        : f.at % 3 === 1
          ? endShear(place, f.value, w)
          : endAxial(place, f.value, w, beyond)
    const labelRequest: LabelRequest = {
      key: `w${f.at}`,
      mark: { t: 'text', text: f.words, size: 12.5, weight: 600, fill: 'reaction', halo: true },
      candidates: mark.candidates,
      clear: 2,
    }
    return { ...mark, labelRequest }
  })
  return {
    marks: drawn.flatMap((d) => d.marks),
    labelRequests: drawn.map((d) => d.labelRequest),
    obstacles: drawn.flatMap((d) => d.obstacles),
  }
}

/** The fixed-end forces of a step, with their amounts in words. */
export const endForcesOf = (
  book: working.Ledger,
  { forces }: working.DrawingBlock,
  reading: working.Reading,
): EndForce[] =>
  forces.flatMap(({ end, at }) => {
    const e = book.entry(at)
    return e
      ? [{ at: end - 1, value: e.value, words: `${working.shown(Math.abs(e.value), reading)} ${e.unit}` }]
      : []
  })
