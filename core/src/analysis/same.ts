import type { Structure, StructureMember, StructureSupport } from '../structure/types.js'

/** Comparison of two structures, which decides what can be reused from one solution for the next. */

const RESISTANCE: readonly (keyof StructureMember)[] = [
  'start',
  'end',
  'length',
  'cos',
  'sin',
  'bar',
  'EA',
  'EI',
  'GAs',
  'axiallyRigid',
]

/** Properties that affect loads but not the stiffness. */
const FREE_STRAINS: readonly (keyof StructureMember)[] = ['alpha', 'depth', 'weight']

const alike = <T>(a: readonly T[], b: readonly T[], same: (x: T, y: T) => boolean): boolean =>
  a === b || (a.length === b.length && a.every((x, i) => x === b[i] || same(x, b[i])))

const sameKeys =
  <T>(keys: readonly (keyof T)[]) =>
  (a: T, b: T): boolean =>
    keys.every((k) => Object.is(a[k], b[k]))

/** Whether two structures have the same unknowns and the same stiffness; their labels may differ. */
export const sameStiffness = (a: Structure, b: Structure): boolean =>
  a.kind === b.kind &&
  a.order === b.order &&
  alike(a.nodes, b.nodes, (x, y) => x.x === y.x && x.y === y.y) &&
  alike(
    a.members,
    b.members,
    (x, y) => sameKeys(RESISTANCE)(x, y) && x.releases.every((r, i) => r === y.releases[i]),
  ) &&
  alike(a.supports, b.supports, sameHold)

const sameHold = (a: StructureSupport, b: StructureSupport): boolean =>
  a.node === b.node &&
  a.angle === b.angle &&
  (['x', 'y', 'rotation'] as const).every((c) => a.hold[c] === b.hold[c])

/**
 * Whether the same loads have the same effect on two structures: their members agree in expansion
 * coefficient, depth and weight.
 */
export const sameFreeStrains = (a: Structure, b: Structure): boolean =>
  alike(a.members, b.members, sameKeys(FREE_STRAINS))

/** Whether a load case acts on two structures of the same stiffness in the same way, settlements included. */
export function sameCase(a: Structure, b: Structure, i: number): boolean {
  const [x, y] = [a.cases[i], b.cases[i]]
  return (
    x !== undefined &&
    x.selfWeight === y.selfWeight &&
    alike(x.loads, y.loads, sameValues) &&
    alike(
      a.supports,
      b.supports,
      (p, q) =>
        (p.settlementCase === i) === (q.settlementCase === i) &&
        (p.settlementCase !== i || sameValues(p.settlement, q.settlement)),
    )
  )
}

/** Whether two values of plain data are equal throughout. */
function sameValues(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false
  const keys = Object.keys(a)
  return (
    keys.length === Object.keys(b).length &&
    keys.every((k) => sameValues((a as Record<string, unknown>)[k], (b as Record<string, unknown>)[k]))
  )
}
