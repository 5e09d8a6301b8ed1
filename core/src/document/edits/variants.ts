import { produce } from 'immer'
import type { Problem } from '../types.js'

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

/** Every joint rigid: no hinges and no hinge springs, bars as members that bend; a truss becomes a frame. */
export const allRigid = (p: Problem): Problem =>
  produce(p, (d) => {
    d.kind = 'frame'
    for (const m of d.members) {
      delete m.type
      for (const end of ['start', 'end'] as const) delete m.releases?.[end]?.M
    }
  })

/** Members keep their length, or change it, where the statement has it the other way. */
export const axialTurned = (p: Problem): Problem =>
  produce(p, (d) => {
    const neglected = d.analysis?.neglectAxial === true || d.members.every((m) => m.axiallyRigid)
    d.analysis = { ...d.analysis, neglectAxial: !neglected }
    if (neglected) for (const m of d.members) delete m.axiallyRigid
  })
