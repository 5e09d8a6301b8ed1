import type { Dofs } from './dofs.js'

/** Coefficients of a constraint, or of a linear combination, by degree of freedom. */
export type Row = Map<number, number>

/** A dependent degree of freedom as a linear combination of independent ones. */
export interface Expression {
  terms: Row
}

/** Coefficients below this share of the largest of their row are cancellation. */
export const CANCELLED = 1e-9

export const addTo = (row: Row, key: number, v: number) => row.set(key, (row.get(key) ?? 0) + v)

/**
 * Gauss–Jordan elimination on the constraints: each takes the degree of freedom with its largest coefficient
 * as the dependent one.
 */
export function eliminate(dofs: Dofs, all: readonly Row[]) {
  const expressions = new Map<number, Expression>()
  const usedBy = new Map<number, Set<number>>()
  const redundant: number[] = []
  const pivots = new Map<number, number>()
  all.forEach((full, r) => {
    const row = substituted(full, dofs.free, expressions)
    let pivot = -1
    let best = CANCELLED
    for (const [d, c] of row) if (Math.abs(c) > best) [pivot, best] = [d, Math.abs(c)]
    if (pivot < 0) {
      redundant.push(r)
      return
    }
    const kp = row.get(pivot)!
    row.delete(pivot)
    const terms: Row = new Map(
      [...row].filter(([, c]) => Math.abs(c) > CANCELLED * best).map(([d, c]) => [d, -c / kp]),
    )
    replaceIn(expressions, usedBy, pivot, terms)
    expressions.set(pivot, { terms })
    pivots.set(r, pivot)
    for (const d of terms.keys()) note(usedBy, d, pivot)
  })
  return { expressions, redundant, pivots }
}

/** A constraint over independent degrees of freedom: known dependent ones replaced, held ones left out. */
function substituted(full: Row, free: number, expressions: ReadonlyMap<number, Expression>): Row {
  const row: Row = new Map()
  for (const [d, c] of full) {
    if (d >= free) continue
    const known = expressions.get(d)
    if (!known) addTo(row, d, c)
    else for (const [k, v] of known.terms) addTo(row, k, c * v)
  }
  return row
}

/** Replaces a degree of freedom that has become dependent in the expressions that use it. */
function replaceIn(
  expressions: ReadonlyMap<number, Expression>,
  usedBy: Map<number, Set<number>>,
  pivot: number,
  terms: Row,
) {
  for (const user of usedBy.get(pivot) ?? []) {
    const e = expressions.get(user)!
    const k = e.terms.get(pivot)
    if (k === undefined) continue
    e.terms.delete(pivot)
    for (const [d, v] of terms) {
      addTo(e.terms, d, k * v)
      if (Math.abs(e.terms.get(d)!) < CANCELLED * Math.abs(k * v)) e.terms.delete(d)
      else note(usedBy, d, user)
    }
  }
}

function note(usedBy: Map<number, Set<number>>, d: number, user: number) {
  const set = usedBy.get(d)
  if (set) set.add(user)
  else usedBy.set(d, new Set([user]))
}
