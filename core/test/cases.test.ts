import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { readProblem, resultsDocument, work, writeProblem } from '../src/index.js'

/**
 * Reference problems with results from an independent exact solution (differential equations, no element
 * matrices).
 */
const folder = join(import.meta.dirname, 'cases')
const names = readdirSync(folder)
  .filter((f) => f.endsWith('.viga.json'))
  .map((f) => f.replace('.viga.json', ''))
const text = (file: string) => readFileSync(join(folder, file), 'utf8')

const TOLERANCE = 1e-7

type Tree = { [key: string]: Tree } | Tree[] | number | string | boolean | null

/** The kind of magnitude a number is compared with: lengths with lengths, moments with moments. */
function kindOf(path: string[]): string {
  const key = path[path.length - 1]
  if (path.includes('nodes')) return key === 'rotation' ? 'angle' : 'length'
  if (path.includes('relative') || ['u', 'v', 'relative', 'length'].includes(key)) return 'length'
  if (path.includes('reactions')) return key === 'rotation' ? 'moment' : key === 'angle' ? 'angle' : 'force'
  if (path.includes('M') || ['m', 'M', 'energy'].includes(key)) return 'moment'
  return key === 'x' ? 'length' : 'force'
}

function walk(expected: Tree, path: string[], visit: (value: number, path: string[]) => void) {
  if (typeof expected === 'number') visit(expected, path)
  else if (expected !== null && typeof expected === 'object')
    for (const [k, v] of Object.entries(expected)) walk(v, [...path, k], visit)
}

const at = (tree: Tree, path: string[]): Tree =>
  path.reduce<Tree>((t, k) => (t as Record<string, Tree>)[k], tree)

describe.each(names)('%s', (name) => {
  const read = readProblem(text(`${name}.viga.json`))
  if (!read.ok) throw new Error(read.errors[0].message)
  const outcome = work(read.problem)

  it('comes back the same from writing and reading', () => {
    const again = readProblem(writeProblem(read.problem))
    expect(again.ok && again.problem).toEqual(read.problem)
  })

  const expected = JSON.parse(text(`${name}.expected.json`)) as { [key: string]: Tree }
  const results = (outcome.stage === 'solved'
    ? resultsDocument(read.problem, outcome.solution, [], { stations: 5, matrices: true })
    : {}) as unknown as { [key: string]: Tree }

  it('agrees with the exact solution', () => {
    const scale: Record<string, number> = {}
    walk(expected.results, [], (v, p) => (scale[kindOf(p)] = Math.max(scale[kindOf(p)] ?? 0, Math.abs(v))))
    let compared = 0
    walk(expected.results, [], (v, p) => {
      // the place matters only in that the extreme occurs there
      if (p[p.length - 1] === 'x' && p.includes('extremes')) return
      const got = at(results.results, p)
      expect(typeof got, p.join('.')).toBe('number')
      const size =
        kindOf(p) === 'angle' || kindOf(p) === 'length'
          ? Math.max(scale[kindOf(p)], 1e-9) // where nothing turns, rounding is all there is
          : Math.max(scale.force, scale.moment)
      expect(Math.abs((got as number) - v) / size, p.join('.')).toBeLessThan(TOLERANCE)
      compared++
    })
    expect(compared).toBeGreaterThan(30)
  })

  it('puts a station where the exact solution has one', () => {
    const members = Object.values(expected.results as object)[0] as {
      members: Record<string, { stations: { x: number }[] }>
    }
    const mine = Object.values(results.results as object)[0] as typeof members
    for (const [id, m] of Object.entries(members.members))
      expect(mine.members[id].stations.map((s) => s.x)).toEqual(
        m.stations.map((s) => expect.closeTo(s.x, 9) as number),
      )
  })

  it('has its determinacy, stiffness and verdicts', () => {
    expect(results.determinacy).toEqual(expected.determinacy)
    if (expected.stiffness) {
      const { dofs, K } = expected.stiffness as unknown as { dofs: object; K: number[][] }
      const mine = results.stiffness as unknown as { dofs: object; K: number[][] }
      expect(mine.dofs).toEqual(dofs)
      const largest = Math.max(...K.flat().map(Math.abs))
      K.forEach((row, i) =>
        row.forEach((v, j) => expect(Math.abs(mine.K[i][j] - v) / largest).toBeLessThan(1e-12)),
      )
    }
    const verdicts = (list: Tree) =>
      (list as unknown as { id: string; verdict: string }[]).map((a) => [a.id, a.verdict])
    expect(verdicts(results.answers)).toEqual(verdicts(expected.answers))
  })
})

it('explains the answers that are wrong on purpose', () => {
  const diagnosis = (name: string, id: string) => {
    const read = readProblem(text(`${name}.viga.json`))
    const outcome = read.ok ? work(read.problem) : undefined
    if (!read.ok || outcome?.stage !== 'solved') throw new Error(name)
    return resultsDocument(read.problem, outcome.solution, []).answers.find((a) => a.id === id)?.diagnosis
      ?.kind
  }
  expect(diagnosis('lily-walkway', 'a6')).toBe('unit-factor')
  expect(diagnosis('bog-boardwalk', 'a3')).toBe('opposite-sign')
})
