import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { work, working, type Problem } from '../../src/index.js'

const read = (name: string) =>
  JSON.parse(readFileSync(join(import.meta.dirname, `../cases/${name}.viga.json`), 'utf8')) as Problem
function book(name: string, change: (p: Problem) => Problem = (p) => p) {
  const problem = change(read(name))
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('a reference problem is solved')
  return working.ledger(outcome.solution, problem.units, outcome.solution.cases[0], problem)
}
const balcony = book('orchid-balcony')

describe('formulas', () => {
  const origin = (address: string, b = balcony) => {
    const { origin: o } = b.origin(address)
    if (o.kind !== 'formula') throw new Error(`${address} has no formula`)
    return o.formula
  }
  it('are written with letters and with the numbers put in', () => {
    expect(working.formulaText(origin('k/CB/2/3'))).toBe('6·EI/L²')
    expect(working.formulaText(origin('k/CB/2/3'), 'numbers')).toBe('6·14\u2009000/2²')
    expect(working.formulaText(origin('k/CB/2/6'))).toBe('6·EI/L²')
    expect(working.formulaText(origin('k/CB/5/6'))).toBe('−6·EI/L²')
    expect(working.formulaText(origin('K/3/3'))).toBe('K₆₆ + K₃₃')
    expect(working.formulaText(origin('fixed/CB/3'))).toBe('−(3·q₁ + 2·q₂)·L²/60')
    expect(working.formulaText(origin('fixed/CB/3'), 'numbers')).toBe('−(3·(−9) + 2·(−18))·2²/60')
  })
  it('become LaTeX, a member named where it is not the one spoken of', () => {
    expect(working.formulaLatex(origin('k/CB/2/3'))).toBe('\\frac{6\\,EI}{{L^{\\text{CB}}}^{2}}')
    expect(working.formulaLatex(origin('k/CB/2/3'), 'letters', 'CB')).toBe('\\frac{6\\,EI}{{L}^{2}}')
    expect(working.symbolLatex({ letter: 'P′′', sub: '3' })).toBe('P_{3}^{\\prime \\prime }')
    expect(working.wordsLatex('a_b}\\x')).toBe('\\text{a\\_bx}')
  })
  it('show a release as the condensation it is', () => {
    const pergola = book('pergola')
    const { structure, elements } = pergola.context.solution
    const i = elements.findIndex((e, k) => e.released.length === 1 && !structure.members[k].bar)
    const r = elements[i].released[0]
    const [a, b] = [1, 2, 3, 4, 5, 6].filter((n) => n !== r + 1 && n % 3 !== 1)
    const text = working.formulaText(origin(working.addressOf('k', structure.members[i].id, a, b), pergola))
    expect(text).toMatch(/^k°.. − k°..·k°..\/k°..$/)
  })
})

describe('the whole working', () => {
  it('as Markdown has every step, its formulas and no number it cannot say', () => {
    const text = working.workingMarkdown(balcony)
    for (const title of [
      'Idealisation',
      'Unknowns',
      'Stiffness',
      'Loads',
      'Assembly',
      'Partition',
      'Solution',
      'End forces',
      'Reactions',
      'Checks',
      'Diagrams',
    ])
      expect(text).toMatch(new RegExp(`^## \\d+ ${title}$`, 'm'))
    expect(text).not.toMatch(/NaN|undefined|\[object/)
    expect(text).toMatch(/M\(t\)=-15\.675\+13\.669\\,t-0\.75\\,t\^\{3\}\\;\\text\{kN·m\}/)
    expect((text.match(/\$\$/g) ?? []).length % 2).toBe(0)
  })
  it('as LaTeX is balanced, and a person’s words are no commands', () => {
    const text = working.workingLatex(
      book('orchid-balcony', (p) => ({ ...p, title: 'Balcony & 50% \\input{x} #1' })),
    )
    expect(text).toContain('\\title{Balcony \\& 50\\% \\textbackslash{}input\\{x\\} \\#1}')
    for (const kind of ['array', 'tabular', 'dmath*', 'document'])
      expect(text.split(`\\begin{${kind}}`).length).toBe(text.split(`\\end{${kind}}`).length)
    const depth = [...text.replace(/\\[{}\\]/g, '')].reduce(
      (d, c) => d + (c === '{' ? 1 : c === '}' ? -1 : 0),
      0,
    )
    expect(depth).toBe(0)
  })
  it.each(['orchid-balcony', 'palm-house', 'lily-walkway', 'seed-store'])(
    'as LaTeX has nothing in %s that a compiler stumbles over',
    (name) => {
      const text = working.workingLatex(book(name)).replace(/^%.*$/gm, '')
      // a bracket after a row's end is taken for its depth; signs that the typefaces lack; a fraction wider
      // than a page
      expect(text).not.toMatch(/\\\\\s*\[(?!3pt\])/)
      expect(text).not.toMatch(/[−⁻₁₂₃ᵀΣθ′]/)
      expect(
        Math.max(
          ...text
            .split('\n')
            .map((l) => Math.max(0, ...[...l.matchAll(/\\frac\{([^\n]*?)\}\{/g)].map((m) => m[1].length))),
        ),
      ).toBeLessThan(1200)
    },
  )
  it('writes each form of k out in letters once, and names it afterwards', () => {
    const text = working.workingMarkdown(book('palm-house'))
    expect(text.match(/k=\\begin\{bmatrix\}/g)).toHaveLength(1)
    expect(text).toContain('\\frac{12\\,EI')
    expect(text.match(/In letters as for AB\./g)).toHaveLength(3)
    // a hinge is another form, and a relative stiffness a third
    expect(working.workingMarkdown(book('alpine-lean-to'))).toMatch(/k=\\begin\{bmatrix\}[^$]*\\frac\{3\\,EI/)
    const latex = working.workingLatex(book('palm-house'))
    expect(latex).toContain(', in letters as for AB')
  })
  it('takes a power of ten out of a matrix, but not where forces stand beside stiffnesses', () => {
    const blocks = working
      .stepsOf(balcony)
      .flatMap((s) => s.passages.flatMap((p) => p.blocks.filter((b) => b.kind === 'matrix')))
    const K = blocks.find((b) => b.letter === 'K' && b.parting !== undefined)!
    expect(working.printedMatrix(balcony, K)).toMatchObject({
      power: 3,
      columns: ['1', '2', '3', '4', '5', '6', '7', '8', '9'],
    })
    const equations = working.printedMatrix(
      balcony,
      blocks.find((b) => b.letter === 'K|P')!,
    )
    expect(equations.power).toBe(0)
    expect(equations.columns.at(-1)).toBe('P')
    expect(equations.cells.map((r) => r.at(-1))).toEqual(['0', '−18', '−11.40', '0', '4.800'])
  })
  it('is printed in parts of at most twelve columns, about as wide as each other', () => {
    expect(working.parts(12)).toEqual([[0, 12]])
    expect(working.parts(13)).toEqual([
      [0, 7],
      [7, 13],
    ])
    expect(working.parts(48).map(([a, b]) => b - a)).toEqual([12, 12, 12, 12])
  })
})

describe('the ledger', () => {
  it('knows no number that is not there', () => {
    for (const address of [
      '',
      'K',
      'K/0/1',
      'K/1/99',
      'k/nobody/1/1',
      'k/CB/7/1',
      'D/x',
      'toString',
      'constructor/CB',
      '%E0%A4%A',
      'diagram/CB/0/Q/0',
      'row/9/1/1',
      'case/nobody/D/1',
    ])
      expect(balcony.entry(address)).toBeUndefined()
  })
  it('writes 0 for what is 0 but for rounding', () => {
    const palm = book('palm-house')
    const noise = palm.context.solution.dofs.list
      .flatMap((_, i) => [palm.entry(`P/${i + 1}`)!.value, palm.entry(`joint/${i + 1}`)!.value])
      .filter((v) => v !== 0 && Math.abs(v) < 1e-9)
    expect(noise).toEqual([])
  })
  it('keeps labels apart that look like addresses', () => {
    const odd = book('orchid-balcony', (p) => ({
      ...p,
      nodes: p.nodes.map((n) => (n.id === 'C' ? { ...n, id: 'C/1' } : n)),
      members: p.members.map((m) => ({
        ...m,
        id: `${m.id}/k`,
        start: m.start === 'C' ? 'C/1' : m.start,
        end: m.end === 'C' ? 'C/1' : m.end,
      })),
      loadCases: p.loadCases!.map((c) => ({
        ...c,
        loads: c.loads.map((l) =>
          l.type === 'nodal'
            ? { ...l, node: l.node === 'C' ? 'C/1' : l.node }
            : { ...l, member: `${l.member}/k` },
        ),
      })),
      answers: [],
    }))
    expect(odd.entry(working.addressOf('k', 'CB/k', 3, 3))!.value).toBe(balcony.entry('k/CB/3/3')!.value)
    expect(working.workingMarkdown(odd)).not.toContain('undefined')
  })
})
