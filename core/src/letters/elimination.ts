import { TooLong } from './monomials.js'
import { isZero, NOTHING, type Field, type Quotient } from './field.js'

/** An equation: what stands before each unknown, and on the right-hand side of each of several systems. */
export interface Equation {
  left: Map<number, Quotient>
  right: Map<number, Quotient>
}

/** Numbers with more digits than this are not worked with. */
const MOST_DIGITS = 4_000

const digits = ({ n, d }: Quotient) =>
  [...n.values(), ...d.values()].reduce((most, c) => Math.max(most, c.toString(16).length), 0)

/** Adds to what stands before an unknown, or on a right-hand side. */
export function addTo(field: Field, row: Map<number, Quotient>, at: number, value: Quotient): void {
  if (isZero(value)) return
  const sum = row.has(at) ? field.add(row.get(at)!, value) : value
  if (isZero(sum)) row.delete(at)
  else row.set(at, sum)
}

/**
 * Solves linear equations without loss, all right-hand sides at once. The pivot is the one that touches the
 * least others, among those the one with the fewest terms.
 * @param unknowns how many there are
 * @returns for each right-hand side its solution by unknown; undefined where it is not determined
 */
export function solveExactly(
  field: Field,
  equations: readonly Equation[],
  unknowns: number,
  systems: number,
): (Quotient | undefined)[][] {
  const active = new Set(equations.filter((e) => e.left.size > 0))
  const done: { unknown: number; row: Equation }[] = []
  while (active.size > 0) {
    const pivot = nextPivot(active)
    active.delete(pivot.row)
    const { row, unknown } = pivot
    const inverse = field.inverse(row.left.get(unknown)!)
    if (digits(inverse) > MOST_DIGITS) throw new TooLong()
    row.left.delete(unknown)
    for (const side of [row.left, row.right])
      for (const [at, value] of side) side.set(at, field.multiply(value, inverse))
    for (const other of [...active]) {
      const factor = other.left.get(unknown)
      if (!factor) continue
      other.left.delete(unknown)
      const by = field.negate(factor)
      for (const [at, value] of row.left) addTo(field, other.left, at, field.multiply(value, by))
      for (const [at, value] of row.right) addTo(field, other.right, at, field.multiply(value, by))
      if (other.left.size === 0) active.delete(other)
    }
    done.push({ unknown, row })
  }
  return Array.from({ length: systems }, (_, system) => putBack(field, done, unknowns, system))
}

function nextPivot(rows: ReadonlySet<Equation>): { row: Equation; unknown: number } {
  const touched = new Map<number, number>()
  for (const { left } of rows) for (const at of left.keys()) touched.set(at, (touched.get(at) ?? 0) + 1)
  let best: { row: Equation; unknown: number } | undefined
  let least = Infinity
  for (const row of rows)
    for (const [unknown, { n, d }] of row.left) {
      const cost = (row.left.size - 1) * (touched.get(unknown)! - 1) + (n.size + d.size) / 1000
      if (cost < least) [least, best] = [cost, { row, unknown }]
    }
  return best!
}

function putBack(
  field: Field,
  done: readonly { unknown: number; row: Equation }[],
  unknowns: number,
  system: number,
): (Quotient | undefined)[] {
  const out = new Array<Quotient | undefined>(unknowns).fill(undefined)
  for (let k = done.length - 1; k >= 0; k--) {
    const { unknown, row } = done[k]
    let value: Quotient | undefined = row.right.get(system) ?? NOTHING
    for (const [at, factor] of row.left) {
      const other: Quotient | undefined = out[at]
      value = other && value && field.subtract(value, field.multiply(factor, other))
    }
    out[unknown] = value
  }
  return out
}
