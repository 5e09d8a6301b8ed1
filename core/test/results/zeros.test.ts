import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { courseOf, openProblem, work, zeros } from '../../src/index.js'

it('zeros lie inside a member: a hinge at its end is none, however it is rounded', () => {
  const read = openProblem(
    readFileSync(join(import.meta.dirname, '../cases/bog-boardwalk.viga.json'), 'utf8'),
  )
  if (!read.ok) throw new Error('read')
  const outcome = work(read.problem)
  if (outcome.stage !== 'solved') throw new Error('solved')
  const { solution } = outcome
  const of = (id: string, key: 'V' | 'M') => {
    const i = solution.structure.members.findIndex((m) => m.id === id)
    return zeros(courseOf(solution, solution.cases[0], i), key).map((x) => Number((x / 0.3048).toFixed(6)))
  }
  expect(of('AH', 'V')).toEqual([5.5])
  for (const id of ['AH', 'HB', 'CK', 'KD']) expect(of(id, 'M')).toEqual([])
})
