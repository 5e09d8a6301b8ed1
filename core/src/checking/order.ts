import type { Answer } from '../document/types.js'
import { OUTLINE } from '../methods/stiffness/outline.js'

/** The step of the stiffness method in which a hand value is found, by its key. */
export function solutionStep(a: Pick<Answer, 'quantity' | 'member' | 'at'>): string {
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

const STEPS: readonly string[] = OUTLINE.steps.map((s) => s.key)

/** Sorts hand values by where they are found: what comes first in the solution is looked at first. */
export const inSolutionOrder = <A extends Pick<Answer, 'quantity' | 'member' | 'at'>>(
  answers: readonly A[],
): A[] => [...answers].sort((a, b) => STEPS.indexOf(solutionStep(a)) - STEPS.indexOf(solutionStep(b)))
