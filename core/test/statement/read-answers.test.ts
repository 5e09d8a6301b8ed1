import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { answerAt, readProblem, type AnswerPlace, type Problem } from '../../src/index.js'
import { ANSWER_LISTS, samePlace } from '../../src/statement/answer-lists.js'
import { answerValueText, readAnswerValue } from '../../src/statement/answer-value.js'
import { answerName } from '../../src/kinds/answers/index.js'
import { readAnswerName } from '../../src/statement/read-answer-name.js'
import { readAnswers } from '../../src/statement/read-answers.js'
import { frame, truss } from '../builder.js'

/** A column AB fixed at A, a beam BC on a roller, a bar DB. */
const portal: Problem = frame()
  .node('A', 0, 0)
  .node('B', 0, 4)
  .node('C', 6, 4)
  .node('D', -3, 0)
  .member('A', 'B')
  .member('B', 'C')
  .member('D', 'B', { type: 'bar' })
  .support('A', 'fixed')
  .support('C', 'roller')
  .support('D', 'pin')
  .loadCase('W').problem

const place = (text: string, p = portal) => {
  const read = readAnswerName(p, text)
  if (!read.ok) throw new Error(read.message)
  return read.place
}

describe('the name of a hand value', () => {
  it.each([
    ['Ay', { quantity: 'reaction', node: 'A', component: 'y' }],
    ['R_{Ax}', { quantity: 'reaction', node: 'A', component: 'x' }],
    ['H_A', { quantity: 'reaction', node: 'A', component: 'x' }],
    ['R_C', { quantity: 'reaction', node: 'C', component: 'y' }],
    ['M_A', { quantity: 'reaction', node: 'A', component: 'rotation' }],
    ['M at support A', { quantity: 'reaction', node: 'A', component: 'rotation' }],
    ['M_BA', { quantity: 'moment', member: 'AB', at: '100%' }],
    ['M_AB', { quantity: 'moment', member: 'AB', at: '0%' }],
    ['V_CB', { quantity: 'shear', member: 'BC', at: '100%' }],
    ['F_BD', { quantity: 'axial', member: 'DB' }],
    ['N_BC', { quantity: 'axial', member: 'BC', at: '0%' }],
    ['M_BC at 2.5 m', { quantity: 'moment', member: 'BC', at: '2.5 m' }],
    ['M_BC(40%)', { quantity: 'moment', member: 'BC', at: '40%' }],
    ['V of BC at 3, just after', { quantity: 'shear', member: 'BC', at: 3, side: 'right' }],
    ['largest M in BC', { quantity: 'maximum', of: 'moment', member: 'BC' }],
    ['M_max', { quantity: 'maximum', of: 'moment' }],
    ['M_max, BC', { quantity: 'maximum', of: 'moment', member: 'BC' }],
    ['min V', { quantity: 'minimum', of: 'shear' }],
    ['θ_B', { quantity: 'displacement', node: 'B', component: 'rotation' }],
    ['u_B', { quantity: 'displacement', node: 'B', component: 'x' }],
    ['Δ_By', { quantity: 'displacement', node: 'B', component: 'y' }],
    ['rotation of B', { quantity: 'displacement', node: 'B', component: 'rotation' }],
    ['k_AB(3,5)', { quantity: 'stiffness', member: 'AB', axes: 'global', row: 3, column: 5 }],
    ['FEM_AB', { quantity: 'fixed-end', member: 'AB', end: 'start', component: 'rotation' }],
    ['FEM_BA', { quantity: 'fixed-end', member: 'AB', end: 'end', component: 'rotation' }],
    ['FEV_CB', { quantity: 'fixed-end', member: 'BC', end: 'end', component: 'y' }],
    [
      'fixed-end shear of BC at its start',
      { quantity: 'fixed-end', member: 'BC', end: 'start', component: 'y' },
    ],
    ['P_By', { quantity: 'load-vector', node: 'B', component: 'y' }],
    ['P_B turn', { quantity: 'load-vector', node: 'B', component: 'rotation' }],
    ['critical load factor', { quantity: 'load-factor' }],
  ])('%s', (text, expected) => expect(place(text)).toEqual(expected))

  it('is refused with a sentence where it may mean several things or nothing', () => {
    const message = (text: string) => {
      const read = readAnswerName(portal, text)
      return read.ok ? '' : read.message
    }
    expect(message('R_A')).toContain('several reactions')
    expect(message('M_AC')).toBe('No member joins A and C.')
    expect(message('M_DB')).toBe('DB carries axial force alone.')
    // the letters of max are a member's, not a word, where an underscore parts them
    expect(message('M_AX')).toBe('There is no member AX.')
    expect(message('FEM_DB')).toContain('axial force alone')
    expect(message('P_Qy')).toContain('There is no joint Q')
    expect(message('what')).toContain('is not understood')
  })

  it('is read back from what the interface calls it, for every place of every prepared list', () => {
    for (const list of ANSWER_LISTS)
      for (const p of [
        portal,
        truss().node('A', 0, 0).node('B', 3, 0).member('A', 'B').support('A', 'pin').problem,
      ])
        for (const at of list.places(p, { at: ['25%', '1.5 m'] })) {
          const read = readAnswerName(p, answerName(at))
          expect(read.ok && samePlace(read.place, at, '1'), answerName(at)).toBe(true)
        }
  })

  it('is read back for every answer of the reference problems', () => {
    const folder = join(import.meta.dirname, '../cases')
    let count = 0
    for (const file of readdirSync(folder).filter((f) => f.endsWith('.viga.json'))) {
      const read = readProblem(readFileSync(join(folder, file), 'utf8'))
      if (!read.ok) throw new Error(file)
      for (const a of read.problem.answers ?? []) {
        const there = { ...a, case: undefined, sense: undefined }
        const named = readAnswerName(read.problem, answerName({ ...a, sense: undefined }))
        expect(named.ok && samePlace(named.place, there, undefined), `${file} ${answerName(a)}`).toBe(true)
        count++
      }
    }
    expect(count).toBeGreaterThan(20)
  })
})

describe('lines of hand values', () => {
  it('are read with their directions, senses and units; what is left says why', () => {
    const { answers, left } = readAnswers(
      portal,
      'Ay = 18.2 kN up\nF_DB = 8.4 C\r\nM_BA = -37.5\nAx\t4.1\tleft\nM_A: 12 clockwise\nCy 6.50 ' +
        'down\n\nM_XY = 3\nAy = 3 left',
    )
    expect(answers.map((a) => [answerName(a), a.value])).toEqual([
      ['A y', '18.2 kN'],
      ['N of DB, compression', 8.4],
      ['M of AB at 100%', -37.5],
      ['A x', -4.1],
      ['M at support A', -12],
      ['C y', '-6.50'],
    ])
    expect(left).toEqual([
      { line: 'M_XY = 3', message: expect.stringContaining('There is no member') },
      { line: 'Ay = 3 left', message: 'This component acts up or down.' },
    ])
  })
  it('take fixed-end moments and entries of P with the way they turn', () => {
    const { answers, left } = readAnswers(
      portal,
      'FEM_BC = 12 ccw\nFEM_CB = 12 cw\nP_Bx = 4 left\nFEV_BC = 8 up',
    )
    expect(answers.map((a) => [answerName(a), a.value])).toEqual([
      ['FEM of BC at start', 12],
      ['FEM of BC at end', -12],
      ['P at B x', -4],
    ])
    // a shear of a member acts across it, whichever way the member lies
    expect(left.map((l) => l.line)).toEqual(['FEV_BC = 8 up'])
  })
  it('take T and C for the axial force of a member that bends, too, as its sign', () => {
    const { answers } = readAnswers(portal, 'N_AB = 95 C\nN_BC = 4 kN T')
    expect(answers.map((a) => [a.value, a.sense])).toEqual([
      [-95, undefined],
      ['4 kN', undefined],
    ])
  })
  it('belong to the case that a line above them names', () => {
    const { answers } = readAnswers(portal, 'Ay = 1\nW\nAy = 2\nk_AB(1,1) = 5')
    expect(answers.map((a) => a.case)).toEqual([undefined, 'W', undefined])
  })
})

describe('lines of hand values from elsewhere', () => {
  const two: Problem = {
    ...portal,
    loadCases: [
      { id: 'C1', loads: [] },
      { id: 'C2', title: 'wind', loads: [] },
    ],
  }
  const values = (text: string) => readAnswers(two, text).answers.map((a) => [a.value, a.case])
  it('name their case in the line', () => {
    expect(values('C1: Ay = 115.9\nC2: Ay = 3')).toEqual([
      [115.9, undefined],
      [3, 'C2'],
    ])
    expect(values('Ax = 5.267 (C2)\nAy = 4')).toEqual([
      [5.267, 'C2'],
      [4, undefined],
    ])
    expect(values('wind: Ax = 1\nAx = 2, case C2')).toEqual([
      [1, 'C2'],
      [2, 'C2'],
    ])
    expect(values('Ay: 18.2')).toEqual([[18.2, undefined]])
  })
  it('have one decimal sign, decided for all of them and said', () => {
    const read = readAnswers(portal, 'Ax = 12,5\nAy\t1.200,0 kN')
    expect(read.answers.map((a) => a.value)).toEqual([12.5, '1200.0 kN'])
    expect(read.said).toBe('Commas were read as decimal signs.')
  })
})

describe('the text of a hand value', () => {
  it.each<[AnswerPlace, string]>([
    [{ quantity: 'reaction', node: 'A', component: 'y' }, '18.2 kN ↑'],
    [{ quantity: 'reaction', node: 'A', component: 'rotation' }, '12 ↻'],
    [{ quantity: 'displacement', node: 'B', component: 'x' }, '0.30 mm ←'],
    [{ quantity: 'axial', member: 'DB' }, '8.4 C'],
    [{ quantity: 'moment', member: 'AB', at: '0%' }, '-3.5'],
  ])('is read as it is shown: %o', (where, text) => {
    const read = readAnswerValue(portal, where, text)
    if (!read.ok) throw new Error(read.message)
    expect(answerValueText({ id: '', ...answerAt(where, read) })).toBe(text)
  })
})
