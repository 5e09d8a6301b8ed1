import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dimension, makeReader, shownAngle, typedAngle } from '../../src/index.js'

const { reader } = makeReader({ length: 'm', force: 'kN' }, { a: 20, b: '0.3 rad' })

describe('a direction as it is typed', () => {
  it.each([
    ['30', '30 deg'],
    ['30°', '30 deg'],
    ['-22.5 °', '-22.5 deg'],
    ['360/8', '(360/8) deg'],
    ['a + 5', '(a + 5) deg'],
    ['b', 'b'],
    ['0.5 rad', '0.5 rad'],
    ['30 deg', '30 deg'],
    ['atan(3/4)', 'atan(3/4)'],
  ])('%s is written %s', (text, written) => expect(typedAngle(text, reader)).toBe(written))
  it('is shown as degrees, and read back as the same', () => {
    expect([
      shownAngle('30 deg'),
      shownAngle(Math.PI / 6),
      shownAngle('(360/8) deg'),
      shownAngle('0.5 rad'),
    ]).toEqual(['30°', '30°', '(360/8)°', '0.5 rad'])
    fc.assert(
      fc.property(fc.double({ min: -720, max: 720, noNaN: true }), (degrees) => {
        const shown = shownAngle((degrees * Math.PI) / 180)
        const r = reader.read(typedAngle(shown, reader), dimension.angle)
        expect(r.ok ? r.si : NaN).toBeCloseTo((degrees * Math.PI) / 180, 9)
      }),
    )
  })
})
