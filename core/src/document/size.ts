import type { Problem, ProblemError } from './types.js'

/** Results of one problem at the most: members times load cases and combinations. */
const MOST_RESULTS = 3_000_000
/** Products formed by superposition at the most: members times cases times combinations. */
const MOST_PRODUCTS = 100_000_000
/** Readings of hand values at the most: members times answers, since an extreme looks at every member. */
const MOST_READINGS = 30_000_000

/**
 * Why a problem is too large to be solved as a whole, if it is. Each list has a limit of its own; the work
 * grows with their products.
 */
export function sizeError({
  members,
  loadCases = [],
  combinations = [],
  answers = [],
}: Problem): ProblemError | undefined {
  const refuse = (path: string, message: string): ProblemError => ({ kind: 'invalid', path, message })
  const n = members.length
  if (n * (loadCases.length + combinations.length) > MOST_RESULTS)
    return refuse(
      'loadCases',
      `${n} members under ${loadCases.length} load cases and ${combinations.length} combinations are more ` +
        'than can be solved at once. Take out cases or combinations.',
    )
  if (n * loadCases.length * combinations.length > MOST_PRODUCTS)
    return refuse(
      'combinations',
      `${combinations.length} combinations of ${loadCases.length} load cases on ${n} members are more than ` +
        'can be superposed at once. Take out combinations.',
    )
  if (n * answers.length > MOST_READINGS)
    return refuse(
      'answers',
      `${answers.length} hand values on ${n} members are more than can be checked at once.`,
    )
  return undefined
}
