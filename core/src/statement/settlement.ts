import { magnitude, negated } from '../document/sign.js'
import { typed } from '../document/typed.js'
import type { Component, Quantity } from '../document/types.js'
import type { Way } from './load-entry.js'
import { wayOfWord } from './load-line.js'

/** The two ways a support gives way in one of its directions; the first is taken where none is said. */
export const SETTLEMENT_WAYS: Record<Component, readonly [Way, Way]> = {
  x: ['right', 'left'],
  y: ['down', 'up'],
  rotation: ['cw', 'ccw'],
}

const AGAINST: ReadonlySet<Way> = new Set(['left', 'down', 'cw'])

const WORDS: Partial<Record<Way, string>> = {
  right: 'right',
  left: 'left',
  down: 'down',
  up: 'up',
  cw: 'clockwise',
  ccw: 'counter-clockwise',
}
/** The same ways in the axes of a turned support. */
const OWN_WORDS: Partial<Record<Way, string>> = {
  ...WORDS,
  right: 'along its x',
  left: 'against its x',
  down: 'into its ground (−y)',
  up: 'off its ground (+y)',
}

/** The direction of a settlement in words; of a turned support in its own axes. */
export const settlementWayWords = (way: Way, turned: boolean): string =>
  (turned ? OWN_WORDS : WORDS)[way] ?? way

/** A settlement of the document as its amount without a sign, and the way it goes. */
export function settlementEntry(component: Component, value: Quantity): { amount: Quantity; way: Way } {
  const { amount, negative } = magnitude(value)
  const [first, second] = SETTLEMENT_WAYS[component]
  return { amount, way: AGAINST.has(first) === negative ? first : second }
}

/** A settlement as the document has it, signed by its axis, from an amount and the way it goes. */
export const settlementValue = (amount: Quantity, way: Way): Quantity =>
  AGAINST.has(way) ? negated(amount) : amount

/** "10 mm down", "0.002 rad clockwise". */
export function settlementWords(component: Component, value: Quantity, turned: boolean): string {
  const { amount, way } = settlementEntry(component, value)
  return amount === 0 ? '0' : `${amount} ${settlementWayWords(way, turned)}`
}

/**
 * Reads a settlement as it is said: `10 mm`, `10 mm down`, `left 5 mm`. A sign or a direction may be written,
 * not both.
 * @param chosen the way it goes where the text does not say one
 * @returns the amount without a sign and the way, or a sentence
 */
export function readSettlement(
  text: string,
  component: Component,
  chosen: Way,
): { ok: true; amount: Quantity; way: Way } | { ok: false; message: string } {
  const words = text.trim().split(/\s+/)
  const said = words.filter((w) => wayOfWord(w) !== undefined)
  const ways = SETTLEMENT_WAYS[component]
  if (said.length > 1) return { ok: false, message: `It cannot go two ways: ${said.join(' and ')}.` }
  const amount = typed(words.filter((w) => !said.includes(w)).join(' '))
  if (said.length === 0)
    return {
      ok: true,
      ...(magnitude(amount).negative ? settlementEntry(component, amount) : { amount, way: chosen }),
    }
  const way = wayOfWord(said[0])!
  if (!ways.includes(way)) {
    const either = ways.map((w) => settlementWayWords(w, false)).join(' or ')
    return { ok: false, message: `This direction settles ${either}.` }
  }
  if (magnitude(amount).negative)
    return { ok: false, message: `A sign or a direction, not both: 10 mm ${said[0]}.` }
  return { ok: true, amount, way }
}
