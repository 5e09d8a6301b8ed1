import { endAt, type End } from '../document/ends.js'
import { collect } from '../document/report.js'
import type { Answer, Problem } from '../document/types.js'
import { place } from '../document/values.js'
import { makeReader, type QuantityReader } from '../quantity/reader.js'
import type { StructureMember } from './types.js'

/** Readers of problems' quantities, kept because a search for slips asks for thousands of places. */
const readers = new WeakMap<Problem, QuantityReader>()

function readerOf(problem: Problem): QuantityReader {
  let reader = readers.get(problem)
  if (!reader) readers.set(problem, (reader = makeReader(problem.units, problem.symbols).reader))
  return reader
}

/** A stated place on a member, m from its start; undefined for a text that is no place on it. */
export function placeOn(
  problem: Problem,
  raw: string | number,
  m: Pick<StructureMember, 'id' | 'length'>,
): number | undefined {
  const report = collect()
  const x = place({ reader: readerOf(problem), report }, raw, m.id, m.length, 'at')
  return report.errors.length ? undefined : x
}

/** The end of a member that an answer's place is: `0`, `0 m`, `0%` and `100%`, `4 m` alike. */
export function endOf(
  problem: Problem,
  a: Pick<Answer, 'at'>,
  m: Pick<StructureMember, 'id' | 'length'>,
): End | undefined {
  if (a.at === undefined) return undefined
  const x = placeOn(problem, a.at, m)
  return x === undefined ? undefined : endAt(x, m.length)
}
