import { describe, expect, it } from 'vitest'
import { working } from '../../src/index.js'
import { readAddress } from '../../src/methods/address.js'

const { addressOf } = working

describe('an address of a number', () => {
  it.each([
    ['plain parts', ['k', 'AB', 2, 3]],
    ['ids with a slash, a colon and a percent sign', ['q', 'A/B:50%', 1]],
    ['letters of other scripts', ['x', 'Ж é']],
  ])('is read back as it was made: %s', (_, parts) => {
    const [kind, ...rest] = parts.map(String)
    expect(readAddress(addressOf(...parts))).toEqual({ kind, parts: rest })
  })
  it('that is not well coded names its part as it stands', () => {
    expect(readAddress('x/50%')).toEqual({ kind: 'x', parts: ['50%'] })
  })
})

describe('a visitor of blocks', () => {
  const at = (i: number, j: number) => addressOf('K', i + 1, j + 1)
  const marks = [{ words: '1' }, { words: '2' }]
  const blocks: working.Block[] = [
    { kind: 'words', words: 'Some words.' },
    { kind: 'lines', addresses: ['L/AB', 'c/AB'] },
    { kind: 'matrix', letter: 'K', title: 'K', rows: marks, columns: marks, at, unit: '' },
    { kind: 'table', head: ['', ''], rows: [['A', { at: 'D/1' }]] },
    { kind: 'polynomial', force: 'M', member: 'AB', coefficients: ['m/0', 'm/1'], from: 0, to: 1 },
    { kind: 'drawing', member: 0, forces: [{ end: 1, at: 'fixed/AB/1' }] },
  ]
  it('is asked about each block by its kind, with the member spoken of', () => {
    const seen = (kind: string) => (_: unknown, within?: string) => `${kind} of ${within}`
    const visitor = Object.fromEntries(
      ['words', 'lines', 'matrix', 'table', 'polynomial', 'drawing', 'equation'].map((k) => [k, seen(k)]),
    ) as unknown as working.BlockVisitor<string>
    expect(blocks.map((b) => working.visitBlock(b, visitor, 'AB'))).toEqual(
      blocks.map((b) => `${b.kind} of AB`),
    )
  })
  it('finds the addresses of all numbers a block shows', () => {
    expect(blocks.map(working.addressesOf)).toEqual([
      [],
      ['L/AB', 'c/AB'],
      ['K/1/1', 'K/1/2', 'K/2/1', 'K/2/2'],
      ['D/1'],
      ['m/0', 'm/1'],
      ['fixed/AB/1'],
    ])
  })
})

describe('the gate that every shown number passes', () => {
  const five = { figures: 5 }
  it('writes 0 only what is rounding beside what it is made of', () => {
    expect(working.shown(3e-13, five, 1)).toBe('0')
    expect(working.shown(3e-13, five)).not.toBe('0')
    expect(working.shownEntry(3e-14, 0, five, 1)).toBe('0')
    expect(working.shownEntry(3e-10, 0, five, 1)).not.toBe('0')
  })
})
