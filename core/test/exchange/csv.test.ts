import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { csvFiles, readProblem, resultsDocument, tableCells, tableCsv, work } from '../../src/index.js'

/** A CSV file of plain values as records by head. */
function records(text: string): Record<string, string>[] {
  const [head, ...lines] = text
    .trimEnd()
    .split('\r\n')
    .map((l) => l.split(','))
  return lines.map((l) => Object.fromEntries(l.map((v, i) => [head[i], v])))
}

const file = join(import.meta.dirname, '../cases/palm-house.viga.json')
const read = readProblem(readFileSync(file, 'utf8'))
if (!read.ok) throw new Error(read.errors[0].message)
const outcome = work(read.problem)
if (outcome.stage !== 'solved') throw new Error('the palm house is solved')
const { solution } = outcome
const files = csvFiles(read.problem, solution, 5)
const document = resultsDocument(read.problem, solution, [], { stations: 5 })

it('the files have the numbers of the results document, all digits, units in the heads', () => {
  const reactions = records(files.get('reactions.csv')!)
  for (const [id, result] of Object.entries(document.results))
    for (const [node, r] of Object.entries(result.reactions)) {
      const row = reactions.find((o) => o.Case === id && o.Joint === node)!
      expect(Number(row['x (kN)'])).toBeCloseTo(r.x, 9)
      expect(Number(row['moment (kN·m)'])).toBeCloseTo(r.rotation, 9)
    }
  const stations = records(files.get('stations.csv')!).filter((o) => o.Case === 'G' && o.Member === 'BC')
  expect(stations.map((o) => Number(o['M (kN·m)']))).toEqual(
    document.results.G.members.BC.stations.map((t) => expect.closeTo(t.M, 9) as number),
  )
})

it('several cases have envelopes, and one case has none', () => {
  expect([...files.keys()].filter((n) => n.startsWith('envelope'))).toHaveLength(4)
  const one = { ...solution, cases: solution.cases.slice(0, 1), combinations: [] }
  expect([...csvFiles(read.problem, one, 5).keys()].some((n) => n.startsWith('envelope'))).toBe(false)
  expect(csvFiles(read.problem, { ...one, cases: [] }, 5).size).toBe(0)
})

it('members named by numbers say in a last column what they join', () => {
  const numbered = {
    ...read.problem,
    members: read.problem.members.map((m, i) => (m.id === 'BC' ? m : { ...m, id: String(i + 1) })),
    loadCases: [{ id: 'G', title: 'Dead', loads: [] }],
    combinations: [],
    answers: [],
  }
  const again = work(numbered)
  if (again.stage !== 'solved') throw new Error('the numbered house is solved')
  const out = csvFiles(numbered, again.solution, 3)
  const [first] = numbered.members
  for (const name of ['end-forces.csv', 'extremes.csv', 'stations.csv']) {
    const rows = records(out.get(name)!)
    expect(rows.find((o) => o.Member === first.id)!.Joins).toBe(`${first.start}–${first.end}`)
    expect(rows.find((o) => o.Member === 'BC')!.Joins).toBe('')
  }
  expect(files.get('end-forces.csv')).not.toContain('Joins')
})

it('words with commas and quotes are quoted, no value is empty', () => {
  const table = {
    key: 't',
    title: 't',
    columns: [
      { key: 'a', title: 'a, "b"', words: true },
      { key: 'n', title: 'n', unit: 'kN' },
    ],
    rows: [{ cells: ['x,y', null] }, { cells: ['z', -1.5e-7] }],
    total: ['Sum', 3],
  }
  expect(tableCsv(table)).toBe('"a, ""b""",n (kN)\r\n"x,y",\r\nz,-1.5e-7\r\n')
  expect(tableCells(table)).toBe('a, "b"\tn (kN)\nx,y\t\nz\t-1.5e-7\nSum\t3')
})
