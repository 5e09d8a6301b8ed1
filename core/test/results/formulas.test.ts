import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import {
  firstOrderOf,
  courseOf,
  formulasOf,
  readProblem,
  stations,
  valueOfFormula,
  work,
} from '../../src/index.js'
import { frame } from '../builder.js'

const folder = join(import.meta.dirname, '../cases')
const names = readdirSync(folder).filter((f) => f.endsWith('.viga.json'))

describe('N(x), V(x), M(x), v(x) of the reference problems agree with their stations', () => {
  it.each(names)('%s', (name) => {
    const read = readProblem(readFileSync(join(folder, name), 'utf8'))
    const outcome = read.ok ? work(read.problem) : undefined
    if (outcome?.stage !== 'solved') return
    const { solution } = outcome
    // on the bent shape nothing is a polynomial: the formulas are those of first order
    for (const action of solution.cases.map(firstOrderOf))
      solution.structure.members.forEach((_, i) => {
        const course = courseOf(solution, action, i)
        const all = stations(course, 21).filter((t) => !Number.isNaN(t.N))
        for (const key of ['N', 'V', 'M', 'v'] as const) {
          const scale = Math.max(1e-12, ...all.map((t) => Math.abs(t[key])))
          for (const f of formulasOf(course, key))
            for (const t of all) {
              // at a jump either side is a station
              if (t.x <= f.x0 + 1e-6 || t.x >= f.x1 - 1e-6) continue
              expect(Math.abs(valueOfFormula(f, t.x) - t[key]) / scale).toBeLessThan(1e-7)
            }
        }
      })
  })
})

it('a formula has no terms of rounding: M of a uniform load is a parabola', () => {
  const s = frame()
    .node('A', 0, 0)
    .node('B', 4, 0)
    .member('A', 'B')
    .support('A', 'pin')
    .support('B', 'roller')
    .load({ type: 'distributed', member: 'AB', direction: 'Y', q: -3 })
    .solve()
  const [m] = formulasOf(courseOf(s, s.cases[0], 0), 'M')
  expect(m.coefficients.map((c) => Math.round(c))).toEqual([0, 6000, -1500])
})
