import type { QuantityReader } from '../quantity/reader.js'
import * as D from '../quantity/dimension.js'
import type { Way } from './load-entry.js'

/**
 * What a person writes of a load in one line, cut into its parts: `5 kN at 1.5`, `12 kN at 30°`, `20 kN*m
 * cw`, `5 kN at 1, 2.5`, `5 kN at 1; 8 kN at 3`.
 */
export interface LoadPart {
  amount: string
  /** The direction as it was written, where it was. */
  way?: Way
  at?: string
  angle?: string
}

/** A line that is not read whole: why, and what of it is left over. */
export interface Refused {
  message: string
  rest?: string
}

const WAY_WORDS: Record<string, Way> = {
  down: 'down',
  downward: 'down',
  downwards: 'down',
  '↓': 'down',
  up: 'up',
  upward: 'up',
  upwards: 'up',
  '↑': 'up',
  left: 'left',
  '←': 'left',
  right: 'right',
  '→': 'right',
  cw: 'cw',
  clockwise: 'cw',
  '↻': 'cw',
  ccw: 'ccw',
  'counter-clockwise': 'ccw',
  counterclockwise: 'ccw',
  anticlockwise: 'ccw',
  'anti-clockwise': 'ccw',
  '↺': 'ccw',
}

/** The direction a word says; undefined for any other word. */
export const wayOfWord = (word: string): Way | undefined => {
  const w = word.toLowerCase()
  return Object.hasOwn(WAY_WORDS, w) ? WAY_WORDS[w] : undefined
}

/** Loads in one line are parted by a semicolon, a comma before a space, or "and". */
const APART = /\s*(?:;|,(?=\s)|\band\b)\s*/

const PLACE_WORDS = new Set(['at', '@', 'from'])
const ANGLE_SIGNS = new Set(['∠', '<'])

/** An angle says so by its unit. */
const isAngle = (text: string) => /(?:°|\bdeg|\brad)\s*$/.test(text)

/**
 * Reads the line of a load's amount. A bare number after `at` is an angle in degrees on a joint, and a place
 * on a member.
 * @param onMember whether it stands on a member
 */
export function readLoadLine(
  text: string,
  onMember: boolean,
  reader: QuantityReader,
): { parts: LoadPart[] } | Refused {
  const parts: LoadPart[] = []
  for (const piece of text.split(APART).filter((t) => t !== '')) {
    const before = parts[parts.length - 1]
    // `5 kN at 1, 2.5`: the same amount at another place
    if (before?.at !== undefined && isPlace(piece, reader)) {
      parts.push({ ...before, at: piece })
      continue
    }
    const part = readPart(piece, onMember)
    if ('message' in part) return part
    parts.push(part)
  }
  return { parts }
}

const isPlace = (text: string, reader: QuantityReader): boolean =>
  /^[\d.]+\s*%$/.test(text) || reader.read(text, D.length).ok

type Slot = 'amount' | 'at' | 'angle' | 'rest'

function readPart(text: string, onMember: boolean): LoadPart | Refused {
  const words = text
    .replace(/[@∠<↓↑←→↺↻]/g, ' $& ')
    .split(/\s+/)
    .filter(Boolean)
  const said: Record<Slot, string[]> = { amount: [], at: [], angle: [], rest: [] }
  const part: LoadPart = { amount: '' }
  let slot: Slot = 'amount'
  for (const word of words) {
    const way = wayOfWord(word)
    if (way !== undefined) {
      if (part.way !== undefined && part.way !== way)
        return { message: `It cannot act two ways: ${word} comes after another direction.`, rest: word }
      part.way = way
      slot = said.amount.length ? 'rest' : 'amount'
    } else if (PLACE_WORDS.has(word.toLowerCase())) {
      if (slot === 'amount' && said.amount.length === 0)
        return { message: `An amount is missing before ${word}.`, rest: text }
      if (said.at.length) said.angle.push(...moveAngle(said.at))
      slot = said.at.length ? 'angle' : 'at'
    } else if (ANGLE_SIGNS.has(word)) slot = 'angle'
    else said[slot].push(word)
  }
  const at = said.at.join(' ')
  if (at !== '' && said.angle.length === 0 && (isAngle(at) || !onMember)) part.angle = at
  else if (at !== '') part.at = at
  if (said.angle.length) part.angle = said.angle.join(' ')
  if (said.rest.length)
    return { message: `"${said.rest.join(' ')}" is left over.`, rest: said.rest.join(' ') }
  part.amount = said.amount.join(' ')
  if (part.amount === '') return { message: 'An amount is missing, such as 12 kN.', rest: text }
  return part
}

/** What stands after a first `at` is the angle where it says so: the second then is the place. */
function moveAngle(at: string[]): string[] {
  if (!isAngle(at.join(' '))) return []
  return at.splice(0, at.length)
}
