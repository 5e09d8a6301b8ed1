import type { Actions } from '../../structure/actions.js'
import type { Structure } from '../../structure/types.js'
import { solveDense } from '../dense.js'
import { actionsOn, loadTerms, overhangMoment, type ContinuousBeam } from './beam.js'

/** A continuous beam with its known moments, load terms and unknown moments. Sagging is positive. */
export interface ThreeMoments {
  beam: ContinuousBeam
  /** Length and EI of each span, its load terms 6EIθ, and its chord rotation from settlements. */
  spans: { length: number; EI: number; left: number; right: number; psi: number }[]
  /** Couples on the joints of the supports, counter-clockwise. */
  couples: number[]
  /** Moments just left and just right of each support. */
  before: number[]
  after: number[]
  /**
   * Supports whose moment is sought, and its equation: factors on the moments sought and the right-hand
   * side.
   */
  sought: number[]
  rows: number[][]
  right: number[]
}

export function threeMoments(s: Structure, beam: ContinuousBeam, actions: Actions): ThreeMoments | undefined {
  const { supports } = beam
  const sinks = supports.map((p) => actions.settlement[s.supports.indexOf(p)] * p.settlement.y)
  const turns = supports.map((p) => actions.settlement[s.supports.indexOf(p)] * p.settlement.rotation)
  const couples = supports.map((p) => actions.nodal[3 * p.node + 2])
  const spans = beam.spans.map((span, k) => {
    const length = span.to - span.from
    const { EI } = s.members[span.members[0]]
    return {
      length,
      EI,
      ...loadTerms(s, span, actionsOn(s, span, actions)),
      psi: (sinks[k + 1] - sinks[k]) / length,
    }
  })
  const last = supports.length - 1
  const isFixed = (k: number) => supports[k].hold.rotation === true
  const sought = supports.map((_, k) => k).filter((k) => (k > 0 && k < last) || isFixed(k))
  const known = knownEnds(s, beam, actions, couples)
  const rows: number[][] = []
  const right: number[] = []
  for (const k of sought) {
    const row = sought.map(() => 0)
    let value = 0
    // the moment at the near side of a neighbour: sought, or known at a simple end
    const add = (of: number, factor: number, side: 'before' | 'after') => {
      const at = sought.indexOf(of)
      if (at < 0) value -= factor * known[side][of]
      else row[at] += factor
      // just right of an inner support the couple is taken off
      if (at >= 0 && side === 'after' && of > 0) value += factor * couples[of]
    }
    const [l, r] = [spans[k - 1], spans[k]]
    if (l) {
      add(k - 1, l.length / l.EI, 'after')
      add(k, (2 * l.length) / l.EI, 'before')
      value -= l.right / l.EI + 6 * l.psi
    }
    if (r) {
      add(k, (2 * r.length) / r.EI, 'after')
      add(k + 1, r.length / r.EI, 'before')
      value -= r.left / r.EI - 6 * r.psi
    }
    if (!l) value -= 6 * turns[k]
    if (!r) value += 6 * turns[k]
    rows.push(row)
    right.push(value)
  }
  const size = Math.max(...rows.flat().map(Math.abs), 1e-300)
  const found = solveDense(
    rows.map((row) => row.map((v) => v / size)),
    right.map((v) => v / size),
  )
  if (!found) return undefined
  const before = supports.map((_, k) => (sought.includes(k) ? found[sought.indexOf(k)] : known.before[k]))
  const after = supports.map((_, k) => {
    if (!sought.includes(k)) return known.after[k]
    return k === 0 ? before[k] : before[k] - couples[k]
  })
  return { beam, spans, couples, before, after, sought, rows, right }
}

/** Moments at simple ends: those of overhangs and couples. */
function knownEnds(
  s: Structure,
  { supports, left, right }: ContinuousBeam,
  actions: Actions,
  couples: readonly number[],
) {
  const before = supports.map(() => 0)
  const after = supports.map(() => 0)
  const last = supports.length - 1
  before[0] = left ? overhangMoment(s, left, 'left', actionsOn(s, left, actions)) : 0
  after[0] = before[0] - couples[0]
  after[last] = right ? overhangMoment(s, right, 'right', actionsOn(s, right, actions)) : 0
  before[last] = after[last] + couples[last]
  return { before, after }
}
