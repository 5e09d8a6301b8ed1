import { makeReader } from '../quantity/reader.js'
import { answerDimension } from '../kinds/answers/index.js'
import { magnitude, negated } from '../document/sign.js'
import { typed } from '../document/typed.js'
import type { Answer, Component, Problem, Quantity } from '../document/types.js'
import { isAlone, type Place } from './answer-place.js'
import { WAYS, type Way } from './load-entry.js'
import { wayOfWord } from './load-line.js'

export type AnswerValue =
  { ok: true; value: Quantity; sense?: Answer['sense'] } | { ok: false; message: string; rest?: string }

/** The letter or word behind an axial force that says whether it pulls or presses. */
const SENSE = /^(.*?)(?:\s+|(?<=\d))(T|C|t|c|tension|compression)$/

/** The two ways of a component, with its axis and against it. */
const WAYS_OF: Record<Component, readonly [Way, Way]> = {
  x: ['right', 'left'],
  y: ['up', 'down'],
  rotation: ['ccw', 'cw'],
}

/** Whether a value there acts along a global axis, so that a direction can be said instead of a sign. */
export const hasDirection = (place: Place): place is Place & { component: Component } =>
  place.component !== undefined &&
  (place.quantity === 'reaction' || place.quantity === 'displacement' || place.quantity === 'load-vector'
    ? place.axes !== 'own' || place.component === 'rotation'
    : place.quantity === 'fixed-end' && place.component === 'rotation')

/** A direction before or behind an amount: `18.2 up`, `↓ 4 kN`, `12 kN·m clockwise`. */
function cutWay(text: string): { amount: string; word: string; way: Way } | undefined {
  const words = text
    .replace(/[↓↑←→↺↻]/g, ' $& ')
    .trim()
    .split(/\s+/)
  for (const [word, rest] of [
    [words[words.length - 1], words.slice(0, -1)],
    [words[0], words.slice(1)],
  ] as const) {
    const way = wayOfWord(word)
    if (way !== undefined && rest.length) return { amount: rest.join(' '), word, way }
  }
  return undefined
}

/**
 * A hand value as it is typed. Behind an axial force stands T or C, or the word: `8.4 C` presses; a small t
 * behind a bare number might be tonnes, and is asked about. With a reaction or a displacement stands its
 * direction: `18.2 kN up`, `12 clockwise`.
 * @returns the value with the sign of the contract, as typed but for that sign, and the sense of an axial
 * force
 */
export function readAnswerValue(p: Problem, place: Place, text: string): AnswerValue {
  const said = place.quantity === 'axial' ? SENSE.exec(text.trim()) : null
  if (said?.[2] === 't' && !/\p{L}/u.test(said[1]))
    return { ok: false, message: 't may be tonnes or tension: write tf, or T.', rest: 't' }
  const cut = said ? undefined : cutWay(text)
  const amount = said ? said[1] : (cut?.amount ?? text)
  const value = typed(amount)
  const r = makeReader(p.units, p.symbols).reader.read(value, answerDimension(place))
  if (!r.ok) return { ok: false, message: r.message, rest: text.trim() }
  if (cut) return directed(place, value, r.si, cut)
  if (!said) return { ok: true, value }
  if (r.si < 0) return { ok: false, message: 'A sign or T and C, not both: −8.4, or 8.4 C.', rest: said[2] }
  const pulls = /^t/i.test(said[2])
  // a member that bends has its axial force at a place, where the contract knows no sense: there it is signed
  if (!isAlone(p, place.member)) return { ok: true, value: pulls ? value : negated(value) }
  return { ok: true, value, sense: pulls ? 'tension' : 'compression' }
}

function directed(place: Place, value: Quantity, si: number, said: { word: string; way: Way }): AnswerValue {
  const { word: rest, way } = said
  if (!hasDirection(place))
    return {
      ok: false,
      message:
        'A direction is said of a reaction or a displacement along the global axes; write a sign here.',
      rest,
    }
  const [along, against] = WAYS_OF[place.component]
  if (way !== along && way !== against)
    return {
      ok: false,
      message: `This component acts ${WAYS[along].label} or ${WAYS[against].label}.`,
      rest,
    }
  if (si < 0) return { ok: false, message: 'A sign or a direction, not both: −18.2, or 18.2 down.', rest }
  return { ok: true, value: way === against ? negated(value) : value }
}

/** A hand value as a person would write it: the amount as typed, with its arrow, or T and C. */
export function answerValueText(a: Answer): string {
  if (a.sense) return `${a.value} ${a.sense === 'tension' ? 'T' : 'C'}`
  if (!hasDirection(a)) return String(a.value)
  const { amount, negative } = magnitude(a.value)
  const [along, against] = WAYS_OF[a.component]
  return amount === 0 ? '0' : `${amount} ${WAYS[negative ? against : along].sign}`
}
