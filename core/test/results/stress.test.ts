import { describe, expect, it } from 'vitest'
import { eulerLoad, missingForStress, stressCheck, type Problem } from '../../src/index.js'
import { frame, solved } from '../builder.js'

/** A cantilever of 2 m, 100 × 200 mm, with a pull of 40 kN and 3 kN down at its tip. */
const cantilever = (more: Partial<Problem> = {}) =>
  frame()
    .set({
      materials: [{ id: 'm', E: '10 GPa', yield: '20 MPa' }],
      sections: [{ id: 's', shape: { type: 'rectangle', b: '100 mm', h: '200 mm' } }],
      ...more,
    })
    .node('A', 0, 0)
    .node('B', 2, 0)
    .member('A', 'B')
    .support('A', 'fixed')
    .load({ type: 'nodal', node: 'B', fx: 40, fy: -3 }).problem
const check = (p: Problem) => {
  const s = solved(p)
  return stressCheck(s, s.cases[0], 0)
}

describe('what members lack for their stresses', () => {
  const said = (p: Problem) => missingForStress(solved(p).structure.members)
  it('is nothing where section and material state all of it', () => expect(said(cantilever())).toEqual([]))
  it('is said in a sentence for each property', () => {
    const bare = cantilever({
      materials: [{ id: 'm', E: '10 GPa' }],
      sections: [{ id: 's', A: '200 cm^2', I: '6667 cm^4' }],
    })
    expect(said(bare)).toEqual([
      'No bending stress, since no depth (or distances to the outer fibres) is stated for AB.',
      'No utilisation, since no yield stress is stated for the material of AB.',
    ])
  })
})

describe('the stress check of a cantilever', () => {
  const c = check(cantilever())
  it('has axial stress N/A, and bending stress M·y/I with tension on top', () => {
    expect(c.axial?.value).toBeCloseTo(2e6, 0) // 40 kN / 0.02 m²
    expect(c.bendingTop?.value).toBeCloseTo(9e6, 0) // 6 kN·m · 0.1 m / 66.67·10⁻⁶ m⁴
    expect(c.bendingBottom?.value).toBeCloseTo(-9e6, 0)
  })
  it('adds both at the fibre where they add up, and says what they are made of', () => {
    expect(c.largest).toMatchObject({ x: 0 })
    expect(c.largest?.value).toBeCloseTo(11e6, 0)
    expect(c.smallest?.value).toBeCloseTo(-7e6, 0)
    const { value, N, M, fibre } = c.largest!
    expect(N / 0.02 + fibre * M).toBeCloseTo(value, 3)
  })
  it('has mean shear, strain, elongation and the use of the yield stress', () => {
    expect(Math.abs(c.shear!.value)).toBeCloseTo(0.15e6, 0)
    expect(c.strain?.value).toBeCloseTo(2e-4, 9)
    expect(c.elongation).toBeCloseTo(4e-4, 9)
    expect(c.use?.value).toBeCloseTo(0.55, 6)
  })
  it('has the elastic energy, which is half the work of the loads', () => {
    const deflection = (3e3 * 2 ** 3) / (3 * 10e9 * ((0.1 * 0.2 ** 3) / 12))
    expect(c.energy).toBeCloseTo((40e3 * 4e-4 + 3e3 * deflection) / 2, 6)
  })
})

describe('what the statement does not give', () => {
  it('stays unknown: no depth, no fibre stress; no yield stress, no use', () => {
    const c = check(cantilever({ sections: [{ id: 's', A: 0.02, I: 1e-4 }] }))
    expect(c.axial).toBeDefined()
    expect([c.bendingTop, c.largest, c.use]).toEqual([undefined, undefined, undefined])
  })
  it('a stated depth lays the outer fibres half of it away', () => {
    const c = check(cantilever({ sections: [{ id: 's', A: 0.02, I: 1e-4, depth: '300 mm' }] }))
    expect(c.bendingTop?.value).toBeCloseTo((6e3 * 0.15) / 1e-4, 3)
  })
})

it('Euler’s load falls with the square of the effective length', () => {
  const m = { EI: 2e6, length: 4 }
  expect(eulerLoad(m, 1)).toBeCloseTo((Math.PI ** 2 * 2e6) / 16, 3)
  expect(eulerLoad(m, 2)).toBeCloseTo(eulerLoad(m, 1) / 4, 6)
})
