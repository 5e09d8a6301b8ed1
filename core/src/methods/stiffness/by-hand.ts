import type { Problem } from '../../document/types.js'

/** How equations are solved by hand: rows cleared one after another, or the matrix taken apart first. */
export type ByHand = 'gauss' | 'ldl'

export const BY_HAND_WAYS: readonly (readonly [ByHand, string])[] = [
  ['gauss', 'row by row (Gauss)'],
  ['ldl', 'K = L·D·Lᵀ'],
]

/** The way a problem asks for. */
export const byHandOf = (problem: Pick<Problem, 'view'> | undefined): ByHand =>
  problem?.view?.byHand === 'ldl' ? 'ldl' : 'gauss'
