import { listed } from '../structure/listed.js'
import type { SolveError, Structure } from '../structure/types.js'
import type { Dofs } from './dofs.js'
import type { Factorisation } from './factor.js'

/** Relative tolerance: a displacement of a motion below this fraction of the largest is rounding error. */
const VISIBLE = 1e-7

/**
 * Limit on the mechanisms that are found one by one. Any further ones are found as a single motion, so that
 * their joints are named too.
 */
const MOST = 200

/** The error of a mechanism. It names the joints that can move and the way they move. */
export function mechanismError(
  s: Structure,
  dofs: Dofs,
  f: Factorisation,
  expand: (rows: Float64Array) => Float64Array,
): SolveError & { motions: Float64Array[] } {
  const pivots = [...f.singular, ...f.negative]
  const groups = pivots.slice(0, MOST).map((pivot) => [pivot])
  if (pivots.length > MOST) groups.push(pivots.slice(MOST))
  const motions = groups.map((group) => {
    const x = expand(f.motion(...group))
    const global = new Float64Array(3 * s.nodes.length)
    for (let d = 0; d < dofs.free; d++) {
      const { node, component } = dofs.list[d]
      global[3 * node + (component === 'x' ? 0 : component === 'y' ? 1 : 2)] = x[d]
    }
    dofs.angle.forEach((turn, node) => {
      if (turn === 0) return
      const [a, b] = [global[3 * node], global[3 * node + 1]]
      global[3 * node] = Math.cos(turn) * a - Math.sin(turn) * b
      global[3 * node + 1] = Math.sin(turn) * a + Math.cos(turn) * b
    })
    return global
  })
  const moving = new Set<number>()
  const turning = new Set<number>()
  for (const g of motions) {
    let largest = 0
    let turn = 0
    for (let n = 0; n < s.nodes.length; n++) {
      largest = Math.max(largest, Math.abs(g[3 * n]), Math.abs(g[3 * n + 1]))
      turn = Math.max(turn, Math.abs(g[3 * n + 2]))
    }
    for (let n = 0; n < s.nodes.length; n++) {
      if (Math.max(Math.abs(g[3 * n]), Math.abs(g[3 * n + 1])) > VISIBLE * largest) moving.add(n)
      else if (largest === 0 && Math.abs(g[3 * n + 2]) > VISIBLE * turn) turning.add(n)
    }
  }
  const name = (set: Set<number>) => [...set].sort((a, b) => a - b).map((n) => s.nodes[n].id)
  const nodes = name(new Set([...moving, ...turning]))
  return {
    kind: 'mechanism',
    message: sentence(s, motions, [...moving], name(moving), name(turning)),
    nodes,
    motions,
  }
}

function sentence(
  s: Structure,
  motions: Float64Array[],
  moving: number[],
  names: string[],
  turning: string[],
): string {
  if (names.length === 0)
    return (
      `${listed(turning)} can turn freely: nothing holds ${turning.length > 1 ? 'them' : 'it'} in ` +
      'rotation.'
    )
  const all = names.length === s.nodes.length && names.length > 2 ? 'The whole structure' : listed(names)
  let sideways = 0
  let upright = 0
  for (const g of motions)
    for (const n of moving) {
      sideways = Math.max(sideways, Math.abs(g[3 * n]))
      upright = Math.max(upright, Math.abs(g[3 * n + 1]))
    }
  const way =
    upright < 1e-6 * sideways ? 'sway sideways' : sideways < 1e-6 * upright ? 'move up and down' : 'move'
  const whole = all.startsWith('The')
  const them = names.length > 1 && !whole ? 'them' : 'it'
  const times = motions.length > 1 ? ` (${motions.length} independent motions)` : ''
  return (
    `${all} can ${way}: the supports and joints do not hold ` +
    `${them}${times}. ` +
    'Add a support or a member, or take out a hinge.'
  )
}
