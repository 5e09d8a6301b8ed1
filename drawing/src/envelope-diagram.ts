import {
  envelopeOf,
  formatNumber,
  signFactors,
  thing,
  OWN_SIGNS,
  type Envelope,
  type Solution,
  type Structure,
} from '@viga/core'
import { ROUNDING, valueWord } from './diagram-values'
import { sideOf } from './diagram-side'
import type { DiagramDrawing, DiagramKey, DiagramOptions } from './diagrams'
import { circle, plus, polyline, textWidth, type Vec } from './marks'
import { memberLine, type View } from './view'

/** On a small picture a curve is read at places no closer than this; px. */
const NEAR_PX = 3

/** The envelope of all cases and combinations, where a drawing is to show one. */
export function envelopeShown(
  layers: { envelope?: boolean; diagram: DiagramKey | null },
  solution: Solution,
): Envelope | undefined {
  const all = [...solution.cases, ...solution.combinations]
  return layers.envelope && layers.diagram && all.length > 0
    ? envelopeOf(solution, all, layers.diagram)
    : undefined
}

/**
 * The largest and the smallest N, V or M along each member over several cases, as two curves with the range
 * between them tinted: the upper one solid, the lower one dashed; extremes are named with the case that
 * governs.
 */
export function drawEnvelope(
  s: Structure,
  view: View,
  envelope: Envelope,
  options: DiagramOptions,
): DiagramDrawing {
  const { key } = options
  const out: DiagramDrawing = { groups: [], labelRequests: [], obstacles: [] }
  const most = (values: Float64Array) => values.reduce((t, v) => Math.max(t, Math.abs(v)), 0)
  const max = options.max ?? Math.max(most(envelope.max), most(envelope.min))
  if (!(max > 0)) return out
  const side = sideOf(key, options.signs)
  s.members.forEach((m, i) => {
    const l = memberLine(s, view, m)
    const places = placesSeen(envelope, i, view.scale)
    if (places.length === 0) return
    const target = thing.member(m.id)
    const at = (x: number, v: number): Vec =>
      plus(plus(l.a, l.dir, x * view.scale), l.up, (side * v * options.tall) / max)
    const upper = places.map((k) => at(envelope.x[k], envelope.max[k]))
    const lower = places.map((k) => at(envelope.x[k], envelope.min[k]))
    const line = { t: 'path', stroke: 'ink', width: 1.35, round: true } as const
    out.groups.push({
      key: `e${i}`,
      target,
      diagram: true,
      marks: [
        { t: 'path', d: polyline([...upper, ...[...lower].reverse()], true), fill: 'cedar', opacity: 0.1 },
        { ...line, d: polyline([l.a, ...upper, l.b]) },
        { ...line, d: polyline([l.a, ...lower, l.b]), dash: '5 3' },
      ],
    })
    if (options.wordless) return
    for (const edge of [upper, lower])
      for (let k = 4; k < edge.length; k += 4) out.obstacles.push({ a: edge[k - 4], b: edge[k], half: 1 })
    if (!options.spare) sayExtremes({ envelope, member: i, at, max, options, target }, l, out)
  })
  return out
}

/** The stations of a member that are told apart at a scale, its ends and its extremes among them. */
function placesSeen({ first, x, ranges }: Envelope, member: number, scale: number): number[] {
  const [from, to] = [first[member], first[member + 1]]
  const { max, min } = ranges[member]
  const out: number[] = []
  for (let k = from; k < to; k++) {
    const far = out.length === 0 || (x[k] - x[out[out.length - 1]]) * scale >= NEAR_PX
    if (far || k === to - 1 || x[k] === max.x || x[k] === min.x) out.push(k)
  }
  return out
}

interface Named {
  envelope: Envelope
  member: number
  at: (x: number, v: number) => Vec
  max: number
  options: DiagramOptions
  target: string
}

/**
 * The largest and the smallest value of a member with the case of each, where they are not nearly nothing.
 */
function sayExtremes(n: Named, l: ReturnType<typeof memberLine>, out: DiagramDrawing) {
  const { key, shown, signs } = n.options
  const range = n.envelope.ranges[n.member]
  const sign = key === 'V' ? signFactors(signs ?? OWN_SIGNS).V : 1
  const side = sideOf(key, signs)
  for (const e of [range.max, range.min]) {
    if (Math.abs(e.value) <= Math.max(ROUNDING, 0.02) * n.max) continue
    const top = n.at(e.x, e.value)
    const size = formatNumber(key === 'V' ? e.value * shown * sign : Math.abs(e.value * shown))
    const text = key === 'N' ? `${size} ${e.value > 0 ? 'T' : 'C'}` : size
    const w = (textWidth(text, 12.5) + textWidth(e.by, 11.5) + 8) / 2
    const outward = (k: number, along = 0) =>
      plus(plus(top, l.up, side * Math.sign(e.value) * (k + Math.abs(l.up.x) * w)), l.dir, along * w)
    out.labelRequests.push({
      key: `ew${n.member}.${e === range.max ? 'max' : 'min'}`,
      target: n.target,
      mark: { ...valueWord(text), aside: e.by },
      candidates: [outward(11), outward(11, 1), outward(11, -1), outward(24), outward(36), outward(-13)],
      clear: 2,
    })
    out.groups.push({
      key: `ek${n.member}.${e === range.max ? 'max' : 'min'}`,
      target: n.target,
      marks: [circle(top, 2.6, { stroke: 'ink', width: 1.1, fill: 'paper' })],
    })
  }
}
