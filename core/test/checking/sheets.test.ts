import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { checkDocument, readProblem, workWithSystem } from '../../src/index.js'

/**
 * Sheets of hand values made by an independent solver with one slip, or none, and what is true of each: the
 * verdicts that are right, and the slip.
 */
const folder = join(import.meta.dirname, '../sheets')
const names = readdirSync(folder)
  .filter((f) => f.endsWith('.truth.json'))
  .map((f) => f.replace('.truth.json', ''))

interface Truth {
  group: string
  kind: string
  subject?: Record<string, unknown>
  diagnosis?: { kind: string }
  target?: string
  allowed: Record<string, string[]>
}

function checked(name: string) {
  const read = readProblem(readFileSync(join(folder, `${name}.viga.json`), 'utf8'))
  if (!read.ok) throw new Error(read.errors[0].message)
  const { solved } = workWithSystem(read.problem)
  if (!solved) throw new Error('a sheet is solved')
  return checkDocument(read.problem, solved)
}
const truthOf = (name: string) =>
  JSON.parse(readFileSync(join(folder, `${name}.truth.json`), 'utf8')) as Truth

/** Slips that give the same numbers when values at the ends of members are all that is given. */
const SAME: Record<string, string[]> = { 'fixed-end': ['load-from-other-end'] }

describe.each(names)('%s', (name) => {
  const truth = truthOf(name)
  const document = checked(name)
  it('has the right verdict on each value', () => {
    for (const a of document.answers)
      if (truth.allowed[a.id]) expect(truth.allowed[a.id], a.id).toContain(a.verdict)
  })
  if (truth.group === 'slip')
    it('names the slip first', () => {
      const [first] = document.explanations
      if (SAME[truth.kind]?.includes(first?.kind)) return
      expect(first).toMatchObject({ kind: truth.kind })
      for (const [key, value] of Object.entries(truth.subject ?? {}))
        if (typeof value === 'number') expect(first.subject[key]).toBeCloseTo(value, 9)
        else expect(first.subject[key]).toBe(value)
      expect(first.sentence).toMatch(/^Your values .*\.$/)
    })
  else if (truth.group === 'single')
    it('says what is wrong with the one value', () => {
      const one = document.answers.find((a) => a.id === truth.target)!
      expect(one.diagnosis).toMatchObject(truth.diagnosis!)
    })
  else
    it('gives no explanation where there is none', () => {
      expect(document.explanations).toEqual([])
    })
  if (['correct', 'rounded', 'convention'].includes(truth.group))
    it('finds no contradiction in values that are right', () => {
      expect(document.consistency).toEqual([])
    })
})

describe('the search for a slip', () => {
  it('tells how many of all slips have been tried, rising to the last', () => {
    const read = readProblem(readFileSync(join(folder, `${names[0]}.viga.json`), 'utf8'))
    if (!read.ok) throw new Error(read.errors[0].message)
    // a value that is wrong, so that there is something to look for
    const [first, ...rest] = read.problem.answers!
    const problem = { ...read.problem, answers: [{ ...first, value: 1e6 }, ...rest] }
    const told: [number, number][] = []
    checkDocument(problem, workWithSystem(problem).solved!, (done, all) => told.push([done, all]))
    expect(told[0][0]).toBe(0)
    expect(new Set(told.map(([, all]) => all)).size).toBe(1)
    for (const [i, [done, all]] of told.entries()) {
      expect(done).toBeLessThan(all)
      if (i > 0) expect(done).toBeGreaterThan(told[i - 1][0])
    }
    expect(told.at(-1)![1] - told.at(-1)![0]).toBeLessThanOrEqual(8)
  })
})
