import * as D from '../quantity/dimension.js'
import type { Dimension } from '../quantity/dimension.js'
import { makeReader } from '../quantity/reader.js'
import { typed } from '../document/typed.js'
import type { Load, Problem } from '../document/types.js'
import { loadOf, waysFor, type Sort, type Way } from './load-entry.js'
import { readLine, readPlaces, spread, withLine } from './load-sorts.js'

export type NewLoad = { ok: true; load: Load } | { ok: false; at: 'on' | 'amount' | 'at'; message: string }

/**
 * A load from a label and an amount. Its sort follows from the unit: a force stands on a joint or a place of
 * a member,
 * a force per length covers a member, a moment turns, a temperature warms, a length is too much length. A
 * plain number is
 * a force on a joint and a uniform load on a member; `0 to 6 kN/m` varies, from place to place where `at`
 * says `1 to 3`.
 */
export function newLoad(problem: Problem, on: string, amount: string, way: Way, at: string): NewLoad {
  const label = on.trim()
  const find = (ids: string[]) =>
    ids.find((id) => id === label) ?? ids.find((id) => id === label.toUpperCase())
  const node = find(problem.nodes.map((n) => n.id))
  const member = node === undefined ? find(problem.members.map((m) => m.id)) : undefined
  if (node === undefined && member === undefined)
    return { ok: false, at: 'on', message: `There is no joint or member ${label}.` }
  const { reader } = makeReader(problem.units, problem.symbols)
  if (readLine(amount) || readPlaces(at)) return varyingLoad(reader, node, member, amount, way, at)
  const value = typed(amount)
  const fits = (d: Dimension) => {
    const r = reader.read(value, d)
    return r.ok
  }
  const plain = isPlain(fits)
  if (member !== undefined && !plain) {
    if (fits(D.temperature)) return { ok: true, load: { type: 'temperature', member, uniform: value } }
    if (fits(D.length)) return { ok: true, load: { type: 'misfit', member, elongation: value } }
  }
  const sort = sortOf(fits, way, member !== undefined && at.trim() === '')
  if (sort === undefined) {
    const r = reader.read(value, D.force)
    return { ok: false, at: 'amount', message: r.ok ? '' : r.message }
  }
  if (sort === 'uniform' && member === undefined)
    return {
      ok: false,
      at: 'amount',
      message: `${node} is a joint: it takes a force or a moment, not a load per length.`,
    }
  const ways = waysFor(sort, member !== undefined)
  const place = at.trim() === '' ? '50%' : typed(at)
  const entry = { sort, amount: value, way: ways.includes(way) ? way : ways[0], at: place }
  return { ok: true, load: loadOf(member !== undefined ? { member } : { node: node! }, entry) }
}

/** A load that varies along a member, or covers a part of it. */
function varyingLoad(
  reader: ReturnType<typeof makeReader>['reader'],
  node: string | undefined,
  member: string | undefined,
  amount: string,
  way: Way,
  at: string,
): NewLoad {
  const line = readLine(amount)
  if (member === undefined)
    return {
      ok: false,
      at: line ? 'amount' : 'at',
      message: `${node} is a joint: a load that varies stands on a member.`,
    }
  const values = line ?? [typed(amount), typed(amount)]
  const wrong = values.map((v) => reader.read(v, D.forcePerLength)).find((r) => !r.ok)
  if (wrong && !wrong.ok) return { ok: false, at: 'amount', message: wrong.message }
  const [from, to] = readPlaces(at) ?? [0, '100%']
  const points = spread(values, from, to)
  if (!points)
    return {
      ok: false,
      at: 'at',
      message: 'For more than two values the places are plain numbers or percentages.',
    }
  const turning = way === 'ccw' || way === 'cw'
  return {
    ok: true,
    load: withLine({ type: 'distributed', member, direction: 'Y' }, { way: turning ? 'down' : way, points }),
  }
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
