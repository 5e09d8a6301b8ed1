import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { work, workDocument, working, type Problem } from '../../src/index.js'
import { frame, truss, type Builder } from '../builder.js'
import { agrees } from './agrees.js'

const JOINTS = working.methodOf('joints')!
const load = fc.integer({ min: -900, max: 900 }).map((v) => v / 100)

/** Trusses that grow by a joint on two bars, held by a pin and a roller, some at a turned support. */
const grown = fc.record({
  joints: fc.array(
    fc.record({
      dx: fc.double({ min: 1, max: 3, noNaN: true }),
      y: fc.double({ min: 1, max: 3, noNaN: true }),
      fx: load,
      fy: load,
    }),
    { minLength: 1, maxLength: 8 },
  ),
  angle: fc.constantFrom(0, 0, 20),
  loaded: fc.boolean(),
})

function grownTruss({
  joints,
  angle,
  loaded,
}: typeof grown extends fc.Arbitrary<infer T> ? T : never): Problem {
  let b: Builder = truss().node('J0', 0, 0).node('J1', 3, 0).member('J0', 'J1')
  let x = 3
  joints.forEach((j, i) => {
    x += j.dx
    const id = `J${i + 2}`
    b = b
      .node(id, x - 1.5, i % 2 ? -0.5 : j.y + 1)
      .member(`J${i}`, id)
      .member(`J${i + 1}`, id)
    if (loaded || i === joints.length - 1) b = b.load({ type: 'nodal', node: id, fx: j.fx, fy: j.fy })
  })
  return b.support('J0', 'pin').support('J1', { type: 'roller', angle }).problem
}

/** Two simple trusses joined by three bars: joints alone do not begin it. */
function compound(shift: number): Problem {
  let b: Builder = truss()
  const at: Record<string, [number, number]> = {
    A: [0, 0],
    B: [4, 0.5],
    C: [1.5, 3],
    D: [7 + shift, 1],
    E: [11, 0],
    F: [9, 3.5],
  }
  for (const [id, [x, y]] of Object.entries(at)) b = b.node(id, x, y)
  for (const pair of ['AB', 'BC', 'CA', 'DE', 'EF', 'FD', 'BD', 'CF', 'AE']) b = b.member(pair[0], pair[1])
  return b
    .support('A', 'pin')
    .support('E', 'roller')
    .load({ type: 'nodal', node: 'C', fx: 3, fy: -10 }, { type: 'nodal', node: 'D', fy: -7 }).problem
}

const documentOf = (problem: Problem, method = JOINTS) => {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('solved')
  const { solution, structure } = outcome
  const [action] = solution.cases
  const book = method.open({ problem, structure, action: action.id, solved: () => ({ solution, action }) })
  return workDocument(method, book)
}

describe('the method of joints', () => {
  it('finds the bar forces of simple trusses', () => {
    let solved = 0
    fc.assert(
      fc.property(grown, (drawn) => {
        if (agrees(grownTruss(drawn), JOINTS)) solved++
      }),
      { numRuns: 100 },
    )
    expect(solved).toBeGreaterThan(60)
  })

  it('passes from joint to joint with at most two unknown bars, and names those it finds', () => {
    fc.assert(
      fc.property(grown, (drawn) => {
        const problem = grownTruss(drawn)
        const { named } = documentOf(problem)
        const known = new Set<string>()
        for (const { node, members } of named as unknown as { node: string; members: string[] }[]) {
          const here = problem.members.filter((m) => m.start === node || m.end === node).map((m) => m.id)
          expect(here.filter((id) => !known.has(id)).length).toBeGreaterThanOrEqual(members.length)
          expect(members.length).toBeLessThanOrEqual(2)
          for (const id of members) known.add(id)
        }
        expect(known.size).toBe(problem.members.length)
      }),
      { numRuns: 40 },
    )
  })

  it('cuts a compound truss where no joint gives a force', () => {
    for (const shift of [0, 0.3]) {
      expect(agrees(compound(shift), JOINTS)).toBe(true)
      const { named } = documentOf(compound(shift))
      const cut = named.find((n) => n.name === 'cut') as unknown as { members: string[]; finds: string }
      expect(cut.members.sort()).toEqual(['AE', 'BD', 'CF'])
      expect(cut.members).toContain(cut.finds)
    }
  })

  it('finds bars by sections too, each cut divides the truss', () => {
    const SECTIONS = working.methodOf('sections')!
    let solved = 0
    fc.assert(
      fc.property(grown, (drawn) => {
        const problem = grownTruss(drawn)
        if (!agrees(problem, SECTIONS)) return
        solved++
        const { named } = documentOf(problem, SECTIONS)
        for (const { members, finds } of named as unknown as { members: string[]; finds: string }[]) {
          expect(members).toContain(finds)
          const left = problem.members.filter((m) => !members.includes(m.id))
          const reached = new Set([problem.nodes[0].id])
          for (let grew = true; grew;)
            grew = left.some((m) => {
              if (reached.has(m.start) === reached.has(m.end)) return false
              reached.add(m.start).add(m.end)
              return true
            })
          expect(reached.size).toBeLessThan(problem.nodes.length)
        }
      }),
      { numRuns: 40 },
    )
    expect(solved).toBeGreaterThan(25)
  })

  it('says of another problem why it does not fit', () => {
    const why = (problem: Problem) => {
      const outcome = work(problem)
      if (outcome.stage === 'invalid') throw new Error('read')
      const fit = JOINTS.fits(problem, outcome.structure)
      return fit.fits ? '' : fit.why
    }
    expect(
      why(frame().node('A', 0, 0).node('B', 3, 0).member('A', 'B').support('A', 'fixed').problem),
    ).toMatch(/bend/)
    const twice = truss().node('A', 0, 0).node('B', 3, 0).node('C', 1, 2)
    const held = twice
      .member('A', 'B')
      .member('B', 'C')
      .member('A', 'C')
      .support('A', 'pin')
      .support('B', 'pin')
    expect(why(held.problem)).toMatch(/indeterminate/)
  })
})
