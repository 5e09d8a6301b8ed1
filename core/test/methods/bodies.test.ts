import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { work, working, type Problem } from '../../src/index.js'
import { isDeterminate } from '../../src/methods/statics/fits.js'
import { frame, triangle, truss } from '../builder.js'

function bookOf(problem: Problem, key: string): working.Ledger {
  const method = working.methodOf(key)!
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error(outcome.stage)
  const { solution, structure } = outcome
  const [action] = solution.cases
  return method.open({ problem, structure, action: action.id, solved: () => ({ solution, action }) })
}

const blocksOf = (book: working.Ledger, step: string): working.Block[] =>
  working.stepOf(book, step)!.passages.flatMap((p) => p.blocks)

const bodiesOf = (book: working.Ledger, step: string): working.BodyBlock[] =>
  blocksOf(book, step).flatMap((b) => (b.kind === 'body' ? [b] : []))

/** The value of a force on a body, SI: a sought one from the book, by its letter. */
function valueOf(book: working.Ledger, { value, name }: working.BodyArrow): number {
  if (value !== 'sought') return value
  const at =
    name!.letter === 'N'
      ? working.addressOf('bar', name!.sub!)
      : working.addressOf('reaction', name!.letter, name!.sub!)
  // the builder's units are kN and m
  return 1000 * book.entry(at)!.value
}

/** The resultant of a body's forces (right, up, counter-clockwise about the origin), and their size. */
function left(book: working.Ledger, body: working.BodyBlock) {
  const sum = { x: 0, y: 0, m: 0, size: 0 }
  for (const f of body.forces) {
    const v = valueOf(book, f)
    if (f.dir === 'turn') sum.m += v
    else {
      sum.x += v * f.dir.x
      sum.y += v * f.dir.y
      sum.m += v * (f.x * f.dir.y - f.y * f.dir.x)
    }
    sum.size += Math.abs(v)
  }
  return sum
}

function expectBalance(book: working.Ledger, body: working.BodyBlock) {
  const { x, y, m, size } = left(book, body)
  for (const rest of [x, y, m]) expect(Math.abs(rest), body.caption).toBeLessThan(1e-7 * Math.max(1, size))
}

const loadedTriangle = triangle()
  .support('A', 'pin')
  .support('B', 'roller')
  .load({ type: 'nodal', node: 'C', fx: 3, fy: -10 }).problem

describe('the free bodies of trusses', () => {
  it('are in equilibrium: the whole, every joint, every part beside a cut', () => {
    const force = fc.integer({ min: -40, max: 40 })
    fc.assert(
      fc.property(force, force, (fx, fy) => {
        fc.pre(fx !== 0 || fy !== 0)
        let b = truss().node('A', 0, 0).node('B', 2, 1.5).node('C', 4, 0).node('D', 6, 1.5).node('E', 8, 0)
        for (const pair of ['AB', 'AC', 'BC', 'BD', 'CD', 'CE', 'DE']) b = b.member(pair[0], pair[1])
        const { problem } = b
          .support('A', 'pin')
          .support('E', 'roller')
          .load({ type: 'nodal', node: 'D', fx, fy })
        const joints = bookOf(problem, 'joints')
        const bodies = [...bodiesOf(joints, 'reactions'), ...bodiesOf(joints, 'joints')]
        expect(bodies.length).toBeGreaterThan(2)
        for (const body of bodies) expectBalance(joints, body)
        const sections = bookOf(problem, 'sections')
        // a part beside a cut is drawn with all bars of the cut, of which one is found there
        for (const body of bodiesOf(sections, 'cuts'))
          expect(body.forces.filter((f) => f.kind === 'cut')).not.toHaveLength(0)
      }),
      { numRuns: 25 },
    )
  })

  it('have polygons that close', () => {
    const book = bookOf(loadedTriangle, 'joints')
    const polygons = blocksOf(book, 'joints').flatMap((b) => (b.kind === 'polygon' ? [b] : []))
    expect(polygons.length).toBeGreaterThan(0)
    for (const { forces } of polygons) {
      const size = Math.max(...forces.map((f) => Math.hypot(f.x, f.y)))
      expect(Math.abs(forces.reduce((t, f) => t + f.x, 0))).toBeLessThan(1e-9 * size)
      expect(Math.abs(forces.reduce((t, f) => t + f.y, 0))).toBeLessThan(1e-9 * size)
    }
  })

  it('write factors of geometry as a book does', () => {
    const book = bookOf(loadedTriangle, 'joints')
    const text = working.workingMarkdown(book)
    expect(text).not.toMatch(/\d\.\d{5,}\\,N/)
  })
})

/** A frame of two bays and two storeys under level loads. */
function storeyed(base: 'fixed' | 'pin'): Problem {
  let b = frame()
  const [xs, ys] = [
    [0, 6, 11],
    [0, 4, 7],
  ]
  xs.forEach((x, i) => ys.forEach((y, k) => (b = b.node(`${'ABC'[i]}${k}`, x, y))))
  for (const i of ['A', 'B', 'C']) b = b.member(`${i}0`, `${i}1`).member(`${i}2`, `${i}1`)
  for (const k of [1, 2]) b = b.member(`A${k}`, `B${k}`).member(`C${k}`, `B${k}`)
  for (const i of ['A', 'B', 'C']) b = b.support(`${i}0`, base)
  return b.load({ type: 'nodal', node: 'A1', fx: 30 }, { type: 'nodal', node: 'C2', fx: -12 }).problem
}

describe('the free bodies of storeyed frames', () => {
  it.each(['fixed', 'pin'] as const)('are in equilibrium, joint by joint, on %s feet', (base) => {
    for (const [key, step] of [
      ['portal', 'beam-moments'],
      ['cantilever', 'beam-shears'],
    ]) {
      const book = bookOf(storeyed(base), key)
      const bodies = bodiesOf(book, step)
      expect(bodies).toHaveLength(6)
      for (const body of bodies) expectBalance(book, body)
    }
  })

  it('show a point of inflection in every member', () => {
    const book = bookOf(storeyed('pin'), 'portal')
    const [body] = bodiesOf(book, 'assumptions')
    expect(body.points).toHaveLength(body.structure.members.length)
    // at a pinned foot it is the foot
    expect(body.points).toContainEqual({ x: 0, y: 0, kind: 'inflection' })
  })
})

describe('the released structure', () => {
  const portal = (): Problem =>
    frame()
      .node('A', 0, 0)
      .node('B', 0, 4)
      .node('C', 6, 4)
      .node('D', 6, 0)
      .member('A', 'B')
      .member('B', 'C')
      .member('C', 'D')
      .support('A', 'fixed')
      .support('D', 'fixed')
      .load({ type: 'nodal', node: 'B', fx: 10 }).problem

  it('is determinate, with the redundants on it and with one of them at a time', () => {
    const book = bookOf(portal(), 'forces')
    const [released] = bodiesOf(book, 'redundants')
    expect(isDeterminate(released.structure)).toBe(true)
    expect(released.forces.map((f) => f.name)).toEqual([
      { letter: 'X', sub: '1' },
      { letter: 'X', sub: '2' },
      { letter: 'X', sub: '3' },
    ])
    const units = bodiesOf(book, 'unit')
    expect(units.map((u) => u.forces.map((f) => f.name?.letter))).toEqual([['1'], ['1'], ['1']])
    expect(units.every((u) => u.structure.cases.length === 0)).toBe(true)
  })

  it('has a hinge with a pair of moments where a moment is let go', () => {
    const p = portal()
    const structure = work(p)
    if (structure.stage !== 'solved') throw new Error('solved')
    const s = structure.structure
    const proposed = working.proposedRedundants(p, s)
    const changed = working.exchangedRedundants(p, s, proposed, {
      quantity: 'moment',
      member: 'BC',
      at: '0%',
    })!
    expect(changed.filter((q) => q.quantity === 'moment')).toHaveLength(1)
    expect(working.redundantChoices(s).length).toBe(6 + 9)
    const method = working.methodOf('forces')!
    const { solution } = structure
    const book = method.open({
      problem: p,
      structure: s,
      action: solution.cases[0].id,
      options: { redundants: changed },
      solved: () => ({ solution, action: solution.cases[0] }),
    })
    const [body] = bodiesOf(book, 'redundants')
    expect(isDeterminate(body.structure)).toBe(true)
    expect(body.forces.filter((f) => f.dir === 'turn' && f.kind === 'cut')).toHaveLength(2)
  })
})
