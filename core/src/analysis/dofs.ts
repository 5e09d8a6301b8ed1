import type { Component, Structure, StructureSupport } from '../structure/types.js'

export const COMPONENTS: readonly Component[] = ['x', 'y', 'rotation']

export interface Dof {
  node: number
  component: Component
  free: boolean
}

/** The degrees of freedom: free ones first, then restrained ones, node by node within each. */
export interface Dofs {
  list: Dof[]
  free: number
  /** Index into `list` of component c of node n at 3n + c; −1 where there is none. */
  of: Int32Array
  /** Turn of the node's axes, rad: that of its support. */
  angle: Float64Array
  supportAt: Map<number, StructureSupport>
}

/**
 * Numbers the degrees of freedom: the free ones first, joint by joint, then the restrained ones. A rotation
 * exists where a member end or a support holds it; a joint that no member reaches has degrees of freedom only
 * if a support holds it.
 */
export function numberDofs(s: Structure): Dofs {
  const n = s.nodes.length
  const supportAt = new Map(s.supports.map((p) => [p.node, p]))
  const reached = new Uint8Array(n)
  const turns = new Uint8Array(n)
  for (const m of s.members) {
    reached[m.start] = reached[m.end] = 1
    if (m.bar) continue
    if (m.releases[2] !== true) turns[m.start] = 1
    if (m.releases[5] !== true) turns[m.end] = 1
  }
  const angle = new Float64Array(n)
  for (const p of s.supports) {
    angle[p.node] = p.angle
    if (p.hold.rotation !== false) turns[p.node] = 1
  }
  const free: Dof[] = []
  const held: Dof[] = []
  for (let node = 0; node < n; node++) {
    const support = supportAt.get(node)
    const holds = support !== undefined && COMPONENTS.some((c) => support.hold[c] !== false)
    if (!reached[node] && !holds) continue
    for (const component of COMPONENTS) {
      if (component === 'rotation' && (!turns[node] || s.kind === 'truss')) continue
      const fixed = support?.hold[component] === true
      ;(fixed ? held : free).push({ node, component, free: !fixed })
    }
  }
  const list = [...free, ...held]
  const of = new Int32Array(3 * n).fill(-1)
  list.forEach((d, i) => (of[3 * d.node + COMPONENTS.indexOf(d.component)] = i))
  return { list, free: free.length, of, angle, supportAt }
}
