import { expect, it } from 'vitest'
import { work, type Problem } from '../../src/index.js'
import { letterLists } from '../../src/letters/listed.js'
import { resultsInLetters } from '../../src/letters/results.js'
import { signsOf } from '../../src/document/signs.js'

const beam = (end = 'B'): Problem => ({
  format: 'viga-problem',
  version: 1,
  title: 'a propped cantilever',
  units: { length: 'm', force: 'kN' },
  kind: 'frame',
  symbols: { w: '12 kN/m', L: '6 m', EI: '20000 kN*m^2' },
  sections: [{ id: 's', EI: 'EI' }],
  nodes: [
    { id: 'A', x: 0, y: 0 },
    { id: end, x: 'L', y: 0 },
  ],
  members: [{ id: `A${end}`, start: 'A', end, section: 's', axiallyRigid: true }],
  supports: [
    { node: 'A', type: 'fixed' },
    { node: end, type: 'roller' },
  ],
  loadCases: [{ id: 'D', loads: [{ type: 'distributed', member: `A${end}`, direction: 'Y', q: '-w' }] }],
})

const madeOf = (problem: Problem) => {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('solved')
  return {
    solution: outcome.solution,
    results: resultsInLetters(problem, outcome.solution).results.get('D')!,
  }
}

const said = (view: Problem['view'] = {}) => {
  const { solution, results } = madeOf(beam())
  return letterLists(solution, solution.cases[0], results, signsOf({ view })).map(({ title, lines }) => [
    title,
    ...lines.map(
      (l) => `${l.name.letter}_${l.name.sub} = ${l.expression}${l.at ? ` at ${l.at.expression}` : ''}`,
    ),
  ])
}

it('lists what is held, what is largest along the members, and what moves', () =>
  expect(said()).toEqual([
    ['Reactions', 'A_x = 0', 'A_y = 5*w*L/8', 'M_A = w*L^2/8', 'B_y = 3*w*L/8'],
    [
      'Along the members',
      'V_AB, max = 5*w*L/8 at 0',
      'V_AB, min = -3*w*L/8 at L',
      'M_AB, max = 9*w*L^2/128 at 5*L/8',
      'M_AB, min = -w*L^2/8 at 0',
      'v_AB, min = -w*L^4*(39 + 55*sqrt(33))/(65536*EI) at L*(15 - sqrt(33))/16',
    ],
    ['Displacements', 'θ_B = w*L^3/(48*EI)'],
  ]))

it('follows the sign conventions: the largest is then the former smallest', () => {
  const [, along] = said({ signs: { moment: 'hogging' } })
  expect(along).toContain('M_AB, max = w*L^2/8 at 0')
  expect(along).toContain('M_AB, min = -9*w*L^2/128 at 5*L/8')
})

it('leaves out what the letters do not know', () => {
  const { solution } = madeOf(beam('C'))
  const lists = letterLists(solution, solution.cases[0], madeOf(beam()).results, signsOf({}))
  expect(lists.map(({ title, lines }) => [title, lines.length])).toEqual([['Reactions', 3]])
})
