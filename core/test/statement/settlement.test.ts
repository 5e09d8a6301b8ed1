import { describe, expect, it } from 'vitest'
import { holdsWords } from '../../src/statement/supports.js'
import { readSettlement, settlementValue, settlementWords } from '../../src/statement/settlement.js'

describe('a settlement as it is said', () => {
  it.each([
    ['10 mm', 'y', '-10 mm'],
    ['10 mm down', 'y', '-10 mm'],
    ['up 10 mm', 'y', '10 mm'],
    ['-10 mm', 'y', '-10 mm'],
    ['5', 'x', 5],
    ['5 mm left', 'x', '-5 mm'],
    ['0.002 rad', 'rotation', '-0.002 rad'],
    ['0.002 rad ccw', 'rotation', '0.002 rad'],
    ['L/400', 'y', '-L/400'],
  ] as const)('%s of %s', (text, component, value) => {
    const first = { x: 'right', y: 'down', rotation: 'cw' } as const
    const read = readSettlement(text, component, first[component])
    expect(read.ok && settlementValue(read.amount, read.way)).toBe(value)
  })
  it.each([
    ['10 mm left', 'y', /settles down or up/],
    ['10 mm up down', 'y', /two ways: up and down/],
    ['-10 mm down', 'y', /A sign or a direction/],
  ] as const)('%s of %s is refused', (text, component, words) =>
    expect(readSettlement(text, component, 'down')).toMatchObject({
      ok: false,
      message: expect.stringMatching(words) as string,
    }),
  )
  it('is said with its direction', () => {
    expect(settlementWords('y', '-10 mm', false)).toBe('10 mm down')
    expect(settlementWords('y', 0.01, true)).toBe('0.01 off its ground (+y)')
    expect(holdsWords({ node: 'B', type: 'fixed', settlement: { y: '-6 mm', x: '2 mm' } })).toBe(
      'x, y, rotation; settlement 6 mm down, 2 mm right',
    )
  })
})
