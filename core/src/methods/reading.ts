import type { Problem } from '../document/types.js'

/**
 * How a working is read: significant figures, a common power of ten before matrices or none, one half of what
 * is symmetric dimmed.
 */
export interface Reading {
  figures: number
  power: boolean
  dimmed: boolean
  factor: FactorChoice
}

/**
 * What is taken out of a stiffness matrix: nothing, each member's own EI/L³ (EA/L), or the EI that all
 * members share.
 */
export const FACTOR_CHOICES = ['none', 'own', 'common'] as const
export type FactorChoice = (typeof FACTOR_CHOICES)[number]

export const FIGURES = [3, 4, 5, 6, 8] as const

export const USUAL_READING: Reading = { figures: 5, power: true, dimmed: false, factor: 'none' }

/** The reading a problem remembers; what it does not say, or says wrongly, is as usual. */
export function readingOf(problem: Pick<Problem, 'view'> | undefined): Reading {
  const kept = problem?.view?.reading
  if (typeof kept !== 'object' || kept === null) return USUAL_READING
  const { figures, power, dimmed, factor } = kept as Partial<Record<keyof Reading, unknown>>
  return {
    figures: FIGURES.find((f) => f === figures) ?? USUAL_READING.figures,
    power: typeof power === 'boolean' ? power : USUAL_READING.power,
    factor: FACTOR_CHOICES.find((f) => f === factor) ?? USUAL_READING.factor,
    dimmed: typeof dimmed === 'boolean' ? dimmed : USUAL_READING.dimmed,
  }
}
