import { describe, expect, it } from 'vitest'
import { displayOf, readAt, readEnvelope, setSigns, type Problem } from '@viga/core'
import { bodyOf } from '../../app/sheet/free-body-of'
import { named, solved } from '../demo'

const read = (problem: Problem, member: string, x: number) => {
  const solution = solved(problem)
  const index = solution.structure.members.findIndex((m) => m.id === member)
  const values = readAt(problem, solution, solution.cases[0], index, x, displayOf(problem))
  return Object.fromEntries(values.map((v) => [v.key, v]))
}

describe('values at a place', () => {
  const balcony = named('orchid-balcony')
  it('are two at a jump, left and right', () => {
    const s = solved(balcony)
    const at = s.structure.members[0].length
    const [first] = s.structure.members
    expect(read(balcony, first.id, at).M.text).not.toContain('|')
    const inside = read(balcony, first.id, at / 3)
    expect(inside.M.text).toMatch(/^[−\d.]+$/)
  })
  it('take the signs that were chosen; tension stays tension', () => {
    const palm = named('palm-house')
    const other = setSigns(palm, { axial: 'compression' })
    expect(read(palm, 'AB', 0).N).toMatchObject({ text: '−21.67', pull: -1 })
    expect(read(other, 'AB', 0).N).toMatchObject({ text: '21.67', pull: -1 })
  })
  it('of a truss member have no shear and no moment', () => {
    const fern = named('fern-walk')
    const { members } = solved(fern).structure
    expect(Object.keys(read(fern, members[0].id, 0))).toEqual(['N', 'u', 'v'])
  })
})

describe('the envelope at a place', () => {
  const palm = named('palm-house')
  const solution = solved(palm)
  const at = (chosen: string[] | null) =>
    readEnvelope(palm, solution, chosen, 0, solution.structure.members[0].length, 'M', displayOf(palm)).map(
      (v) => v.text,
    )
  it('names the case that governs', () => {
    expect(at(null)).toEqual(['W  64.93', 'U1  −113.8'])
    expect(at(['G'])).toEqual(['G  −34.55', 'G  −34.55'])
    expect(at([])).toEqual([])
  })
})

describe('the chosen free body', () => {
  const palm = named('palm-house')
  const solution = solved(palm)
  const body = (choice: Parameters<typeof bodyOf>[2]) => bodyOf(solution, solution.cases[0], choice)
  it('is named as one looks at the page', () => {
    const cut = { kind: 'cut' as const, a: { x: 6, y: 20 }, b: { x: 6, y: -5 } }
    expect(body({ ...cut, side: 'right' })).toMatchObject({ ok: true, name: 'the part left of the cut' })
    expect(body({ ...cut, side: 'left' })).toMatchObject({ ok: true, name: 'the part right of the cut' })
  })
  it('of something that is gone says so', () => {
    expect(body({ kind: 'joint', id: 'Q' })).toEqual({ ok: false, message: 'Q is no longer there.' })
  })
})
