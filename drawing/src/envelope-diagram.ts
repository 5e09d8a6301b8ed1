import {
  formatNumber,
  governing,
  memberEnvelope,
  signFactors,
  thing,
  OWN_SIGNS,
  type ActionSolution,
  type EnvelopeStation,
  type Solution,
} from '@viga/core'
import { ROUNDING, valueWord } from './diagram-values'
import { sideOf } from './diagram-side'
import type { DiagramDrawing, DiagramOptions } from './diagrams'
import { circle, plus, polyline, textWidth, type Vec } from './marks'
import { memberLine, type View } from './view'

/** Stations a member: a curve of a cubic is smooth to the eye with these. */
const STATIONS = 41

/**
 * The largest and the smallest N, V or M along each member over several cases, as two curves with the range
 * between them tinted: the upper one solid, the lower one dashed; extremes are named with the case that
 * governs.
 */
export function drawEnvelope(
  solution: Solution,
  view: View,
  actions: readonly ActionSolution[],
  options: DiagramOptions,
): DiagramDrawing {
  const { structure: s } = solution
  const { key } = options
  const out: DiagramDrawing = { groups: [], labelRequests: [], obstacles: [] }
  const envelopes = s.members.map((m, i) =>
    m.bar && key !== 'N' ? [] : memberEnvelope(solution, actions, i, key, STATIONS),
  )
  const size = (e: EnvelopeStation) => Math.max(Math.abs(e.max.value), Math.abs(e.min.value))
  const max = options.max ?? envelopes.reduce((most, e) => e.reduce((t, x) => Math.max(t, size(x)), most), 0)
  if (!(max > 0)) return out
  const side = sideOf(key, options.signs)
  s.members.forEach((m, i) => {
    const stations = envelopes[i]
    if (stations.length === 0) return
    const l = memberLine(s, view, m)
    const target = thing.member(m.id)
    const at = (x: number, v: number): Vec =>
      plus(plus(l.a, l.dir, x * view.scale), l.up, (side * v * options.tall) / max)
    const upper = stations.map((e) => at(e.x, e.max.value))
    const lower = stations.map((e) => at(e.x, e.min.value))
    out.groups.push({
      key: `e${i}`,
      target,
      diagram: true,
      marks: [
        { t: 'path', d: polyline([...upper, ...[...lower].reverse()], true), fill: 'cedar', opacity: 0.1 },
        { t: 'path', d: polyline([l.a, ...upper, l.b]), stroke: 'ink', width: 1.35, round: true },
        {
          t: 'path',
          d: polyline([l.a, ...lower, l.b]),
          stroke: 'ink',
          width: 1.35,
          dash: '5 3',
          round: true,
        },
      ],
    })
    for (const line of [upper, lower])
      for (let k = 4; k < line.length; k += 4) out.obstacles.push({ a: line[k - 4], b: line[k], half: 1 })
    if (!options.spare) sayExtremes({ solution, actions, member: i, at, max, options, target }, l, out)
  })
  return out
}

interface Named {
  solution: Solution
  actions: readonly ActionSolution[]
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
  const range = governing(n.solution, n.actions, n.member, key)
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
