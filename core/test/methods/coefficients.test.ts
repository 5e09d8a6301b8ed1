import { describe, expect, it } from 'vitest'
import { work, working, type Problem } from '../../src/index.js'
import { frame, type Builder } from '../builder.js'
import { agrees } from './agrees.js'

const COEFFICIENTS = working.methodOf('coefficients')!

/** A beam of equal spans; `turned` has every other member stated from right to left. */
function beamOf(spans: number, turned = false): Builder {
  let b: Builder = frame().node('A', 0, 0)
  for (let i = 0; i < spans; i++) {
    const [from, to] = [String.fromCharCode(65 + i), String.fromCharCode(66 + i)]
    b = b.node(to, 4.5 * (i + 1), 0)
    const id = turned && i % 2 ? to + from : from + to
    b = b.member(id[0], id[1]).load({ type: 'distributed', member: id, direction: 'Y', q: -12 })
  }
  for (let i = 0; i <= spans; i++) b = b.support(String.fromCharCode(65 + i), i === 0 ? 'pin' : 'roller')
  return b
}

const fits = (problem: Problem) => {
  const outcome = work(problem)
  if (outcome.stage === 'invalid') throw new Error('read')
  return COEFFICIENTS.fits(problem, outcome.structure).fits
}

describe('coefficients for equal spans', () => {
  it.each([2, 3, 4, 5])('are exact for %i spans, whichever way members run', (spans) => {
    expect(agrees(beamOf(spans).problem, COEFFICIENTS)).toBe(true)
    expect(agrees(beamOf(spans, true).problem, COEFFICIENTS)).toBe(true)
  })

  it('are not offered for other beams', () => {
    expect(fits(beamOf(3).problem)).toBe(true)
    expect(fits(beamOf(1).problem)).toBe(false)
    expect(fits(beamOf(6).problem)).toBe(false)
    const { problem } = beamOf(3)
    expect(fits(beamOf(3).load({ type: 'point', member: 'AB', at: 2, fy: -5 }).problem)).toBe(false)
    expect(fits({ ...problem, nodes: problem.nodes.map((n) => (n.id === 'D' ? { ...n, x: 14 } : n)) })).toBe(
      false,
    )
    expect(
      fits({ ...problem, supports: problem.supports!.map((s, i) => (i ? s : { ...s, type: 'fixed' })) }),
    ).toBe(false)
  })
})
