import { dimension, edit, makeReader, type Dimension, type Load, type Problem } from '@viga/core'
import { loadOf, waysFor, type Sort, type Way } from './load-entry'

export type NewLoad = { ok: true; load: Load } | { ok: false; at: 'on' | 'amount'; message: string }

/**
 * A load from a label and an amount. Its sort follows from the unit: a force stands on a joint or a place of a member,
 * a force per length covers a member, a moment turns. A plain number is a force on a joint and a uniform load on a member.
 */
export function newLoad(problem: Problem, on: string, amount: string, way: Way, at: string): NewLoad {
  const label = on.trim()
  const find = (ids: string[]) => ids.find((id) => id === label) ?? ids.find((id) => id === label.toUpperCase())
  const node = find(problem.nodes.map((n) => n.id))
  const member = node === undefined ? find(problem.members.map((m) => m.id)) : undefined
  if (node === undefined && member === undefined) return { ok: false, at: 'on', message: `There is no joint or member ${label}.` }
  const { reader } = makeReader(problem.units, problem.symbols)
  const value = edit.typed(amount)
  const fits = (d: Dimension) => {
    const r = reader.read(value, d)
    return r.ok
  }
  const plain = fits(dimension.force) && fits(dimension.forcePerLength)
  const turning = way === 'ccw' || way === 'cw'
  let sort: Sort | undefined
  if (plain) sort = turning ? 'moment' : member === undefined || at.trim() !== '' ? 'force' : 'uniform'
  else sort = fits(dimension.force) ? 'force' : fits(dimension.moment) ? 'moment' : fits(dimension.forcePerLength) ? 'uniform' : undefined
  if (sort === undefined) {
    const r = reader.read(value, dimension.force)
    return { ok: false, at: 'amount', message: r.ok ? '' : r.message }
  }
  if (sort === 'uniform' && member === undefined) return { ok: false, at: 'amount', message: `${node} is a joint: it takes a force or a moment, not a load per length.` }
  const ways = waysFor(sort, member !== undefined)
  const place = at.trim() === '' ? '50%' : edit.typed(at)
  const entry = { sort, amount: value, way: ways.includes(way) ? way : ways[0], at: place }
  return { ok: true, load: loadOf(member !== undefined ? { member } : { node: node! }, entry) }
}
