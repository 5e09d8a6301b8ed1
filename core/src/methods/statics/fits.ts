import type { Problem } from '../../document/types.js'
import { combineActions } from '../../structure/case-actions.js'
import type { Structure } from '../../structure/types.js'
import { beyondCourse } from '../course.js'
import type { Fit } from '../method.js'
import { equilibriumOf, type Statics } from './equilibrium.js'

/** The structure without loads: which forces equilibrium gives does not depend on them. */
export const bare = (s: Structure): Statics => equilibriumOf(s, combineActions(s, []))

/** Fits what is determinate: the whole problem, or some of its reactions. */
export function fitsStatics(problem: Problem, s: Structure): Fit {
  const beyond = beyondCourse(problem, s)
  if (beyond) return beyond
  const st = bare(s)
  if (st.isDeterminate || st.values.some((v) => !Number.isNaN(v))) return { fits: true }
  return {
    fits: false,
    why: 'The problem is statically indeterminate, and equilibrium gives none of its reactions by itself.',
  }
}

/** Fits problems that equilibrium determines altogether. */
export const isDeterminate = (s: Structure): boolean => bare(s).isDeterminate
