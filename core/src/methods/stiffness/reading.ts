import { formatNumber, formatPlain } from '../../quantity/format.js'
import type { Problem } from '../../document/types.js'

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

const USUAL: Reading = { figures: 5, power: true, dimmed: false, factor: 'none' }

/** The reading a problem remembers; what it does not say, or says wrongly, is as usual. */
export function readingOf(problem: Pick<Problem, 'view'> | undefined): Reading {
  const kept = problem?.view?.reading
  if (typeof kept !== 'object' || kept === null) return USUAL
  const { figures, power, dimmed, factor } = kept as Partial<Record<keyof Reading, unknown>>
  return {
    figures: FIGURES.find((f) => f === figures) ?? USUAL.figures,
    power: typeof power === 'boolean' ? power : USUAL.power,
    factor: FACTOR_CHOICES.find((f) => f === factor) ?? USUAL.factor,
    dimmed: typeof dimmed === 'boolean' ? dimmed : USUAL.dimmed,
  }
}

/** A number of the working in words. */
export const inFigures = (value: number, { figures }: Pick<Reading, 'figures'>): string =>
  formatPlain(value, figures)

/** This near to a whole number, a number is one. */
const WHOLE = 1e-12

/** An entry of a matrix: columns stay narrow by their decimals, which follow the figures asked for. */
export function entryWords(value: number, power: number, { figures }: Pick<Reading, 'figures'>): string {
  if (power === 0 && Math.abs(value) < 1000 && Math.abs(value - Math.round(value)) <= WHOLE * Math.abs(value))
    return formatPlain(Math.round(value))
  return figures === USUAL.figures
    ? formatNumber(value / 10 ** power, { decimals: 3 })
    : formatPlain(value / 10 ** power, figures)
}
