import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isThing, readThing, thing, type Thing } from '../../src/index.js'

const label = fc.oneof(
  fc.string({ minLength: 1, maxLength: 24 }),
  fc.constantFrom('A:B', '%3A', 'a\nb', ':', '1:2:3'),
)
const end = fc.constantFrom<'start' | 'end'>('start', 'end')

describe('the key of a thing', () => {
  it('is read back as that thing, whatever its label', () =>
    fc.assert(
      fc.property(label, fc.nat(9999), fc.nat(99), end, (id, index, point, e) => {
        const things: [string, Thing][] = [
          [thing.node(id), { kind: 'node', id }],
          [thing.member(id), { kind: 'member', id }],
          [thing.support(id), { kind: 'support', id }],
          [thing.answer(id), { kind: 'answer', id }],
          [thing.load(id, index), { kind: 'load', caseId: id, index }],
          [thing.dof(index), { kind: 'dof', index }],
          [thing.end(id, e), { kind: 'end', id, end: e }],
          [thing.ring(id, e), { kind: 'ring', id, end: e }],
          [thing.grip(id, index, point), { kind: 'grip', caseId: id, index, point }],
        ]
        for (const [key, it] of things) {
          expect(readThing(key)).toEqual(it)
          expect(isThing(key, it.kind)).toBe(true)
          expect(key).not.toContain('\n')
        }
        expect(new Set(things.map(([k]) => k)).size).toBe(things.length)
      }),
    ))
  it('is nothing for any other text', () => {
    expect(readThing('')).toBeUndefined()
    expect(readThing('house:A')).toBeUndefined()
    expect(isThing(null, 'node')).toBe(false)
  })
})
