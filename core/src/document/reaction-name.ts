import type { LetterName } from '../methods/expression.js'

/**
 * The name of a reaction, or of a force that a hinge passes on, by its joint: `A` with the index `y`. A joint
 * named by a number would read as a factor, so its force is `R` with the index `1y`.
 */
export function reactionName(joint: string, component: string): LetterName {
  if (component === 'rotation') return { letter: 'M', sub: joint }
  return /^\p{L}/u.test(joint)
    ? { letter: joint, sub: component }
    : { letter: 'R', sub: `${joint}${component}` }
}
