import { makeReader } from '../quantity/reader.js'
import { answerDimension } from '../kinds/answers/form.js'
import { typed, withCommonUnits } from '../document/typed.js'
import type { Answer, Problem, Quantity } from '../document/types.js'
import { isAlone, type Place } from './answer-place.js'

export type AnswerValue =
  { ok: true; value: Quantity; sense?: Answer['sense'] } | { ok: false; message: string; rest?: string }

/** The letter or word behind an axial force that says whether it pulls or presses. */
const SENSE = /^(.*?)(?:\s+|(?<=\d))(T|C|t|c|tension|compression)$/

/**
 * A hand value as it is typed. Behind an axial force stands T or C, or the word: `8.4 C` presses. A small t
 * behind a bare number might be tonnes, and is asked about.
 */
export function readAnswerValue(p: Problem, place: Place, text: string): AnswerValue {
  const axial = place.quantity === 'axial' && isAlone(p, place.member)
  const said = axial ? SENSE.exec(text.trim()) : null
  if (said?.[2] === 't' && !/\p{L}/u.test(said[1]))
    return { ok: false, message: 't may be tonnes or tension: write tf, or T.', rest: 't' }
  const value = typed(withCommonUnits(said ? said[1] : text, p.symbols))
  const r = makeReader(p.units, p.symbols).reader.read(value, answerDimension(place))
  if (!r.ok) return { ok: false, message: r.message, rest: text.trim() }
  if (!said) return { ok: true, value }
  if (r.si < 0) return { ok: false, message: 'A sign or T and C, not both: −8.4, or 8.4 C.', rest: said[2] }
  return { ok: true, value, sense: /^t/i.test(said[2]) ? 'tension' : 'compression' }
}
