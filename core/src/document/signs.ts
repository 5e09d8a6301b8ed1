import type { Problem } from './types.js'

/**
 * The sign conventions in which internal forces are drawn and listed; the core computes in one, named below.
 */
export interface Signs {
  /** The side of the member on which moments are drawn: the side that is in tension, or the other. */
  momentSide: 'tension' | 'compression'
  /** The axial force that is positive. */
  axial: 'tension' | 'compression'
  /** The shear that is positive: up on the left part of the member (start to end), or down. */
  shear: 'left-up' | 'left-down'
  /**
   * The moment that is positive: the one with the −y face in tension (sagging from left to right), or the
   * other.
   */
  moment: 'sagging' | 'hogging'
  /**
   * The sign of hand values at members' ends: that of the internal force, or that of the force on the member
   * (moments counter-clockwise positive, shears along the member's y positive).
   */
  ends: 'internal' | 'member'
}

/** The convention that the core computes in, docs/format.md, and that a problem has which names none. */
export const OWN_SIGNS: Signs = {
  momentSide: 'tension',
  axial: 'tension',
  shear: 'left-up',
  moment: 'sagging',
  ends: 'internal',
}

/** The choices of each convention, its own first. */
export const SIGN_CHOICES: { readonly [K in keyof Signs]: readonly [Signs[K], Signs[K]] } = {
  momentSide: ['tension', 'compression'],
  axial: ['tension', 'compression'],
  shear: ['left-up', 'left-down'],
  moment: ['sagging', 'hogging'],
  ends: ['internal', 'member'],
}

/**
 * The conventions a problem keeps in its view; what it does not name, or names wrongly, is the core's own.
 */
export function signsOf(p: Pick<Problem, 'view'>): Signs {
  const kept = (p.view?.signs ?? {}) as Record<string, unknown>
  const one = <K extends keyof Signs>(key: K): Signs[K] =>
    SIGN_CHOICES[key].find((c) => c === kept[key]) ?? OWN_SIGNS[key]
  return {
    momentSide: one('momentSide'),
    axial: one('axial'),
    shear: one('shear'),
    moment: one('moment'),
    ends: one('ends'),
  }
}

/** Another convention, kept with the problem; results change their sign and nothing else. */
export const setSigns = (p: Problem, change: Partial<Signs>): Problem => ({
  ...p,
  view: { ...p.view, signs: { ...signsOf(p), ...change } },
})

/** What internal forces of the core are multiplied by to be read in a convention: 1 or −1 each. */
export const signFactors = (s: Signs): Record<'N' | 'V' | 'M', 1 | -1> => ({
  N: s.axial === 'tension' ? 1 : -1,
  V: s.shear === 'left-up' ? 1 : -1,
  M: s.moment === 'sagging' ? 1 : -1,
})
