import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  evaluate,
  ExpressionError,
  makeReader,
  dimension as D,
  unitNames,
  unitByName,
} from '../../src/index.js'

const si = (text: string) => evaluate(text).si

describe('expressions', () => {
  it.each([
    ['2*26', 52],
    ['12*26 in', 12 * 26 * 0.0254],
    ['26 ft', 26 * 0.3048],
    ['1.2 m + 2.75 m', 3.95],
    ['4 + sqrt(3)', 4 + Math.sqrt(3)],
    ['200 GPa', 200e9],
    ['45 deg', Math.PI / 4],
    ['-2^2', -4],
    ['2^3^2', 512],
    ['2^-1', 0.5],
    ['1.2e-05', 1.2e-5],
    ['1/2 in', 0.0127],
    ['3*1/2 in', 3 * 0.0127],
    ['4.1 in^2', 4.1 * 0.0254 ** 2],
    ['7850 kg/m^3', 7850],
    ['12 kip*ft', 12 * 4448.2216152605 * 0.3048],
    ['3 kN m', 3000],
    ['1 tonf', 9806.65],
    ['40 degF', 40 * (5 / 9)],
    ['2.4 kPa*5 m', 12000],
    ['max(3 m, 20 cm)', 3],
    ['atan2(3, 4)', Math.atan2(3, 4)],
    ['(2 + 3) kN', 5000],
    ['45 deg + atan(1)', Math.PI / 2],
    ['5 m²', 5],
    ['−3·2', -6],
    [`12'-6"`, 12.5 * 0.3048],
    [`12' 6"`, 12.5 * 0.3048],
    [`12' - 6"`, 11.5 * 0.3048], // with blanks a minus is a minus
    [`-12'-6"`, -12.5 * 0.3048],
    [`2*12'-6"`, 25 * 0.3048],
    [`12'-6 1/2"`, 150.5 * 0.0254],
    [`5′ 3″`, 63 * 0.0254],
    [`12'`, 12 * 0.3048],
    [`6"`, 6 * 0.0254],
    [`6"^2`, 6 * 0.0254 ** 2],
    ['4 ft 6 in', 4.5 * 0.3048],
    ['4 ft-6 in', 3.5 * 0.3048], // a minus, as the grammar has it
    ['6 1/2 in', 6.5 * 0.0254],
    ['6½ in', 6.5 * 0.0254],
    ['½', 0.5],
    ['2½ kN', 2500],
  ])('%s', (text, value) => expect(si(text)).toBeCloseTo(value, 9))

  it('gives a unit right after a number to that number', () => {
    const { reader } = makeReader({ length: 'm', force: 'kN' }, { EI: '14000 kN*m^2' })
    const r = reader.read('EI/(200 GPa)', D.secondMoment)
    expect(reader.read('EI/200 GPa', D.secondMoment)).toEqual(r)
    expect(r.ok && r.si).toBeCloseTo(7e-5, 12)
  })

  it.each([
    ['12*26 inn', 'inn is not a unit; did you mean in?', 6, 9],
    ['3 + 2 m', 'plain number', 2, 3],
    ['3 kN + 2 m', 'A force and a length cannot be added', 5, 6],
    ['4*', 'ends too early', 2, 2],
    ['(3', 'closing bracket', 0, 1],
    ['1,5', 'Write the decimal sign as a point: 1.5.', 1, 2],
    ['(2,75 + 1) m', 'Write the decimal sign as a point: 2.75.', 2, 3],
    ['1,200', 'Write 1200 without the comma; for a decimal sign, use a point: 1.200.', 1, 2],
    ['1,234,567 N', 'Write 1234567 without the commas.', 1, 2],
    ['1,200.5 kN', 'Write 1200.5 without the comma.', 1, 2],
    ['4 ft 6 in^2', 'Something is missing before 6', 5, 6],
    ['sqrt(-1)', 'negative', 0, 8],
    ['2 $', '"$"', 2, 3],
    ['5/0', 'Division by zero', 1, 2],
    ['2^(1 m)', 'exponent', 1, 2],
    ['', 'Nothing is written', 0, 0],
  ])('refuses %s at its place', (text, words, start, end) => {
    expect(() => evaluate(text)).toThrow(words)
    try {
      evaluate(text)
    } catch (error) {
      expect(error).toBeInstanceOf(ExpressionError)
      expect([(error as ExpressionError).start, (error as ExpressionError).end]).toEqual([start, end])
    }
  })

  it('never breaks on any text', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.stringMatching(/^[0-9a-z+\-*/^(). ]{0,40}$/)), (text) => {
        try {
          expect(Number.isFinite(evaluate(text).si)).toBe(true)
        } catch (error) {
          expect(error).toBeInstanceOf(ExpressionError)
        }
      }),
      { numRuns: 2000 },
    )
  })

  it('agrees with arithmetic', () => {
    const tree: fc.Arbitrary<string> = fc.letrec<{ e: string }>((tie) => ({
      e: fc.oneof(
        { maxDepth: 4 },
        fc.integer({ min: 1, max: 99 }).map(String),
        fc.tuple(tie('e'), fc.constantFrom('+', '-', '*'), tie('e')).map(([a, o, b]) => `(${a}${o}${b})`),
      ),
    })).e
    fc.assert(fc.property(tree, (t) => si(t) === Function(`return ${t}`)()))
  })
})

describe('units', () => {
  it.each(unitNames())('%s goes there and back', (name) => {
    const unit = unitByName(name)!
    expect(evaluate(`7 ${name}`).si).toBeCloseTo(7 * unit.siPerUnit, 9)
    expect(evaluate(`7 ${name} / (1 ${name})`).si).toBeCloseTo(7, 12)
  })
})

describe('symbols', () => {
  const problems = (symbols: Record<string, string | number>) =>
    makeReader({ length: 'm', force: 'kN' }, symbols).problems.map((p) => p.message)
  it('may refer to each other in any order', () => {
    const { reader } = makeReader({ length: 'ft', force: 'kip' }, { L: '2*a', a: '3 ft', n: 4 })
    expect(reader.read('L*n', D.length)).toEqual({ ok: true, si: expect.closeTo(24 * 0.3048, 12) as number })
  })
  it('name their circle', () => expect(problems({ a: 'b', b: 'c', c: 'a' })[0]).toMatch(/a → b → c → a/))
  it('are not units', () => expect(problems({ kN: 3 })[0]).toMatch(/unit/))
  it('may be called constructor', () => expect(problems({ constructor: 3 })).toEqual([]))
})

describe('reading quantities', () => {
  const { reader } = makeReader({ length: 'ft', force: 'kip' })
  it('reads bare numbers in the problem’s units', () => {
    expect(reader.read(2, D.moment)).toEqual({
      ok: true,
      si: expect.closeTo(2 * 4448.2216152605 * 0.3048, 6) as number,
    })
    expect(reader.read('2', D.moment)).toEqual(reader.read(2, D.moment))
  })
  it('names both dimensions', () =>
    expect(reader.read('3 kip', D.length)).toMatchObject({
      ok: false,
      message: 'Expected a length, got a force.',
    }))
  it('takes a mass density for a unit weight', () =>
    expect(reader.read('1000 kg/m^3', D.unitWeight)).toEqual({ ok: true, si: 9806.65 }))
  it('takes a moment per radian for a moment', () =>
    expect(reader.read('3 kip*ft/rad', D.moment).ok).toBe(true))
  it('refuses an angle for a length', () => expect(reader.read('3 deg', D.length).ok).toBe(false))
})
