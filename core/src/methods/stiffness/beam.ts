import type { Solution } from '../../analysis/solve.js'

/** Relative tolerance: axial forces below this fraction of the largest force count as zero. */
const NOTHING = 1e-9

/**
 * Whether the structure is a horizontal beam without axial force in any case. Its axial unknowns can then be
 * left out, and each member has four end displacements instead of six.
 */
export function isBeam({ structure, dofs, cases }: Solution): boolean {
  const level =
    structure.kind === 'frame' &&
    structure.members.length > 0 &&
    structure.members.every((m) => !m.bar && !m.axiallyRigid && Math.abs(m.sin) < 1e-12) &&
    structure.supports.every((p) => p.angle === 0)
  if (!level) return false
  return cases.every((a) => {
    const most = Math.max(0, ...a.load.map(Math.abs), ...a.reactions.map(Math.abs))
    const farthest = Math.max(0, ...a.D.map(Math.abs))
    return (
      dofs.list.every(
        (d, i) =>
          d.component !== 'x' ||
          (Math.abs(a.load[i]) <= NOTHING * most &&
            Math.abs(a.reactions[i]) <= NOTHING * most &&
            Math.abs(a.D[i]) <= NOTHING * farthest),
      ) && a.forces.every((q, i) => i % 3 !== 0 || Math.abs(q) <= NOTHING * most)
    )
  })
}
