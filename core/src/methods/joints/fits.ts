import type { Problem } from '../../document/types.js'
import type { Structure } from '../../structure/types.js'
import { caseActions } from '../../structure/case-actions.js'
import { beyondCourse } from '../course.js'
import type { Fit } from '../method.js'
import { isDeterminate, trussOf } from './truss.js'

const no = (why: string): Fit => ({ fits: false, why })

/** Fits trusses whose joints determine the forces in their bars. */
export function fitsTruss(problem: Problem, s: Structure): Fit {
  const beyond = beyondCourse(problem, s)
  if (beyond) return beyond
  if (s.kind !== 'truss') return no('This method is for trusses: the members of this problem bend.')
  const actions = s.cases.map((_, i) => caseActions(s, i))
  const loaded = actions.some((a) =>
    [...a.members.values()].some((m) => m.spans.length + m.points.length > 0),
  )
  if (loaded) return no('A bar is loaded between its joints, so its force is not the same all along it.')
  if (s.members.length === 0 || !isDeterminate(trussOf(s, caseActionsOf(s))))
    return no(
      'The truss is statically indeterminate: equilibrium of its joints alone does not give the forces.',
    )
  return { fits: true }
}

const caseActionsOf = (s: Structure) =>
  s.cases.length > 0
    ? caseActions(s, 0)
    : { nodal: new Float64Array(3 * s.nodes.length), members: new Map(), settlement: new Float64Array(0) }
