import * as D from '../quantity/dimension.js'
import type { Dimension } from '../quantity/dimension.js'
import { makeReader, type QuantityReader } from '../quantity/reader.js'
import { noPlace, placesMeant, type On } from '../document/places.js'
import { typed, typedAngle } from '../document/typed.js'
import type { Load, Problem, Quantity } from '../document/types.js'
import { loadOf, waysFor, WAYS, type Sort, type Way } from './load-entry.js'
import { readLoadLine, wayOfWord, type LoadPart, type Refused } from './load-line.js'
import { readLine, readPlaces, spread, withLine } from './load-sorts.js'
import { negated } from '../document/sign.js'

/** Loads that were read, or the field that was not, why, and what of its text is left over. */
export type NewLoads =
  { ok: true; loads: Load[] } | { ok: false; at: 'on' | 'amount' | 'at'; message: string; rest?: string }

const refused = (at: 'on' | 'amount' | 'at', { message, rest }: Refused): NewLoads => ({
  ok: false,
  at,
  message,
  ...(rest === undefined ? {} : { rest }),
})

/**
 * Loads from the name of a joint or a member, or several names, and what is written of their amount. The
 * sort of each follows from its unit: a force stands on a joint or a place of a member, a force per length
 * covers a member, a moment turns, a temperature warms, a length is too much length. A plain number is a
 * force on a joint and a uniform load on a member; `0 to 6 kN/m` varies, from place to place
 * where `at` says `1 to 3`. The line is read whole or refused.
 * @param way the direction that is chosen beside the line, for a line that says none
 */
export function readLoads(problem: Problem, on: string, amount: string, way: Way, at: string): NewLoads {
  // the whole line in the first field: `AB 6 kN/m`
  if (amount.trim() === '' && /\s/.test(on.trim())) return readWhole(problem, on.trim(), way, at)
  const { reader } = makeReader(problem.units, problem.symbols)
  const meant = placesMeant(problem, on)
  if (meant.length === 0) return { ok: false, at: 'on', message: noPlace(problem, on), rest: on }
  const readings = meant.map(({ places }) => loadsOn(reader, places, amount, way, at))
  // 10 kN/m on 9 can stand on the member 9 only, though there is a joint 9 too
  const able = readings.filter((r) => r.ok)
  if (able.length <= 1) return able[0] ?? readings[0]
  const words = meant.filter((_, i) => readings[i].ok).map((m) => m.words)
  const written = words.map((w) => w.replace(/^the /, ''))
  return {
    ok: false,
    at: 'on',
    message: `${on.trim()} may be ${words.join(' or ')}: write ${written.join(', or ')}.`,
    rest: on,
  }
}

/** The loads of an amount's line on each of some places. */
function loadsOn(
  reader: QuantityReader,
  places: readonly On[],
  amount: string,
  way: Way,
  at: string,
): NewLoads {
  const loads: Load[] = []
  for (const on of places) {
    const line = readLoadLine(amount, 'member' in on, reader)
    if ('message' in line) return refused('amount', line)
    for (const part of line.parts) {
      if (part.at !== undefined && at.trim() !== '')
        return { ok: false, at: 'at', message: 'The place is stated in the amount already.', rest: at }
      const made = readOne(reader, on, way, { ...part, ...(at.trim() === '' ? {} : { at }) })
      if ('ok' in made) return made
      loads.push(made)
    }
  }
  return loads.length ? { ok: true, loads } : { ok: false, at: 'amount', message: 'An amount is missing.' }
}

/** The name after the amount, as a sentence says it: `12 kN down on BC`. */
const NAME_LAST = /^(.*\S)\s+on\s+(\S.*)$/i
/** The longest name of places at the beginning of a line, in words. */
const MOST_NAME_WORDS = 40

/** A name and an amount in one line: the longest name after which the rest is read. */
function readWhole(problem: Problem, line: string, way: Way, at: string): NewLoads {
  const sentence = NAME_LAST.exec(line)
  if (sentence && placesMeant(problem, sentence[2]).length > 0) {
    const made = readLoads(problem, sentence[2], sentence[1], way, at)
    return made.ok ? made : { ...made, at: 'on' }
  }
  const words = line.split(/\s+/)
  let first: NewLoads | undefined
  for (let n = Math.min(MOST_NAME_WORDS, words.length - 1); n >= 1; n--) {
    const name = words.slice(0, n).join(' ')
    if (placesMeant(problem, name).length === 0) continue
    const made = readLoads(problem, name, words.slice(n).join(' '), way, at)
    if (made.ok) return made
    first ??= { ...made, at: 'on' }
  }
  return first ?? readLoads(problem, words[0], words.slice(1).join(' '), way, at)
}

/** One load of a line. */
function readOne(reader: QuantityReader, on: On, chosen: Way, part: LoadPart): Load | NewLoads {
  const way = part.way ?? chosen
  if (readLine(part.amount) || readPlaces(part.at ?? '')) return varyingLoad(reader, on, part, way)
  const value = typed(part.amount)
  const fits = (d: Dimension) => reader.read(value, d).ok
  const strain = 'member' in on && !isPlain(fits) ? strainLoad(on.member, value, fits, part) : undefined
  if (strain) return strain
  if (isCouple(part, fits) && 'member' in on) return coupleLoad(on.member, value, part)
  const sort = sortOf(fits, way, 'member' in on && part.at === undefined && part.angle === undefined)
  if (sort === undefined) {
    const r = reader.read(value, D.force)
    return refused('amount', { message: r.ok ? '' : r.message, rest: part.amount })
  }
  if (sort === 'uniform' && 'node' in on)
    return refused('amount', {
      message: `${on.node} is a joint: it takes a force or a moment, not a load per length.`,
      rest: part.amount,
    })
  return simpleLoad(reader, on, sort, value, chosen, part)
}

/** A force, a moment or a uniform load. */
function simpleLoad(
  reader: QuantityReader,
  on: On,
  sort: Sort,
  amount: Quantity,
  chosen: Way,
  part: LoadPart,
): Load | NewLoads {
  const ways = waysFor(sort, 'member' in on)
  if (part.way !== undefined && !ways.includes(part.way))
    return refused('amount', {
      message: `${THINGS[sort]} does not act ${WAYS[part.way].label}.`,
      rest: WORD_OF(part.way),
    })
  if (part.angle !== undefined) {
    if (sort !== 'force')
      return refused('amount', { message: `${THINGS[sort]} has no angle.`, rest: part.angle })
    if (part.way !== undefined)
      return refused('amount', { message: 'A direction or an angle, not both.', rest: part.angle })
  }
  if (part.at !== undefined && sort === 'uniform')
    return refused('at', {
      message: 'A load per length stands from one place to another: 1 to 3.',
      rest: part.at,
    })
  const way = part.angle === undefined ? (part.way ?? (ways.includes(chosen) ? chosen : ways[0])) : 'angle'
  const angle = part.angle === undefined ? undefined : typedAngle(part.angle, reader)
  if (angle !== undefined) {
    const r = reader.read(angle, D.angle)
    if (!r.ok) return refused('amount', { message: r.message, rest: part.angle })
  }
  const at = part.at === undefined ? '50%' : placeNamed(part.at)
  return loadOf(on, { sort, amount, way, ...(angle === undefined ? {} : { angle }), at })
}

/** Places along a member by their names. */
const PLACES: Record<string, Quantity> = {
  middle: '50%',
  mid: '50%',
  midspan: '50%',
  centre: '50%',
  center: '50%',
  start: 0,
  end: '100%',
}

const placeNamed = (text: string): Quantity => {
  const name = text.trim().toLowerCase()
  return Object.hasOwn(PLACES, name) ? PLACES[name] : typed(text)
}

const THINGS: Record<Sort, string> = { force: 'A force', moment: 'A moment', uniform: 'A load per length' }
const WORD_OF = (way: Way) => (way === 'cw' || way === 'ccw' ? way : WAYS[way].label)

/** A moment per length written out, `3 kN*m/m`, or a force per … with a sense of turning: a couple. */
const PER_LENGTH =
  /(?:[*·.–-]\s*|N|kips?|k|lbf|lbs?|tonf|tf?|kgf)(?:mm|cm|m|ft|in)\s*\/\s*(?:mm|cm|m|ft|in)\b/
const isCouple = (part: LoadPart, fits: Fits): boolean =>
  !isPlain(fits) && fits(D.force) && PER_LENGTH.test(part.amount)

function coupleLoad(member: string, value: Quantity, part: LoadPart): Load | NewLoads {
  if (part.at !== undefined || part.angle !== undefined)
    return refused('at', {
      message: 'A couple per length stands from one place to another: 1 to 3.',
      rest: part.at ?? part.angle,
    })
  if (part.way !== undefined && part.way !== 'cw' && part.way !== 'ccw')
    return refused('amount', { message: 'A couple turns: write cw or ccw.', rest: WORD_OF(part.way) })
  return { type: 'couple', member, q: part.way === 'cw' ? negated(value) : value }
}

/** A temperature or a lack of fit, which have neither a direction nor a place. */
function strainLoad(
  member: string,
  value: Quantity,
  fits: Fits,
  part: LoadPart,
): Load | NewLoads | undefined {
  const load: Load | undefined = fits(D.temperature)
    ? { type: 'temperature', member, uniform: value }
    : fits(D.length)
      ? { type: 'misfit', member, elongation: value }
      : undefined
  const rest = part.at ?? part.angle ?? (part.way && WORD_OF(part.way))
  if (!load || rest === undefined) return load
  const what = load.type === 'temperature' ? 'A temperature' : 'A lack of fit'
  return refused('amount', { message: `${what} is of the whole member.`, rest })
}

/** A load that varies along a member, or covers a part of it. */
function varyingLoad(reader: QuantityReader, on: On, part: LoadPart, way: Way): Load | NewLoads {
  const line = readLine(part.amount)
  if ('node' in on)
    return refused(line ? 'amount' : 'at', {
      message: `${on.node} is a joint: a load that varies stands on a member.`,
    })
  if (part.angle !== undefined)
    return refused('amount', { message: 'A load that varies has no angle.', rest: part.angle })
  const turning = way === 'ccw' || way === 'cw'
  if (part.way !== undefined && turning)
    return refused('amount', { message: 'A load that varies does not turn.', rest: part.way })
  const values = line ?? [typed(part.amount), typed(part.amount)]
  const wrong = values.map((v) => reader.read(v, D.forcePerLength)).find((r) => !r.ok)
  if (wrong && !wrong.ok) return refused('amount', { message: wrong.message })
  const [from, to] = readPlaces(part.at ?? '') ?? [0, '100%']
  if (part.at !== undefined && !readPlaces(part.at))
    return refused('at', { message: 'Two places are needed, such as 1 to 3.', rest: part.at })
  const points = spread(values, from, to)
  if (!points)
    return refused('at', {
      message: 'For more than two values the places are plain numbers or percentages.',
    })
  return withLine(
    { type: 'distributed', member: on.member, direction: 'Y' },
    { way: turning ? 'down' : way, points },
  )
}

type Fits = (d: Dimension) => boolean

/** A number without a unit reads as any dimension. */
const isPlain = (fits: Fits) => fits(D.force) && fits(D.forcePerLength)

/** The sort of load an amount states; undefined where its unit is that of no load. */
function sortOf(fits: Fits, way: Way, wholeMember: boolean): Sort | undefined {
  if (isPlain(fits)) return way === 'ccw' || way === 'cw' ? 'moment' : wholeMember ? 'uniform' : 'force'
  if (fits(D.force)) return 'force'
  if (fits(D.moment)) return 'moment'
  return fits(D.forcePerLength) ? 'uniform' : undefined
}

/** Whether a text is a direction alone, as it is left where the amount was forgotten. */
export const isWayAlone = (text: string): boolean => wayOfWord(text.trim()) !== undefined
