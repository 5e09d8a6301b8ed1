import { describe, expect, it } from 'vitest'
import {
  joinOnMembers,
  joinThrough,
  placeNode,
  problemErrors,
  readRelative,
  readStep,
} from '../../../src/index.js'
import { frame } from '../../builder.js'

const p = frame()
  .node('A', 0, 0)
  .node('B', 6, 0)
  .node('C', 0, 4)
  .node('D', 6, '4 m')
  .member('A', 'B')
  .member('C', 'D')
  .set({ symbols: { h: '3 m' } }).problem

describe('placing and joining', () => {
  it('takes the joint that stands there', () => expect(placeNode(p, 6, 4)).toEqual({ problem: p, id: 'D' }))
  it('splits the member a new joint lies on', () => {
    const { problem, id } = placeNode(p, 2, 0)
    expect(id).toBe('E')
    expect(problem.members.map((m) => m.id)).toEqual(['AE', 'EB', 'CD'])
    expect(problemErrors(problem)).toEqual([])
  })
  it('leaves members alone that it does not touch', () =>
    expect(placeNode(p, 2, 1).problem.members).toBe(p.members))
  it('splits what a moved joint has come to lie on', () => {
    const moved = { ...p, nodes: [...p.nodes, { id: 'E', x: 3, y: 4 }] }
    expect(joinOnMembers(moved, 'E').members.map((m) => m.id)).toEqual(['AB', 'CE', 'ED'])
  })
  it('joins in one stroke through the joints on the way', () => {
    const row = frame()
      .node('A', 0, 0)
      .node('B', 1, 1)
      .node('C', 3, 3)
      .node('D', 2, 2)
      .node('E', 2, 1).problem
    expect(joinThrough(row, 'A', 'C').members.map((m) => m.id)).toEqual(['AB', 'BD', 'DC'])
    expect(joinThrough(row, 'A', 'A')).toBe(row)
  })
})

describe('a step as typed', () => {
  it.each([
    ['4', { x: 2.4, y: 3.2 }],
    ['4, -2', { x: 4, y: -2 }],
    ['h; 200 cm', { x: 3, y: 2 }],
    ['5 at 90', { x: expect.closeTo(0, 9) as number, y: 5 }],
    [
      '2*h at 30 deg',
      { x: expect.closeTo(6 * Math.cos(Math.PI / 6), 9) as number, y: expect.closeTo(3, 9) as number },
    ],
  ])('%s', (text, step) => expect(readStep(text, p, { x: 3, y: 4 })).toEqual(step))
  it.each(['', '4 kN', '1, 2, 3', '5 at 3 m', 'q'])('refuses "%s" with a sentence', (text) =>
    expect(readStep(text, p, { x: 1, y: 0 })).toMatchObject({
      message: expect.stringMatching(/\.$/) as string,
    }),
  )
  it('asks for a direction when none is pointed', () =>
    expect(readStep('4', p, { x: 0, y: 0 })).toMatchObject({
      message: expect.stringContaining('direction') as string,
    }))
})

describe('a joint stated by others', () => {
  it.each([
    ['from A: 3, 2', { x: 3, y: 2 }],
    ['d: -1, 1', { x: 5, y: 5 }],
    ['AD meets BC', { x: 3, y: 2 }],
    ['B: 2 at 90', { x: expect.closeTo(6, 9) as number, y: 2 }],
  ])('%s', (text, at) => expect(readRelative(text, p)).toEqual(at))
  it.each([
    ['from Q: 3, 2', 'There is no joint Q.'],
    ['AB meets CD', 'parallel'],
    ['AB meets QR', 'There is no member QR.'],
  ])('%s is refused', (text, words) =>
    expect(readRelative(text, p)).toMatchObject({ message: expect.stringContaining(words) as string }),
  )
  it('is nothing when it is plain coordinates', () => expect(readRelative('3', p)).toBeUndefined())
})
