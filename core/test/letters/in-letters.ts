import { expect } from 'vitest'
import { resultsDocument, work, type Problem } from '../../src/index.js'
import { none } from '../../src/quantity/dimension.js'
import { evaluate } from '../../src/quantity/expression.js'
import { symbolValues } from '../../src/quantity/symbols.js'
import { siPerCoherent } from '../../src/quantity/units.js'

type Document = ReturnType<typeof resultsDocument>

export function documentOf(problem: Problem): Document {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error(JSON.stringify(outcome))
  return resultsDocument(problem, outcome.solution, [], { stations: 2, letters: true })
}

/** The tree of expressions of a result. */
export function lettersOf(problem: Problem, id = problem.loadCases![0].id) {
  const result = documentOf(problem).results[id]
  if (!('letters' in result)) throw new Error('no letters')
  return { ...result.letters!, missing: result.lettersMissing }
}

/** An expression with the values of a problem's symbols put in, in coherent units. */
export function evaluated(problem: Problem, expression: string): number {
  const { values } = symbolValues(problem.symbols ?? {})
  return evaluate(expression, (name) => {
    const v = values.get(name)
    return v && { si: v.si / siPerCoherent(problem.units, v.dimension), dimension: none, bare: true }
  }).si
}

/** Numbers and expressions that stand for the same, with the size that differences are measured by. */
function* pairs(
  inLetters: object,
  numbers: object,
  path = '',
): Generator<[string, string | null, number | null]> {
  for (const [key, e] of Object.entries(inLetters)) {
    const v = (numbers as Record<string, unknown>)[key]
    if (e !== null && typeof e === 'object') yield* pairs(e as object, v as object, `${path}.${key}`)
    else yield [`${path}.${key}`, e as string | null, Number.isFinite(v) ? (v as number) : null]
  }
}

/** What kind of number a path of the results leads to. */
const kindOf = (path: string): string =>
  path.endsWith('.x') && path.includes('extremes')
    ? 'place'
    : path.includes('nodes')
      ? path.endsWith('rotation')
        ? 'rotation'
        : 'displacement'
      : path.includes('relative')
        ? 'displacement'
        : /\.m$|rotation|extremes\.M/.test(path)
          ? 'moment'
          : 'force'

/**
 * Expects every expression of `document`, the values of `problem` put in, to be what `solved` has as numbers.
 * @param all whether extremes are compared too: at other values another stretch may be larger
 * @returns how many expressions there were
 */
export function expectSame(document: Document, problem: Problem, solved: Document, all: boolean): number {
  let count = 0
  for (const [id, result] of Object.entries(document.results)) {
    if (!('letters' in result)) continue
    const there = solved.results[id]
    const list = [...pairs(result.letters!, there)].filter(([path]) => all || !path.includes('extremes'))
    const sizes = new Map<string, number>()
    for (const [path, , v] of list)
      if (v !== null) sizes.set(kindOf(path), Math.max(sizes.get(kindOf(path)) ?? 0, Math.abs(v)))
    for (const [path, e, v] of list) {
      // what equilibrium leaves undetermined has no expression
      if (v === null) expect(e, path).toBeNull()
      if (e === null || v === null) continue
      // what is rounding error beside the forces is none
      const least = { force: 1e-3, moment: 1e-3 * Math.max(1, sizes.get('force') ?? 0) }[kindOf(path)] ?? 1e-9
      const size = Math.max(sizes.get(kindOf(path))!, least)
      // where a quantity is the same all along a member, its extreme may be said of any place
      if (kindOf(path) === 'place' && isEven(path, there)) continue
      count++
      expect(Math.abs(evaluated(problem, e) - v) / size, `${id}${path}: ${e} for ${v}`).toBeLessThan(1e-8)
    }
  }
  return count
}

function isEven(path: string, there: Document['results'][string]): boolean {
  const [, , member, , key] = path.split('.')
  const range = there.members[member].extremes[key as 'N']
  const size = Math.max(Math.abs(range.max.value), Math.abs(range.min.value))
  return Math.abs(range.max.value - range.min.value) <= 1e-6 * size || size < 1e-8
}
