import * as D from '../../quantity/dimension.js'
import { antiderivative, evaluatePolynomial, type Polynomial } from '../../analysis/polynomial.js'
import { thing } from '../../document/thing.js'
import { addressOf } from '../address.js'
import type { Block, StepContent } from '../blocks.js'
import { minus, number, over, PLACE, sum, times, type Formula, type Letter } from '../expression.js'
import type { Notes } from '../notes.js'
import type { Coherent } from '../noted-method.js'
import type { Structure } from '../../structure/types.js'
import type { IntegratedBeam, Part } from './beam.js'

/**
 * The moment–area theorems on a beam whose moments are known: the area of M/EI between two joints is the
 * change of slope between them, its moment about the right one the deviation of that from the tangent at the
 * left one. They are the shear and the moment of the conjugate beam that carries M/EI.
 */
export interface MomentArea {
  s: Structure
  beam: IntegratedBeam
  notes: Notes
  coherent: Coherent
  /** A moment as a formula of x, m from the left end of the beam. */
  moment: (part: Part) => Formula
  moved: (node: number) => { y: number; rotation: number }
}

type From = (letter: (address: string) => Letter) => Formula

export const areaAt = (id: string) => addressOf('area', id)
export const deviationAt = (id: string) => addressOf('deviation', id)
const slopeAt = (id: string) => addressOf('area-slope', id)
const deflectionAt = (id: string) => addressOf('area-deflection', id)

/** A member of the beam between its joints, from left to right. */
interface Span {
  id: string
  left: number
  right: number
  L: number
  parts: Part[]
}

const spansOf = ({ s, beam }: MomentArea): Span[] =>
  beam.order.map((i) => {
    const m = s.members[i]
    const [left, right] = s.nodes[m.start].x < s.nodes[m.end].x ? [m.start, m.end] : [m.end, m.start]
    return { id: m.id, left, right, L: m.length, parts: beam.parts.filter((p) => p.member === i) }
  })

/** The integral of a polynomial in t from 0 to h. */
const integralOf = (p: Polynomial, h: number) => evaluatePolynomial(antiderivative(p, 0), h)

/** Area of M/EI of a part, and its moment about a place `beyond` m right of the part's end. */
function areaOf({ M, EI, x0, x1 }: Part, right: number) {
  const h = x1 - x0
  const curved = M.map((c) => c / EI)
  const area = integralOf(curved, h)
  const about = right - x0
  const arm = curved.map((c, k) => c * about - (k > 0 ? curved[k - 1] : 0))
  return { area, moment: integralOf([...arm, -curved[curved.length - 1]], h) }
}

/** Notes the areas of all members and their moments about the right end. */
function noteAreas(w: MomentArea, spans: readonly Span[]): void {
  const { notes, coherent, beam, s } = w
  for (const { id, right, parts } of spans) {
    const end = s.nodes[right].x - beam.left
    const found = parts.map((p) => areaOf(p, end))
    const of = [thing.member(id)]
    const x = (at: number) => number(coherent(at, D.length))
    const integral = (p: Part, body: Formula): Formula =>
      over(
        { t: 'integral', from: x(p.x0), to: x(p.x1), of: body },
        number(coherent(p.EI, D.bendingStiffness)),
      )
    notes.put(['area', id], {
      symbol: { letter: 'A', sub: id },
      si: found.reduce((t, f) => t + f.area, 0),
      dimension: D.angle,
      of,
      from: () => sum(...parts.map((p) => integral(p, w.moment(p)))),
    })
    notes.put(['deviation', id], {
      symbol: { letter: 't', sub: id },
      si: found.reduce((t, f) => t + f.moment, 0),
      dimension: D.length,
      of,
      from: () => sum(...parts.map((p) => integral(p, times(sum(x(end), minus(PLACE)), w.moment(p))))),
    })
  }
}

/** The movement of a support as it is known beforehand, or the joint where something is known. */
const heldAt = ({ beam }: MomentArea, component: 'y' | 'rotation') =>
  beam.reactions.filter((r) => r.component === component).map((r) => r.support.node)

/** The slope at the first support from the deflections of two: their difference less the deviation. */
function slopeFromTwo(w: MomentArea, spans: readonly Span[], [a, b]: readonly number[]): From {
  const { s, coherent } = w
  const between = spans.filter((p) => s.nodes[p.left].x >= s.nodes[a].x && s.nodes[p.right].x <= s.nodes[b].x)
  return (l) => {
    const deviation = between.flatMap((p): Formula[] => {
      const arm = coherent(s.nodes[b].x - s.nodes[p.right].x, D.length)
      return [minus(l(deviationAt(p.id))), ...(arm > 0 ? [minus(times(l(areaAt(p.id)), number(arm)))] : [])]
    })
    const apart = number(coherent(s.nodes[b].x - s.nodes[a].x, D.length))
    return over(
      sum(l(deflectionAt(s.nodes[b].id)), minus(l(deflectionAt(s.nodes[a].id))), ...deviation),
      apart,
    )
  }
}

/** Formulas of one of the two, joint by joint to both sides of a joint where it is known. */
function spread(
  spans: readonly Span[],
  from: number,
  put: (node: number, span: Span, right: boolean) => void,
) {
  const reached = new Set([from])
  for (const p of spans)
    if (reached.has(p.left)) {
      reached.add(p.right)
      put(p.right, p, true)
    }
  for (const p of [...spans].reverse())
    if (reached.has(p.right) && !reached.has(p.left)) {
      reached.add(p.left)
      put(p.left, p, false)
    }
}

/** Notes the slopes and deflections of all joints by the two theorems. */
export function noteMomentArea(w: MomentArea): void {
  const { s, notes, coherent } = w
  const spans = spansOf(w)
  noteAreas(w, spans)
  const upright = heldAt(w, 'y').sort((a, b) => s.nodes[a].x - s.nodes[b].x)
  const turning = heldAt(w, 'rotation')
  const note = (kind: 'area-slope' | 'area-deflection', node: number, from: string | From) => {
    const { id } = s.nodes[node]
    const slope = kind === 'area-slope'
    notes.put([kind, id], {
      symbol: { letter: slope ? 'θ' : 'v', sub: id },
      si: w.moved(node)[slope ? 'rotation' : 'y'],
      dimension: slope ? D.angle : D.length,
      of: [thing.node(id)],
      from,
    })
  }
  const origin = turning[0] ?? upright[0]
  note(
    'area-slope',
    origin,
    turning.length > 0 ? 'As its support lets it turn.' : slopeFromTwo(w, spans, upright),
  )
  spread(spans, origin, (node, p, right) =>
    note('area-slope', node, (l) =>
      right
        ? sum(l(slopeAt(s.nodes[p.left].id)), l(areaAt(p.id)))
        : sum(l(slopeAt(s.nodes[p.right].id)), minus(l(areaAt(p.id)))),
    ),
  )
  for (const node of upright) note('area-deflection', node, 'As its support lets it move.')
  spread(spans, upright[0], (node, p, right) => {
    if (upright.includes(node)) return
    note('area-deflection', node, (l) => {
      const tangent = times(l(slopeAt(s.nodes[p.left].id)), number(coherent(p.L, D.length)))
      return right
        ? sum(l(deflectionAt(s.nodes[p.left].id)), tangent, l(deviationAt(p.id)))
        : sum(l(deflectionAt(s.nodes[p.right].id)), minus(tangent), minus(l(deviationAt(p.id))))
    })
  })
}

const words = (text: string): Block => ({ kind: 'words', words: text })

/** The step in which the deflections are found from areas of M/EI. */
export function momentAreaStep({ s, beam }: Pick<MomentArea, 's' | 'beam'>): StepContent {
  const ids = beam.order.map((i) => s.members[i].id)
  const joints = [...s.nodes].sort((a, b) => a.x - b.x).map((n) => n.id)
  return {
    why:
      'The same deflections from areas of the M/EI diagram. A is the area along a member, the change of ' +
      'slope from its left end to its right; t is its moment about the right end, the deviation of that ' +
      'end from the tangent at the left one.',
    passages: [
      {
        title: 'Areas of M/EI and their moments',
        blocks: [{ kind: 'lines', addresses: ids.flatMap((id) => [areaAt(id), deviationAt(id)]) }],
      },
      { title: 'Slopes', blocks: [{ kind: 'lines', addresses: joints.map(slopeAt) }] },
      { title: 'Deflections', blocks: [{ kind: 'lines', addresses: joints.map(deflectionAt) }] },
      {
        title: 'The conjugate beam',
        blocks: [
          words(
            'The same beam, loaded with M/EI, has these slopes as shears and these deflections as moments. ' +
              'An end that is held against both is free there and a free end is held; a support within the ' +
              'beam becomes a hinge; a simple end stays one.',
          ),
        ],
      },
    ],
  }
}
