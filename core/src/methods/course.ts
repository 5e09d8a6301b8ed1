import type { Problem } from '../document/types.js'
import type { Structure } from '../structure/types.js'
import type { Fit } from './method.js'

/** The methods of the course solve their equations densely; larger structures are not written out. */
const MOST_MEMBERS = 200

/** The refusal of every method of the course: of second order, or too large. Undefined for other problems. */
export function beyondCourse(problem: Problem, s: Structure): Fit | undefined {
  if (problem.analysis?.order === 2)
    return {
      fits: false,
      why:
        'The problem is of second order, and this method is of first order: choose first order in ' +
        'the Given.',
      repair: 'first-order',
    }
  if (s.members.length > MOST_MEMBERS)
    return { fits: false, why: `This method is written out for up to ${MOST_MEMBERS} members.` }
  return undefined
}
