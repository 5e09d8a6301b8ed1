import type { Answer } from '../document/types.js'
import type { StepKey } from '../methods/blocks.js'

/**
 * The step of the working in which a hand value is found: what comes first in the solution is where an error
 * is looked for first.
 */
export function solutionStep(a: Pick<Answer, 'quantity' | 'member' | 'at'>): StepKey {
  switch (a.quantity) {
    case 'stiffness':
      return a.member === undefined ? 'assembly' : 'stiffness'
    case 'fixed-end':
    case 'load-vector':
      return 'loads'
    case 'displacement':
      return 'solution'
    case 'reaction':
      return 'reactions'
    case 'axial':
    case 'shear':
    case 'moment':
      return a.at === undefined || a.at === 0 || a.at === '0%' || a.at === '100%' ? 'end-forces' : 'diagrams'
    default:
      return 'diagrams'
  }
}
