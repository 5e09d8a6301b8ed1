import type { StatedLoad, Structure } from '@viga/core'
import type { Box, Obstacle, LabelRequest } from './label-placement'
import { drawConcentrated } from './load-concentrated'
import { drawCouples } from './load-couples'
import { drawRow } from './load-row'
import { drawTag } from './load-tag'
import { dot, plus, times, unit, vec, type Group, type Vec } from './marks'
import { memberLine, onScreen, type View } from './view'

/** A load with its place in the document and the words at its arrows. */
export interface DrawnLoad {
  target: string
  load: StatedLoad
  /** Values as the figure says them: of the whole, or at the two ends of a varying one. */
  words: LoadWords
  /** Where loads of several cases are drawn: the case, and how its lines are broken. */
  of?: { id: string; dash: string | undefined }
}

export interface LoadWords {
  main: string
  /** Value at the end where it differs from the start. */
  end?: string
  /** Nodal and point loads: the force and the couple apart. */
  couple?: string
}

export interface LoadHand {
  gap: number
  tall: number
  apart: number
  point: number
  small: boolean
}
export const LOAD_HAND: LoadHand = { gap: 11, tall: 36, apart: 24, point: 46, small: false }
export const CARD_LOAD_HAND: LoadHand = { gap: 6, tall: 15, apart: 11, point: 20, small: true }

/** A corner of a distributed load that can be pulled: where it is, and what a pixel of pulling means. */
export interface Grip {
  /** The key of this corner: case, load, point. */
  target: string
  at: Vec
  /** Away from the member, and along it. */
  back: Vec
  along: Vec
  siPerPx: number
  /** Value in the direction the load acts (N/m) and place (m) of the point. */
  value: number
  x: number
}

export interface LoadDrawing {
  grips: Grip[]
  groups: Group[]
  labelRequests: LabelRequest[]
  obstacles: Obstacle[]
  boxes: Box[]
}

/** Draws loads as they act: rows of arrows with an outline, single arrows, arcs; each with its value. */
export function drawLoads(
  s: Structure,
  view: View,
  loads: readonly DrawnLoad[],
  hand: LoadHand = LOAD_HAND,
): LoadDrawing {
  const out: LoadDrawing = { grips: [], groups: [], labelRequests: [], obstacles: [], boxes: [] }
  const most = Math.max(
    0,
    ...loads.flatMap(({ load: l }) => (l.type === 'distributed' ? l.points.map((p) => Math.abs(p.q)) : [])),
  )
  const silent = repeated(s, loads)
  // rows on the same side of the same member stand one above the other
  const stacked = new Map<string, number>()
  for (const d of loads) {
    const { load } = d
    const [groups, labelRequests] = [out.groups.length, out.labelRequests.length]
    if (load.type === 'distributed') drawRow(s, view, d, load, most, hand, stacked, out, silent.has(d.target))
    else if (load.type === 'nodal') {
      const n = s.nodes[load.node]
      const force = vec(load.fx, -load.fy)
      const gap = nodeClearance(s, load.node, hand)
      const hangs = memberStands(s, view, load.node, force)
      drawConcentrated({ d, at: onScreen(view, n.x, n.y), force, moment: load.m, hand, gap, hangs }, out)
    } else if (load.type === 'point') {
      const m = s.members[load.member]
      const l = memberLine(s, view, m)
      const f = load.axes === 'global' ? vec(load.fx, -load.fy) : plus(times(l.dir, load.fx), l.up, load.fy)
      const at = plus(l.a, l.dir, load.at * view.scale)
      const gap = hand.small ? 4 : 9
      drawConcentrated({ d, at, force: f, moment: load.m, hand, gap, hangs: false }, out)
    } else if (load.type === 'couple') drawCouples(s, view, d, load, hand, out)
    else
      drawTag(
        s,
        view,
        d,
        load.member,
        load.type === 'misfit' && (load.slip !== 0 || load.kink !== 0) ? load.at : undefined,
        hand,
        out,
      )
    if (d.of) marked(d.of, out.groups.slice(groups), out.labelRequests.slice(labelRequests))
  }
  return out
}

/** Lines broken and words marked by the case they belong to. */
function marked(
  { id, dash }: { id: string; dash: string | undefined },
  groups: Group[],
  labelRequests: LabelRequest[],
) {
  for (const g of groups)
    for (const m of g.marks)
      if (m.t === 'path' && m.stroke === 'load' && dash !== undefined && m.dash === undefined) m.dash = dash
  for (const w of labelRequests) w.mark.aside = id
}

/**
 * Uniform rows that go on unchanged over a straight run of members are said once, in the middle of the run.
 */
function repeated(s: Structure, loads: readonly DrawnLoad[]): Set<string> {
  const runs = new Map<string, { target: string; along: number }[]>()
  for (const d of loads) {
    if (d.load.type !== 'distributed' || d.words.end !== undefined) continue
    const m = s.members[d.load.member]
    const from = s.nodes[m.start]
    const round = (v: number) => Math.round(v * 1e6) / 1e6
    const line = `${round(m.cos)} ${round(m.sin)} ${round(from.x * m.sin - from.y * m.cos)}`
    const key = `${line} ${d.load.direction} ${d.load.per} ${d.load.points[0].q}`
    const run = runs.get(key) ?? []
    run.push({ target: d.target, along: from.x * m.cos + from.y * m.sin })
    runs.set(key, run)
  }
  const silent = new Set<string>()
  for (const run of runs.values()) {
    run.sort((a, b) => a.along - b.along)
    run.forEach((r, i) => i !== (run.length - 1) >> 1 && silent.add(r.target))
  }
  return silent
}

const nodeClearance = (s: Structure, node: number, hand: LoadHand) =>
  s.members.some((m) => !m.bar && (m.start === node || m.end === node))
    ? hand.small
      ? 4
      : 9
    : hand.small
      ? 3
      : 6

/**
 * Whether a member stands where the arrow would come from, while the far side is free: then the arrow hangs
 * from the joint.
 */
function memberStands(s: Structure, view: View, node: number, f: Vec): boolean {
  const dir = unit(f)
  const away = s.members.flatMap((m) =>
    m.start === node
      ? [memberLine(s, view, m).dir]
      : m.end === node
        ? [times(memberLine(s, view, m).dir, -1)]
        : [],
  )
  const supported = s.supports.some((p) => p.node === node)
  return !supported && away.some((v) => dot(v, dir) < -0.9) && !away.some((v) => dot(v, dir) > 0.8)
}
