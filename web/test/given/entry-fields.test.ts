import type { Entry } from '@viga/core/statement/load-entry'
import { describe, expect, it } from 'vitest'
import { degreesOf, stepped, turned } from '../../app/given/entry-fields'

describe('the fields of a load', () => {
  it('turns on the compass, by name in the four main directions', () => {
    const e: Entry = { sort: 'force', amount: 5, way: 'down' }
    expect(turned(e, 180)).toMatchObject({ way: 'left' })
    expect(turned(e, -45)).toMatchObject({ way: 'angle', angle: '-45 deg' })
    expect(degreesOf(turned(e, -45))).toBe(-45)
  })
  it('steps a number and keeps its unit', () => {
    expect(stepped('6 kN/m', 1)).toBe('7 kN/m')
    expect(stepped(1, -5)).toBe(0)
    expect(stepped('w*L', 1)).toBeUndefined()
  })
})
