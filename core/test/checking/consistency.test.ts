import { describe, expect, it } from 'vitest'
import { checkDocument, workWithSystem, type Answer, type NewAnswer, type Problem } from '../../src/index.js'
import { frame, truss } from '../builder.js'

const check = (problem: Problem, answers: NewAnswer[]) => {
  const p = { ...problem, answers: answers.map((a, i) => ({ id: `a${i + 1}`, ...a })) as Answer[] }
  const { solved } = workWithSystem(p)
  return checkDocument(p, solved!)
}
/** A propped cantilever of 6 m under 4 kN/m: 9 kN at the prop, 15 kN and 18 kN·m at the wall. */
const { problem: beam } = frame()
  .node('A', 0, 0)
  .node('B', 6, 0)
  .member('A', 'B')
  .support('A', 'fixed')
  .support('B', 'roller')
  .load({ type: 'distributed', member: 'AB', direction: 'Y', q: -4 })
const reaction = (node: string, component: 'x' | 'y' | 'rotation', value: number | string): NewAnswer => ({
  quantity: 'reaction',
  node,
  component,
  value,
})
const right = [
  reaction('A', 'x', 0),
  reaction('A', 'y', 15),
  reaction('A', 'rotation', 18),
  reaction('B', 'y', 9),
]

describe('the reactions of a sheet', () => {
  it('that are right contradict nothing', () => expect(check(beam, right).consistency).toEqual([]))
  it('that do not balance leave a residual, in coherent units, with the values that enter it', () => {
    const wrong = [...right.slice(0, 3), reaction('B', 'y', 11)]
    const { consistency } = check(beam, wrong)
    expect(consistency.map((c) => c.kind)).toEqual(['forces-y', 'moments'])
    expect(consistency[0].residual).toBeCloseTo(2, 9)
    expect(consistency[1]).toMatchObject({ about: 'A', scope: 'structure' })
    expect(consistency[1].residual).toBeCloseTo(12, 9)
    expect(consistency[1].sentence).toBe(
      'Your reactions do not balance: the moments about A leave 12.0 kN·m.',
    )
  })
  it('are not judged while one is missing', () =>
    expect(check(beam, [...right.slice(0, 2), reaction('B', 'y', 11)]).consistency).toEqual([]))
})

describe('the end moments of a member', () => {
  const moment = (at: string, value: number): NewAnswer => ({
    quantity: 'moment',
    member: 'AB',
    at,
    value,
  })
  it('and its load give the shear', () => {
    const shear: NewAnswer = { quantity: 'shear', member: 'AB', at: '0%', value: 12 }
    const { consistency } = check(beam, [moment('0%', -18), moment('100%', 0), shear])
    expect(consistency).toMatchObject([{ kind: 'span', scope: 'AB', answers: ['a1', 'a2', 'a3'] }])
    expect(consistency[0].residual).toBeCloseTo(-3, 9)
  })
  it('and its load give the largest moment', () => {
    const most: NewAnswer = { quantity: 'maximum', of: 'moment', member: 'AB', value: 10.125 }
    expect(check(beam, [moment('0%', -18), moment('100%', 0), most]).consistency).toEqual([])
    expect(
      check(beam, [moment('0%', -18), moment('100%', 0), { ...most, value: 12 }]).consistency,
    ).toHaveLength(1)
  })
  it('balance at a joint', () => {
    const { problem } = frame()
      .node('A', 0, 0)
      .node('B', 4, 0)
      .node('C', 8, 0)
      .member('A', 'B')
      .member('B', 'C')
      .support('A', 'fixed')
      .support('B', 'roller')
      .support('C', 'fixed')
      .load({ type: 'distributed', member: 'AB', direction: 'Y', q: -4 })
    const [AB, BC]: NewAnswer[] = [
      { quantity: 'moment', member: 'AB', at: '100%', value: -4 },
      { quantity: 'moment', member: 'BC', at: '0%', value: -2 },
    ]
    expect(check(problem, [AB, BC]).consistency).toMatchObject([{ kind: 'joint', scope: 'B' }])
    expect(check(problem, [AB, { ...BC, value: -4 }]).consistency).toEqual([])
  })
})

it('bar forces that do not balance at a joint of a truss are named', () => {
  const { problem } = truss()
    .node('A', 0, 0)
    .node('B', 8, 0)
    .node('C', 4, 3)
    .member('A', 'B')
    .member('A', 'C')
    .member('C', 'B')
    .support('A', 'pin')
    .support('B', 'roller')
    .load({ type: 'nodal', node: 'C', fy: -6 })
  const bar = (member: string, value: string): NewAnswer => ({ quantity: 'axial', member, value })
  expect(check(problem, [bar('AC', '-5.00'), bar('CB', '-5.00')]).consistency).toEqual([])
  const { consistency } = check(problem, [bar('AC', '-5.00'), bar('CB', '-6.00')])
  expect(consistency).toMatchObject([{ kind: 'joint', scope: 'C' }])
})

describe('the convention of fixed-end moments', () => {
  const fixed = (end: 'start' | 'end', value: number): NewAnswer => ({
    quantity: 'fixed-end',
    member: 'AB',
    end,
    component: 'rotation',
    value,
  })
  it('is the opposite one where both ends fit it, and an error where one does', () => {
    const { problem: held } = frame()
      .node('A', 0, 0)
      .node('B', 6, 0)
      .member('A', 'B')
      .support('A', 'fixed')
      .support('B', 'fixed')
      .load({ type: 'distributed', member: 'AB', direction: 'Y', q: -4 })
    const verdicts = (...answers: NewAnswer[]) => check(held, answers).answers.map((a) => a.verdict)
    expect(verdicts(fixed('start', 12), fixed('end', -12))).toEqual(['agrees', 'agrees'])
    expect(verdicts(fixed('start', -12), fixed('end', 12))).toEqual(['convention', 'convention'])
    expect(verdicts(fixed('start', -12), fixed('end', -12))).toEqual(['differs', 'agrees'])
  })
})

describe('a convention', () => {
  const moment = (at: string, value: number): NewAnswer => ({
    quantity: 'moment',
    member: 'AB',
    at,
    value,
  })
  const most: NewAnswer = { quantity: 'minimum', of: 'moment', member: 'AB', value: -10.125 }
  it('is one when every value of the family is signed the other way', () => {
    const { answers, score } = check(beam, [moment('0%', 18), moment('50%', -9), most])
    expect(answers.map((a) => a.verdict)).toEqual(['convention', 'convention', 'convention'])
    expect(score).toEqual({ agree: 3, differ: 0, unknown: 0 })
  })
  it('is none when one of them is signed as Viga has it', () => {
    const { answers } = check(beam, [moment('0%', 18), moment('50%', 9)])
    expect(answers.map((a) => a.verdict)).toEqual(['differs', 'agrees'])
  })
  it('is none for a single value', () =>
    expect(check(beam, [moment('0%', 18)]).answers[0].verdict).toBe('differs'))
})
