import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { work, working, type Problem, type Solution } from '@viga/core'

const folder = join(import.meta.dirname, '../database/demo')

/** The demo problems with the names of their files. */
export const demo = readdirSync(folder).map((f): [string, Problem] => [
  f,
  JSON.parse(readFileSync(join(folder, f), 'utf8')) as Problem,
])

/** The demo problem whose file has this in its name. */
export const named = (part: string): Problem => demo.find(([f]) => f.includes(part))![1]

export function solved(problem: Problem): Solution {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('a demo problem is solved')
  return outcome.solution
}

/** The ledger of a problem's first case. */
export function bookOf(problem: Problem): working.StiffnessBook {
  const solution = solved(problem)
  return working.ledger(solution, problem.units, solution.cases[0], problem)
}
