import { describe, expect, it } from 'vitest'
import { findMember, findPlace, newProblem, readChain, type Problem } from '../../src/index.js'

const problem = (joints: string[], members: [string, string, string][]): Problem => ({
  ...newProblem(),
  nodes: joints.map((id, x) => ({ id, x, y: 0 })),
  members: members.map(([id, start, end]) => ({ id, start, end })),
})
const letters = problem(
  ['A', 'B', 'C'],
  [
    ['AB', 'A', 'B'],
    ['BC', 'B', 'C'],
  ],
)
const numbers = problem(
  ['1', '2', '3', '12', '23'],
  [
    ['1–2', '1', '2'],
    ['2–3', '2', '3'],
    ['1–23', '1', '23'],
    ['12–3', '12', '3'],
  ],
)

describe('a member is found by its joints', () => {
  it.each(['AB', 'ab', 'ba', 'BA', 'A-B', 'b a', 'A–B', 'A to B', 'member AB'])('%s', (text) =>
    expect(findMember(letters, text)).toEqual({ ok: true, member: 'AB' }),
  )
  it.each(['1-2', '1 2', '2-1', '2, 1', '21', '1–2'])('%s', (text) =>
    expect(findMember(numbers, text)).toEqual({ ok: true, member: '1–2' }),
  )
  it('and asked about where its joints can be cut in several ways', () => {
    expect(findMember(numbers, '123')).toMatchObject({
      ok: false,
      message: expect.stringMatching(/123 may be 1–23 or 12–3.*apart/) as string,
    })
    expect(findMember(numbers, '1 23')).toEqual({ ok: true, member: '1–23' })
  })
  it('its own label comes first', () => {
    const named = problem(
      ['1', '2', '3'],
      [
        ['12', '2', '3'],
        ['1–2', '1', '2'],
      ],
    )
    expect(findMember(named, '12')).toEqual({ ok: true, member: '12' })
  })
  it('a sentence says that two joints are not joined, or that nothing has that name', () => {
    expect(findMember(letters, 'AC')).toMatchObject({ message: 'No member joins A and C.' })
    expect(findMember(letters, 'QR')).toMatchObject({ message: 'There is no member QR.' })
  })
})

describe('a joint or a member', () => {
  it.each([
    ['b', { ok: true, node: 'B' }],
    ['joint b', { ok: true, node: 'B' }],
    ['cb', { ok: true, member: 'BC' }],
    ['Q', { ok: false, message: 'There is no joint or member Q.' }],
    ['joint Q', { ok: false, message: 'There is no joint Q.' }],
  ])('%s', (text, found) => expect(findPlace(letters, text)).toEqual(found))
  it('is asked about where a text may be either', () => {
    expect(findPlace(numbers, '12')).toMatchObject({
      ok: false,
      message: expect.stringMatching(/joint 12 or the member 1–2.*apart, 1 2/) as string,
    })
    expect(findPlace(numbers, 'joint 12')).toEqual({ ok: true, node: '12' })
    expect(findPlace(numbers, '1 2')).toEqual({ ok: true, member: '1–2' })
  })
})

describe('a chain of joints', () => {
  it('without spaces is read where it can be cut in one way', () => {
    expect(readChain(letters, 'abc')).toEqual(['A', 'B', 'C'])
    expect(readChain(numbers, '31')).toEqual(['3', '1'])
    expect(readChain(numbers, '123')).toMatchObject({
      message: expect.stringMatching(/1 2 3 or 1 23 or 12 3.*spaces/) as string,
    })
  })
})
