import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  checkDocument,
  courseOf,
  csvFiles,
  resultsDocument,
  setUnits,
  stations,
  workWithSystem,
  type Answer,
  type Problem,
} from '../../src/index.js'
import { solved } from '../builder.js'
import { anyFrame, forAll, near } from './any-frame.js'

/** Every number in a document, by its path. */
function numbersIn(value: unknown, path = ''): [string, number][] {
  if (typeof value === 'number') return [[path, value]]
  if (value === null || typeof value !== 'object') return []
  return Object.entries(value).flatMap(([k, v]) => numbersIn(v, `${path}.${k}`))
}

describe('the results document of any frame', () => {
  it('has finite numbers alone', () =>
    forAll((p) => {
      for (const [path, v] of numbersIn(resultsDocument(p, solved(p), [])))
        expect(Number.isFinite(v), path).toBe(true)
    }, 60))

  it('is made of JSON, and says the same after a round trip', () =>
    forAll((p) => {
      const text = JSON.stringify(resultsDocument(p, solved(p), []))
      expect(JSON.stringify(JSON.parse(text))).toBe(text)
      expect(text).not.toContain('null')
    }, 40))

  it('converts with its units: a force in kip is that in kN over 4.448', () =>
    forAll((p) => {
      const [a, b] = [p, setUnits(p, 'ft', 'kip', true)].map((q) =>
        numbersIn(resultsDocument(q, solved(q), []).results),
      )
      expect(b.map(([path]) => path)).toEqual(a.map(([path]) => path))
      const forces = (all: [string, number][]) =>
        all.filter(([path]) => /\.f[xy]$/.test(path)).map(([, v]) => v)
      const [kN, kip] = [forces(a), forces(b)]
      const most = Math.max(1, ...kN.map(Math.abs))
      kN.forEach((v, i) => near(kip[i] * 4.4482216152605, v, most, 1e-6))
    }, 30))
})

describe('tables for a spreadsheet', () => {
  it('hold the numbers of the solution, one record a line', () =>
    forAll((p) => {
      const files = csvFiles(p, solved(p), 11)
      for (const [name, text] of files) {
        const lines = text.trim().split('\r\n')
        const columns = lines[0].split(',').length
        for (const l of lines) expect(l.split(',').length, name).toBe(columns)
      }
    }, 40))
})

describe('stations along members', () => {
  it('begin and end with the member, and rise between', () =>
    forAll((p) => {
      const s = solved(p)
      s.structure.members.forEach((m, i) => {
        const xs = stations(courseOf(s, s.cases[0], i), 7).map((t) => t.x)
        expect([xs[0], xs[xs.length - 1]]).toEqual([0, m.length])
        for (let k = 1; k < xs.length; k++) expect(xs[k]).toBeGreaterThanOrEqual(xs[k - 1])
      })
    }, 40))
})

describe('the check of values that Viga itself has found', () => {
  it('agrees with every one, and explains nothing', () =>
    fc.assert(
      fc.property(anyFrame, fc.nat(3), (p, pick) => {
        const s = solved(p)
        const moments = s.structure.members.flatMap((m, i): Answer[] =>
          (['0%', '100%'] as const).map((at, k) => ({
            id: `${m.id}${k}`,
            quantity: 'moment',
            member: m.id,
            at,
            value: (k === 0 ? -s.cases[0].forces[6 * i + 2] : s.cases[0].forces[6 * i + 5]) / 1000,
            tolerance: '0.001 kN*m',
          })),
        )
        const q: Problem = { ...p, answers: moments.slice(0, 2 + pick) }
        const { solved: system } = workWithSystem(q)
        const document = checkDocument(q, system!)
        expect(document.answers.map((a) => a.verdict)).toEqual(q.answers!.map(() => 'agrees'))
        expect(document.explanations).toEqual([])
      }),
      { numRuns: 40 },
    ))
})
