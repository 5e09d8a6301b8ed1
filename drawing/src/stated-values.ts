import {
  formatPlain,
  thing,
  type Display,
  type Structure,
  type StructureMember,
  type StructureSupport,
} from '@viga/core'
import { factorOf, type CasesShown } from './cases-shown'
import { loadLabel } from './load-label'
import type { Obstacle, LabelRequest } from './label-placement'
import {
  arrow,
  plus,
  textWidth,
  times,
  turn,
  uprightAngle,
  vec,
  type Group,
  type Mark,
  type Vec,
} from './marks'
import { memberLine, MANY, onScreen, type View } from './view'

/** What is stated beside loads and drawn with its value: springs, settlements and own weight. */
export interface StatedValues {
  groups: Group[]
  labelRequests: LabelRequest[]
  obstacles: Obstacle[]
}

/** Figures of a stated value beside the drawing. */
const FIGURES = 4
const said = (si: number, { perSI, unit }: { perSI: number; unit: string }) =>
  `${formatPlain(si * perSI, FIGURES)} ${unit}`.trim()

const quietLabel = (text: string): LabelRequest['mark'] => ({
  t: 'text',
  text,
  size: 11.5,
  fill: 'ink-2',
  halo: true,
})

/** Stiffnesses of springs at supports and at members' ends, settlements and own weight of the shown cases. */
export function statedValues(s: Structure, view: View, display: Display, cases: CasesShown): StatedValues {
  const out: StatedValues = { groups: [], labelRequests: [], obstacles: [] }
  for (const p of s.supports) {
    out.labelRequests.push(...supportSprings(s, view, display, p))
    const at = s.cases[p.settlementCase]
    if (at && cases.has(at.id)) settlement(s, view, display, p, factorOf(cases, at.id), out)
  }
  out.labelRequests.push(...endSprings(s, view, display))
  const weight = s.cases
    .filter((c) => cases.has(c.id))
    .reduce((sum, c) => sum + factorOf(cases, c.id) * c.selfWeight, 0)
  if (weight !== 0) out.labelRequests.push(...ownWeights(s, view, display, weight))
  return out
}

/** The stiffness of a rotational spring: a moment for each radian. */
const turning = ({ moment }: Display) => ({ perSI: moment.perSI, unit: `${moment.unit}/rad` })

function supportSprings(s: Structure, view: View, display: Display, p: StructureSupport): LabelRequest[] {
  const n = s.nodes[p.node]
  const c = onScreen(view, n.x, n.y)
  const down = vec(Math.sin(p.angle), Math.cos(p.angle))
  const left = vec(-Math.cos(p.angle), Math.sin(p.angle))
  const target = thing.support(n.id)
  const labelRequest = (key: string, text: string, at: Vec): LabelRequest => {
    const w = textWidth(text, 11.5) / 2
    return {
      key: `k${n.id}${key}`,
      target,
      mark: quietLabel(text),
      candidates: [
        plus(at, vec(w + 14, 0)),
        plus(at, vec(-w - 14, 0)),
        plus(at, vec(0, 26)),
        plus(at, vec(w + 14, 16)),
        plus(at, vec(0, -20)),
      ],
    }
  }
  const { x, y, rotation } = p.hold
  return [
    ...(typeof y === 'number' ? [labelRequest('y', said(y, display.stiffness), plus(c, down, 17))] : []),
    ...(typeof x === 'number' ? [labelRequest('x', said(x, display.stiffness), plus(c, left, 17))] : []),
    ...(typeof rotation === 'number' ? [labelRequest('m', said(rotation, turning(display)), c)] : []),
  ]
}

/** Springs of hinges and other releases, at the ends they stand at. */
function endSprings(s: Structure, view: View, display: Display): LabelRequest[] {
  return s.members.flatMap((m) => {
    const l = memberLine(s, view, m)
    return m.releases.flatMap((r, i): LabelRequest[] => {
      if (typeof r !== 'number') return []
      const [joint, way] = i < 3 ? [l.a, 1] : [l.b, -1]
      const c = plus(joint, l.dir, way * 12)
      const text = said(r, i % 3 === 2 ? turning(display) : display.stiffness)
      const w = textWidth(text, 11.5) / 2
      const beside = (k: number, along: number) =>
        plus(plus(c, l.up, k + Math.sign(k) * Math.abs(l.up.x) * w), l.dir, way * along)
      return [
        {
          key: `e${m.id}${i}`,
          target: thing.end(m.id, i < 3 ? 'start' : 'end'),
          mark: quietLabel(text),
          candidates: [beside(17, w / 2), beside(-17, w / 2), beside(17, 0), beside(-17, 0), beside(28, w)],
        },
      ]
    })
  })
}

/** A settlement as a short arrow off the support, with its amount; a turn as an arc. */
function settlement(
  s: Structure,
  view: View,
  display: Display,
  p: StructureSupport,
  factor: number,
  out: StatedValues,
) {
  const n = s.nodes[p.node]
  const c = onScreen(view, n.x, n.y)
  const target = thing.support(n.id)
  const axes = {
    x: vec(Math.cos(p.angle), -Math.sin(p.angle)),
    y: vec(-Math.sin(p.angle), -Math.cos(p.angle)),
  }
  const marks: Mark[] = []
  const say = (key: string, text: string, candidates: Vec[]) =>
    out.labelRequests.push({ key: `set${n.id}${key}`, target, mark: loadLabel(text), candidates })
  for (const key of ['x', 'y'] as const) {
    const v = factor * p.settlement[key]
    if (v === 0) continue
    const dir = times(axes[key], Math.sign(v))
    // beside the support, so that its symbol stays to be read
    const side = key === 'y' ? plus(c, vec(30, 0)) : plus(c, vec(0, 42))
    const [tail, tip] = [plus(side, dir, -13), plus(side, dir, 13)]
    marks.push(...arrow(tail, tip, 'load', { small: true, width: 1.3 }))
    out.obstacles.push({ a: tail, b: tip, half: 4 })
    const text = said(Math.abs(v), display.displacement)
    const w = textWidth(text, 12.5) / 2
    say(key, text, [
      plus(side, vec(w + 9, 6)),
      plus(side, vec(w + 9, -6)),
      plus(side, vec(0, 24)),
      plus(side, vec(-w - 44, 6)),
    ])
  }
  const r = factor * p.settlement.rotation
  if (r !== 0) {
    marks.push(...turn(c, 22, r > 0, 'load', { from: 20, sweep: 80, small: true }))
    const text = `${formatPlain(Math.abs(r), FIGURES)} rad`
    const w = textWidth(text, 12.5) / 2
    say('m', text, [plus(c, vec(26 + w, -16)), plus(c, vec(-26 - w, -16)), plus(c, vec(26 + w, 18))])
  }
  if (marks.length) out.groups.push({ key: `set${n.id}`, target, marks })
}

/** What the words of an own weight begin with. */
const WEIGHT = 'g = '

/** Whether a label says an own weight. */
export const isOwnWeight = ({ mark }: { mark: { text: string } }): boolean => mark.text.startsWith(WEIGHT)

/** Members with the same weight per length on which its words look for a place; more would take long. */
const MOST_TRIED = 8

/** The members of each weight per length, the longest first. */
function byWeight(s: Structure): StructureMember[][] {
  const out = new Map<string, StructureMember[]>()
  for (const m of s.members) {
    if (!(m.weight > 0)) continue
    const key = m.weight.toPrecision(6)
    out.set(key, [...(out.get(key) ?? []), m])
  }
  return [...out.values()].map((of) => of.sort((a, b) => b.length - a.length))
}

/**
 * Own weight, said once for each weight per length: on the longest member that has it, or on one parallel to
 * that where the longest has no room.
 */
function ownWeights(s: Structure, view: View, display: Display, factor: number): LabelRequest[] {
  return byWeight(s).map((of): LabelRequest => {
    const [m] = of
    const l = memberLine(s, view, m)
    const parallel = of.filter((o) => Math.abs(o.cos * m.sin - o.sin * m.cos) < 1e-6)
    const { perSI, unit } = display.distributed
    const amount = `${WEIGHT}${formatPlain(factor * m.weight * perSI, 3)}`
    const fits = (words: string) => l.px > textWidth(words, 12.5) + 24
    // along its member where that is long enough, without its unit if need be, which the caption has; else
    // level beside it where there is room
    const whole = `${amount} ${unit}`
    const text = fits(whole) ? whole : amount
    const along = fits(text)
    const w = textWidth(text, 12.5)
    const beside = (on: typeof l, k: number, share: number) =>
      plus(
        plus(on.a, on.dir, share * on.px),
        on.up,
        along ? 0.8 * k : k + (Math.sign(k) * Math.abs(on.up.x) * w) / 2,
      )
    return {
      key: `w${m.id}`,
      target: thing.member(m.id),
      mark: { ...loadLabel(text), ...(along ? { rotate: uprightAngle(l.dir) } : {}) },
      candidates: parallel.slice(0, MOST_TRIED).flatMap((o) => {
        const on = memberLine(s, view, o)
        return [-17, 17].flatMap((k) => [0.5, 0.35, 0.65].map((share) => beside(on, k, share)))
      }),
      optional: !along || s.members.length > MANY,
    }
  })
}
