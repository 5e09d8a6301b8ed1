import { work, type Load, type Problem, type Solution, type Support } from '../src/index.js'

/**
 * A small language for test structures: `frame().node('A', 0, 0).member('A', 'B')`. Plain numbers are kN and
 * m.
 */
export class Builder {
  constructor(readonly problem: Problem) {}

  private with(change: Partial<Problem>): Builder {
    return new Builder({ ...this.problem, ...change })
  }
  node(id: string, x: number | string, y: number | string): Builder {
    return this.with({ nodes: [...this.problem.nodes, { id, x, y }] })
  }
  member(start: string, end: string, more: Partial<Problem['members'][number]> = {}): Builder {
    return this.with({
      members: [
        ...this.problem.members,
        { id: start + end, start, end, material: 'm', section: 's', ...more },
      ],
    })
  }
  support(node: string, type: Support['type'] | Omit<Support, 'node'>): Builder {
    return this.with({
      supports: [...this.problem.supports!, typeof type === 'object' ? { node, ...type } : { node, type }],
    })
  }
  load(...loads: Load[]): Builder {
    const [first, ...rest] = this.problem.loadCases!
    return this.with({ loadCases: [{ ...first, loads: [...first.loads, ...loads] }, ...rest] })
  }
  loadCase(id: string, ...loads: Load[]): Builder {
    return this.with({ loadCases: [...this.problem.loadCases!, { id, loads }] })
  }
  set(change: Partial<Problem>): Builder {
    return this.with(change)
  }
  solve(): Solution {
    return solved(this.problem)
  }
}

const start = (kind: Problem['kind']): Builder =>
  new Builder({
    format: 'viga-problem',
    version: 1,
    title: 'test',
    units: { length: 'm', force: 'kN' },
    kind,
    materials: [{ id: 'm', E: 2e8, alpha: 1.2e-5, unitWeight: 78.5, G: 8e7 }],
    sections: [{ id: 's', A: 0.01, I: 1e-4, depth: 0.3, shearArea: 0.004 }],
    nodes: [],
    members: [],
    supports: [],
    loadCases: [{ id: '1', loads: [] }],
  })

export const frame = () => start('frame')
export const truss = () => start('truss')

/** Three bars in a triangle: A and B 4 m apart on a pin and a roller, C 2 m above their middle. */
export const triangle = (second: Parameters<ReturnType<typeof start>['support']>[1] = 'roller') =>
  truss()
    .node('A', 0, 0)
    .node('B', 4, 0)
    .node('C', 2, 2)
    .member('A', 'B')
    .member('A', 'C')
    .member('B', 'C')
    .support('A', 'pin')
    .support('B', second)

/** A two-span beam: 12 kN/m on AB, 30 kN at the middle of BC, fixed at A. */
export const loadedSpans = frame()
  .node('A', 0, 0)
  .node('B', 6, 0)
  .node('C', 10, 0)
  .member('A', 'B')
  .member('B', 'C')
  .support('A', 'fixed')
  .support('B', 'roller')
  .support('C', 'roller')
  .load(
    { type: 'distributed', member: 'AB', direction: 'Y', q: -12 },
    { type: 'point', member: 'BC', at: '50%', fy: -30 },
  )

/** The solution, or a failure that says why there is none. */
export function solved(problem: Problem): Solution {
  const outcome = work(problem)
  if (outcome.stage === 'invalid')
    throw new Error(outcome.errors.map((e) => `${e.path}: ${e.message}`).join('; '))
  if (outcome.stage === 'unsolved') throw new Error(outcome.error.message)
  return outcome.solution
}

/** Why a problem has no solution. */
export function refusal(problem: Problem) {
  const outcome = work(problem)
  if (outcome.stage === 'solved') throw new Error('this problem was solved')
  return outcome.stage === 'invalid' ? outcome.errors[0] : outcome.error
}
