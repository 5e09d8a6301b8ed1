import { produce } from 'immer'
import type { Problem, Quantity } from '../types.js'

/** The same structure with one idealisation changed, to be solved and compared; nothing of it is kept. */

/** Every member hinged at both ends: a joint passes forces and no moments. */
export const allHinged = (p: Problem): Problem =>
  produce(p, (d) => {
    for (const m of d.members) {
      if (m.type === 'bar') continue
      m.releases = {
        start: { ...m.releases?.start, M: true },
        end: { ...m.releases?.end, M: true },
      }
    }
  })

/** Sections that a member needs to bend and that state an area alone. */
export const withoutI = (p: Problem): string[] =>
  (p.sections ?? [])
    .filter((s) => s.A !== undefined && s.I === undefined && s.EI === undefined)
    .map((s) => s.id)

/** I of a solid square of the area A, A²/12, as an expression or a number in coherent units. */
const squareI = (A: Quantity): Quantity => (typeof A === 'number' ? (A * A) / 12 : `(${A})^2/12`)

/**
 * Every joint rigid: no hinges and no hinge springs, bars as members that bend; a truss becomes a frame. A
 * section that states an area alone is taken as a solid square of that area.
 */
export const allRigid = (p: Problem): Problem =>
  produce(p, (d) => {
    d.kind = 'frame'
    for (const m of d.members) {
      delete m.type
      for (const end of ['start', 'end'] as const) delete m.releases?.[end]?.M
    }
    for (const s of d.sections ?? []) if (withoutI(p).includes(s.id)) s.I = squareI(s.A!)
  })

/** Members keep their length, or change it, where the statement has it the other way. */
export const axialTurned = (p: Problem): Problem =>
  produce(p, (d) => {
    const neglected = d.analysis?.neglectAxial === true || d.members.every((m) => m.axiallyRigid)
    d.analysis = { ...d.analysis, neglectAxial: !neglected }
    if (neglected) for (const m of d.members) delete m.axiallyRigid
  })
