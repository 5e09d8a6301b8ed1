import { describe, expect, it } from 'vitest'
import { edit, work, working, type Problem } from '../../../src/index.js'
import { frame } from '../../builder.js'

const { ledger, formulaText, stepsOf } = working

const bookOf = (problem: Problem) => {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error(JSON.stringify(outcome))
  return ledger(outcome.solution, problem.units, outcome.solution.cases[0], problem)
}

/** A propped beam of two spans, 2EI over the first, with the letter kept as the person typed it. */
function relative(): Problem {
  const p = frame()
    .node('A', 0, 0)
    .node('B', 6, 0)
    .node('C', 10, 0)
    .member('A', 'B')
    .member('B', 'C')
    .support('A', 'fixed')
    .support('B', 'roller')
    .support('C', 'roller')
    .load({ type: 'distributed', member: 'AB', direction: 'Y', q: -10 }).problem
  return {
    ...p,
    symbols: { EI: '20000 kN*m^2' },
    sections: [
      { id: 'double', A: '0.01 m^2', I: '(2*EI)/(200 GPa)' },
      { id: 'single', A: '0.01 m^2', I: '(EI)/(200 GPa)' },
    ],
    members: p.members.map((m, i) => ({ ...m, section: i === 0 ? 'double' : 'single' })),
    materials: p.materials?.map((m) => ({ ...m, E: '200 GPa' })),
  }
}

const letters = (book: working.Ledger, at: string) => {
  const { origin } = book.origin(at)
  return origin.kind === 'formula' ? formulaText(origin.formula) : origin.words
}

describe('relative stiffnesses', () => {
  it('stay letters where a section is stated as a multiple of one', () => {
    const book = bookOf(relative())
    expect(letters(book, 'EI/AB')).toBe('2·EI')
    expect(book.origin('EI/AB').value).toBeCloseTo(40000, 8)
    expect(letters(book, 'EI/BC')).toBe('The symbol EI of the problem, stated as 20000 kN*m^2.')
    expect(letters(book, 'k/AB/2/2')).toBe('24·EI/L³')
    expect(letters(book, 'k/BC/3/3')).toBe('4·EI/L')
    expect(book.origin('symbol/EI')).toMatchObject({
      value: 20000,
      unit: 'kN·m²',
      origin: { kind: 'stated', words: 'The symbol EI of the problem, stated as 20000 kN*m^2.' },
    })
  })
  it('of a symbol for I are multiplied by E', () => {
    const p = relative()
    const book = bookOf({
      ...p,
      symbols: { I0: '1e8 mm^4' },
      sections: [
        { id: 'double', A: '0.01 m^2', I: '1.5 I0'.replace(' ', '*') },
        { id: 'single', A: '0.01 m^2', I: 'I0' },
      ],
    })
    expect(letters(book, 'EI/AB')).toBe('1.5·E·I₀')
    expect(book.entry('common')).toMatchObject({ symbol: { letter: 'EI', sub: '0' } })
    expect(book.entry('common')!.value).toBeCloseTo(20000, 8)
    expect(letters(book, 'per-common/k/AB/2/2')).toBe('18/L³')
  })
  it('are no multiples where the symbol is only a part of what was typed', () => {
    const p = relative()
    const book = bookOf({
      ...p,
      sections: [
        { id: 'double', A: '0.01 m^2', I: '(2*EI + 5 kN*m^2)/(200 GPa)' },
        { id: 'single', A: '0.01 m^2', I: '(EI)/(200 GPa)' },
      ],
    })
    expect(letters(book, 'EI/AB')).toBe('E·I')
    expect(book.entry('common')).toBeUndefined()
  })
})

describe('a factor taken out', () => {
  const own = edit.setView(relative(), 'reading', { factor: 'own' })
  const common = edit.setView(relative(), 'reading', { factor: 'common' })
  it('of each member leaves 12, 6L, 4L²', () => {
    const book = bookOf(own)
    expect(letters(book, 'factor/AB')).toBe('2·EI/L³')
    expect(
      [
        [2, 2],
        [2, 3],
        [3, 3],
        [3, 6],
        [2, 5],
        [1, 1],
      ].map(([i, j]) => letters(book, `per-own/AB/k/AB/${i}/${j}`)),
    ).toEqual(['12', '6·L', '4·L²', '2·L²', '−12', 'A·L²/I'])
    expect(book.entry('per-own/AB/k/AB/2/3')).toMatchObject({ value: 36, unit: 'm' })
    const k = stepsOf(book)
      .find((s) => s.key === 'stiffness')!
      .passages[0].blocks.find((b) => b.kind === 'matrix')!
    expect(k).toMatchObject({ factor: 'factor/AB', unit: 'lengths, m' })
  })
  it('of all leaves K in shares of it, and displacements over it', () => {
    const book = bookOf(common)
    const K = stepsOf(book)
      .find((s) => s.key === 'assembly')!
      .passages[0].blocks.find((b) => b.kind === 'matrix')!
    if (K.kind !== 'matrix') throw new Error('a matrix')
    const turnB = book.context.solution.dofs.list.findIndex((d) => d.component === 'rotation' && d.node === 1)
    const at = K.rows.findIndex((r) => 'unknown' in r && r.unknown.index === turnB)
    // 4·2/6 + 4/4 per metre
    expect(book.entry(K.at(at, at))!.value).toBeCloseTo(8 / 6 + 1, 12)
    expect(book.entry('common')).toMatchObject({ value: 20000, symbol: { letter: 'EI' } })
    const D = book.entry(`D/${turnB + 1}`)!
    expect(book.entry(`times-common/D/${turnB + 1}`)!.value).toBeCloseTo(20000 * D.value, 10)
  })
  it('is none where members have nothing in common', () => {
    const p = edit.setSection(common, 'double', { I: '0.000123457 m^4' })
    const book = bookOf({
      ...p,
      symbols: {},
      sections: p.sections!.map((s) => (s.id === 'single' ? { ...s, I: '0.0001 m^4' } : s)),
    })
    expect(
      stepsOf(book)
        .find((s) => s.key === 'assembly')!
        .passages[0].blocks.find((b) => b.kind === 'matrix'),
    ).not.toHaveProperty('factor')
  })
})

describe('a member with a hinge at one end', () => {
  const hinged = (end: 'start' | 'end', factor: 'none' | 'own' | 'common') => {
    const p = relative()
    return bookOf(
      edit.setView(
        {
          ...p,
          members: p.members.map((m) => (m.id === 'AB' ? { ...m, releases: { [end]: { M: true } } } : m)),
        },
        'reading',
        { factor },
      ),
    )
  }
  const all = (book: working.Ledger, before: string) =>
    [
      [2, 2],
      [2, 3],
      [3, 3],
      [2, 5],
      [2, 6],
      [5, 6],
      [6, 6],
      [1, 1],
    ].map(([i, j]) => letters(book, `${before}hinged/AB/${i}/${j}`))
  it('has the closed forms of books beside its condensation', () => {
    expect(all(hinged('end', 'none'), '')).toEqual([
      '6·EI/L³',
      '6·EI/L²',
      '6·EI/L',
      '−6·EI/L³',
      '0',
      '0',
      '0',
      'EA/L',
    ])
    expect(all(hinged('start', 'none'), '')).toEqual([
      '6·EI/L³',
      '0',
      '0',
      '−6·EI/L³',
      '6·EI/L²',
      '−6·EI/L²',
      '6·EI/L',
      'EA/L',
    ])
    expect(all(hinged('end', 'own'), 'per-own/AB/')).toEqual([
      '3',
      '3·L',
      '3·L²',
      '−3',
      '0',
      '0',
      '0',
      'A·L²/I',
    ])
    expect(all(hinged('start', 'common'), 'per-common/')).toEqual([
      '6/L³',
      '0',
      '0',
      '−6/L³',
      '6/L²',
      '−6/L²',
      '6/L',
      'EA/(EI·L)',
    ])
  })
  it('shows them as its letters', () => {
    const k = stepsOf(hinged('end', 'none'))
      .find((s) => s.key === 'stiffness')!
      .passages[0].blocks.filter((b) => b.kind === 'matrix')
    expect(k.map((b) => [b.letter, b.letters === true])).toEqual([
      ['k°', true],
      ['k', true],
      ['K', false],
    ])
    expect(k[1].lettersAt!(1, 2)).toBe('hinged/AB/2/3')
  })
  it('has none where a spring, shear or another release is in play', () => {
    const p = relative()
    const book = bookOf({
      ...p,
      members: p.members.map((m) => (m.id === 'AB' ? { ...m, releases: { end: { M: '900 kN*m' } } } : m)),
    })
    expect(book.entry('hinged/AB/2/2')).toBeUndefined()
  })
})
