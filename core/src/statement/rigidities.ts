import { setSection, setSymbol } from '../document/edits/edits.js'
import type { Problem, Section } from '../document/types.js'

/**
 * Relative stiffness as it is said: a section by its EI, such as `EI` or `2EI`, with the symbol EI as
 * reference.
 */

/** Round references where the problem has no such symbol yet, by rigidity and system of units. */
const REFERENCE = {
  EI: { metric: '20000 kN*m^2', us: '7000 kip*ft^2' },
  EA: { metric: '1000000 kN', us: '200000 kip' },
}

/** Whether a section is given by its rigidities. */
export const byRigidity = (s: Section): boolean => s.EI !== undefined || s.EA !== undefined

/**
 * Gives a section its EI or EA as it was typed, or takes it away. The symbol of that name is made with a
 * round value where it is used and not there yet.
 */
export function withRigidity(p: Problem, id: string, key: 'EI' | 'EA', text: string | undefined): Problem {
  if (text === undefined || text.trim() === '') return setSection(p, id, { [key]: undefined })
  const us = p.units.length === 'ft' || p.units.length === 'in'
  const needs = new RegExp(`(?<![\\p{L}_])${key}(?![\\p{L}\\p{Nd}_'])`, 'u').test(text)
  const known =
    needs && !Object.hasOwn(p.symbols ?? {}, key)
      ? setSymbol(p, key, REFERENCE[key][us ? 'us' : 'metric'])
      : p
  return setSection(known, id, { [key]: text.trim() })
}
