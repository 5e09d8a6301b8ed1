import { describe, expect, it } from 'vitest'
import { opposite } from '../../src/letters/listed.js'
import { expressionLatex, expressionWords } from '../../src/letters/typeset.js'

describe('an expression typeset', () => {
  it.each([
    ['5*w*L^4/(384*EI)', '\\dfrac{5\\,w\\,L^{4}}{384\\,EI}', '5wL⁴/(384EI)'],
    ['-P*a*(L - a)^2/L^2', '-\\dfrac{P\\,a\\,\\left(L-a\\right)^{2}}{L^{2}}', '−Pa(L − a)²/L²'],
    ['w*L/2 + P/2', '\\dfrac{w\\,L}{2}+\\dfrac{P}{2}', 'wL/2 + P/2'],
    ['sqrt(3)*L1/3', '\\dfrac{\\sqrt{3}\\,L_{1}}{3}', '√3L1/3'],
    ['2.5e-7*theta', '2.5\\cdot 10^{-7}\\,\\theta ', '2.5e−7theta'],
    ['w_max*L', 'w_{\\text{max}}\\,L', 'w_maxL'],
    ['-(P + 2*Q)', '-\\left(P+2\\,Q\\right)', '−(P + 2Q)'],
  ])('%s', (text, latex, words) => {
    expect(expressionLatex(text)).toBe(latex)
    expect(expressionWords(text)).toBe(words)
  })
  it.each(['', 'P+', 'P)', 'P#', 'sqrt P'])('%s is refused', (text) =>
    expect(() => expressionLatex(text)).toThrow(RangeError),
  )
})

describe('the opposite of an expression', () => {
  it.each([
    ['P/2', '-P/2'],
    ['-P*(L - a)/L', 'P*(L - a)/L'],
    ['w*L/2 + P', '-(w*L/2 + P)'],
    ['0', '0'],
  ])('%s', (e, minus) => expect(opposite(e)).toBe(minus))
})
